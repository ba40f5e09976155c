import { useQuery } from '@tanstack/react-query';
import { catalogueQuery, estimateQuery, shopQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { amount } from '../measures/stock';
import { span } from '../measures/time';
import { useUnits } from '../shop/units';
import { say } from '../words/say';

type Bill = Schemas['Bill'];

/** What it is likely to cost, how far that is known, and line by line why; and what it came to. */
export function Estimated({ id, version }: { id: number; version: number }) {
  const { data, error } = useQuery(estimateQuery(id, version));
  // A shop that asks nothing is told nothing.
  if (error) return null;
  if (!data) return <div className="min-h-24" />;
  const money = (value: number) => `${value.toFixed(2)} ${data.currency}`;
  return (
    <section aria-label={say`What it costs`} className="min-h-24 border-l-8 border-line pl-3">
      <p className="text-lg font-bold">{say`Estimate ${money(data.planned.total)}`}</p>
      <p className="text-faint">
        {say`From ${money(data.least)} with quick hands to ${money(data.most)} on a bad day.`}
        {data.actual ? say` So far it came to ${money(data.actual.total)}.` : null}
      </p>
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-act">{say`Line by line`}</summary>
        <div className={`grid gap-6 pb-2 ${data.actual ? 'sm:grid-cols-2' : ''}`}>
          <Lines heading={say`By the plan`} bill={data.planned} money={money} />
          {data.actual ? <Lines heading={say`So far, as stamped and taken`} bill={data.actual} money={money} /> : null}
        </div>
      </details>
    </section>
  );
}

interface LinesProps {
  heading: string;
  bill: Bill;
  money: (value: number) => string;
}

const minuteMs = 60_000;

function Lines({ heading, bill, money }: LinesProps) {
  const { units } = useUnits();
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  const known = [...(catalogue.data?.materials ?? []), ...(shop.data?.settings.products ?? [])];
  const line = (what: string, cost: number | null) => (
    <div key={what} className="flex justify-between gap-4 border-b border-line py-1">
      <dt>{what}</dt>
      <dd className="numeral whitespace-nowrap">{cost === null ? say`no price known` : money(cost)}</dd>
    </div>
  );
  return (
    <div>
      <h3 className="lettering">{heading}</h3>
      <dl>
        {line(say`Hands, ${span(bill.handsOnMin * minuteMs)}`, bill.labour)}
        {bill.materials.map((each) =>
          line(`${known.find((one) => one.id === each.material)?.name ?? each.material}, ${amount(each.value, each.unit, units)}`, each.cost),
        )}
        {bill.consumables > 0 ? line(say`Cloths, gloves, grit, cups`, bill.consumables) : null}
        {bill.raised > 0 ? line(say`Up to the least that a mend costs`, bill.raised) : null}
        {bill.tax > 0 ? line(say`Tax`, bill.tax) : null}
        <div className="flex justify-between gap-4 py-1 text-lg font-bold">
          <dt>{say`In all`}</dt>
          <dd className="numeral">{money(bill.total)}</dd>
        </div>
      </dl>
    </div>
  );
}

import { useQuery } from '@tanstack/react-query';
import { catalogueQuery, shopQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { money } from '../measures/money';
import { amount } from '../measures/stock';
import { span } from '../measures/time';
import { useUnits } from '../shop/units';
import { say } from '../words/say';

interface Props {
  heading?: string;
  bill: Schemas['Bill'];
  currency: string;
  /** What stands for money that is not known. */
  unknown?: string;
}

const minuteMs = 60_000;

/** What a mend costs, line by line. */
export function BillLines({ heading, bill, currency, unknown = say`no price known` }: Props) {
  const { units } = useUnits();
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  const known = [...(catalogue.data?.materials ?? []), ...(shop.data?.settings.products ?? [])];
  const line = (what: string, cost: number | null) => (
    <div key={what} className="flex justify-between gap-4 border-b border-line py-1">
      <dt>{what}</dt>
      <dd className="numeral whitespace-nowrap">{cost === null ? unknown : money(cost, currency)}</dd>
    </div>
  );
  return (
    <div>
      {heading ? <h3 className="lettering">{heading}</h3> : null}
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
          <dd className="numeral">{money(bill.total, currency)}</dd>
        </div>
      </dl>
    </div>
  );
}

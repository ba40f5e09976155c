import { useQuery } from '@tanstack/react-query';
import { estimateQuery } from '../api/queries';
import { money } from '../measures/money';
import { say } from '../words/say';
import { BillLines } from './BillLines';
import { MendOrReplace } from './MendOrReplace';

/** What it is likely to cost, how far that is known, and line by line why; and what it came to. */
export function Estimated({ id, version }: { id: number; version: number }) {
  const { data, error } = useQuery(estimateQuery(id, version));
  // A shop that asks nothing is told nothing.
  if (error) return null;
  if (!data) return <div className="min-h-24" />;
  const asked = (value: number) => money(value, data.currency);
  return (
    <section aria-label={say`What it costs`} className="min-h-24 border-l-8 border-line pl-3">
      <p className="text-lg font-bold">{say`Estimate ${asked(data.planned.total)}`}</p>
      <p className="text-faint">
        {say`From ${asked(data.least)} with quick hands to ${asked(data.most)} on a bad day.`}
        {data.actual ? say` So far it came to ${asked(data.actual.total)}.` : null}
      </p>
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-act">{say`Line by line`}</summary>
        <div className={`grid gap-6 pb-2 ${data.actual ? 'sm:grid-cols-2' : ''}`}>
          <BillLines heading={say`By the plan`} bill={data.planned} currency={data.currency} />
          {data.actual ? <BillLines heading={say`So far, as stamped and taken`} bill={data.actual} currency={data.currency} /> : null}
        </div>
      </details>
      <MendOrReplace id={id} version={version} currency={data.currency} />
    </section>
  );
}

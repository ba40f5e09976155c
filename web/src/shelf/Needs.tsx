import { amount } from '../measures/stock';
import { Link } from '@tanstack/react-router';
import type { Schemas } from '../api/types';
import { when } from '../measures/time';
import type { Units } from '../measures/units';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { say } from '../words/say';

/** What the mends on the bench still take: what is missing first, and by when it has to be there. */
export function Needs({ needs, units }: { needs: readonly Schemas['NeedView'][]; units: Units }) {
  const now = useNow();
  const zone = useZone();
  const missing = needs.filter((need) => need.short !== null);
  if (needs.length === 0) return null;
  return (
    <details className={`mt-3 border-l-8 bg-sheet px-4 py-2 ${missing.length > 0 ? 'border-late' : 'border-good'}`} open={missing.length > 0}>
      <summary className="min-h-11 cursor-pointer text-lg font-semibold">
        {missing.length === 0
          ? say`The bench still takes ${needs.length} materials; nothing that is counted is missing`
          : missing.length === 1
            ? say`1 material runs out before the bench is through`
            : say`${missing.length} materials run out before the bench is through`}
      </summary>
      <ul className="mt-1 grid gap-x-10 lg:grid-cols-2">
        {needs.map((need) => (
          <li key={need.material} className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-line py-1.5">
            <span className="font-semibold">{need.title}</span>
            <span className={need.short === null ? '' : 'font-bold text-late'}>
              {need.short === null
                ? amount(need.value, need.unit, units)
                : say`${amount(need.short, need.unit, units)} missing of ${amount(need.value, need.unit, units)}`}
            </span>
            <span className="basis-full text-sm text-faint">
              {need.left === null ? say`not counted` : say`${amount(need.left, need.unit, units)} left`}
              {need.from ? say`, first needed ${when(need.from, now, zone)}` : null}
              {say`, for mend`}{' '}
              {need.mends.map((mend, i) => (
                <span key={mend}>
                  {i > 0 ? ', ' : ''}
                  <Link to="/mends/$id/$stage" params={{ id: String(mend), stage: 'plan' }} className="underline underline-offset-4">
                    {mend}
                  </Link>
                </span>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}

import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { looksQuery } from '../api/queries';
import { when } from '../measures/time';
import { useMinute } from '../shop/clock';
import { useZone } from '../shop/zone';
import { say } from '../words/say';

/** What was handed back and is to be looked at again, so that somebody is called before it has failed unseen. */
export function LooksDue() {
  const { data } = useQuery(looksQuery);
  const now = useMinute();
  const zone = useZone();
  if (!data || data.total === 0) return null;
  return (
    <details className="no-print mt-3 border-l-8 border-early bg-sheet px-4 py-1">
      <summary className="min-h-11 cursor-pointer py-2 text-lg font-semibold">
        {data.total === 1 ? say`1 mend to look at again` : say`${data.total} mends to look at again`}
      </summary>
      <ul className="pb-2">
        {data.looks.map((look) => (
          <li key={look.id} className="border-t border-line">
            <Link
              to="/mends/$id/$stage"
              params={{ id: String(look.id), stage: 'prove' }}
              className="group grid min-h-14 items-center gap-x-5 py-1 md:grid-cols-[6.5rem_minmax(0,1fr)_minmax(0,1fr)]"
            >
              <span className="numeral text-2xl group-hover:underline">{look.tag}</span>
              <span className="leading-tight">
                <span className="block font-semibold">{look.itemName}</span>
                <span className="text-sm text-faint">{look.methodName}</span>
              </span>
              <span className={Date.parse(look.at) < now ? 'font-bold text-late' : 'text-faint'}>{say`Look at it ${when(look.at, now, zone)}`}</span>
            </Link>
          </li>
        ))}
      </ul>
      {data.total > data.looks.length ? <p className="pb-2 text-faint">{say`And ${data.total - data.looks.length} more.`}</p> : null}
    </details>
  );
}

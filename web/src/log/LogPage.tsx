import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useSearch } from '@tanstack/react-router';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { logQuery } from '../api/queries';
import { problemsIn } from '../api/client';
import { Problems } from '../ui/Notice';
import { when } from '../measures/time';
import { useDamageWords } from '../ui/damageWords';
import { decisionWords } from '../ui/words';
import { say } from '../words/say';

/** Everything that was closed, found again by any word of it. */
export function LogPage() {
  const { q = '' } = useSearch({ from: '/log' });
  const navigate = useNavigate();
  const log = useQuery(logQuery(q));
  const damageWords = useDamageWords();
  const now = useNow();
  const zone = useZone();
  return (
    <div className="mx-auto max-w-[1500px] px-5 py-5">
      <div className="flex flex-wrap items-end gap-6">
        <h1 className="text-3xl">{say`Log`}</h1>
        <label className="min-w-72 flex-1">
          <span className="lettering block">{say`Search by tag, place, resin, or any word in a note`}</span>
          <input
            type="search"
            className="h-12 w-full max-w-xl rounded-sm border-2 border-strong-line bg-sheet px-3 text-lg"
            value={q}
            onChange={(event) => void navigate({ to: '/log', search: event.target.value ? { q: event.target.value } : {}, replace: true })}
          />
        </label>
      </div>
      <Problems problems={problemsIn(log.error)} />
      <ul className="mt-3">
        {log.data?.map((entry) => (
          <li key={entry.id} className="border-b border-line">
            <Link
              to="/mends/$id/$stage"
              params={{ id: String(entry.id), stage: 'prove' }}
              className="group grid min-h-16 items-center gap-x-5 py-1.5 md:grid-cols-[6.5rem_minmax(0,1fr)_minmax(0,1.3fr)_10rem]"
            >
              <span className="numeral text-2xl group-hover:underline">{entry.tag}</span>
              <span className="leading-tight">
                <span className="block font-semibold">
                  {entry.damage ? damageWords(entry.damage, entry.construction) : ''}
                  {entry.damages > 1 ? say`, and ${entry.damages - 1} more` : ''}
                </span>
                <span className="text-sm text-faint">{entry.methodName ? `${entry.methodName}, ${entry.materialName}` : entry.itemName}</span>
              </span>
              <span className="line-clamp-3 leading-tight">
                <strong className={entry.status === 'handed-back' ? 'text-good' : 'text-late'}>
                  {entry.decision === null
                    ? say`Unreadable`
                    : entry.status === 'handed-back'
                      ? entry.decision === 'mend-for-now'
                        ? say`Mended for now`
                        : say`Mended`
                      : decisionWords[entry.decision]}
                  .
                </strong>{' '}
                {entry.words}
              </span>
              <span className="text-faint whitespace-nowrap md:text-right">{when(entry.closedAt, now, zone)}</span>
            </Link>
          </li>
        ))}
      </ul>
      {log.data?.length === 0 ? (
        <p className="mt-6 text-lg text-faint">{q ? say`Nothing in the log has “${q}” in it.` : say`Nothing has been closed yet.`}</p>
      ) : null}
    </div>
  );
}

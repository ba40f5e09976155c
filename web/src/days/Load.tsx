import type { Schemas } from '../api/types';
import { day as dayWords, span } from '../measures/time';
import { say } from '../words/say';

type DayLoad = Schemas['DayLoad'];

const minuteMs = 60_000;

/** From here on a day has no room for what goes wrong. */
const fullFrom = 0.85;

interface Props {
  load: readonly DayLoad[];
  shown: string;
  onPick: (day: string) => void;
}

/** What the coming days ask of the hands that are there. A day can be picked where something is done on it. */
export function Load({ load, shown, onPick }: Props) {
  return (
    <section aria-label={say`Load of the coming days`} className="no-print mt-3">
      <h2 className="lettering">{say`Hands, planned of those there`}</h2>
      <ul className="grid gap-x-4 sm:grid-cols-7">
        {load.map((each) => (
          <li key={each.day}>
            <DayBar load={each} shown={each.day === shown} onPick={onPick} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function DayBar({ load: { day, plannedMin, thereMin }, shown, onPick }: { load: DayLoad; shown: boolean; onPick: (day: string) => void }) {
  const share = thereMin > 0 ? Math.min(1, plannedMin / thereMin) : 0;
  const isFull = share >= fullFrom;
  const words =
    thereMin === 0
      ? say`closed`
      : plannedMin === 0
        ? say`${span(thereMin * minuteMs)} free`
        : say`${span(plannedMin * minuteMs)} of ${span(thereMin * minuteMs)}`;
  const body = (
    <>
      <span className={`whitespace-nowrap ${shown ? 'font-bold' : ''}`}>{dayWords(`${day}T12:00:00Z`, 'UTC')}</span>
      <span className="block h-3 border border-strong-line bg-sheet max-sm:mx-3" aria-hidden>
        <span className={`block h-full ${isFull ? 'bg-late' : 'bg-ink'}`} style={{ width: `${share * 100}%` }} />
      </span>
      <span className={`text-sm whitespace-nowrap ${isFull ? 'font-semibold text-late' : 'text-faint'}`}>
        {words}
        {isFull ? say`, full` : ''}
      </span>
    </>
  );
  const look = 'grid min-h-11 w-full content-center items-center gap-0.5 text-left max-sm:grid-cols-[6rem_1fr_9rem]';
  return plannedMin > 0 ? (
    <button type="button" className={`${look} hover:bg-sheet`} aria-pressed={shown} onClick={() => onPick(day)}>
      {body}
    </button>
  ) : (
    <div className={look}>{body}</div>
  );
}

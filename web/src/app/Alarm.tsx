import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { benchQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { alarmsOf, type AlarmKind, type BenchAlarm } from '../shop/alarms';
import { useNow } from '../shop/clock';
import { ring } from '../shop/sound';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';
import { laterMs, useQuiet } from './quiet';

const againAfterMs = 4000;
const minutes = laterMs / 60_000;

/**
 * Rings when a window opens, is about to close or has closed anywhere on the bench, on every page, until it is silenced or put off. It
 * stands at the foot of the screen: nothing moves under a gloved finger because of it.
 */
export function Alarm() {
  const bench = useQuery(benchQuery);
  const now = useNow();
  const { isQuiet, silence, later } = useQuiet(now);
  const ringing = alarmsOf(bench.data?.entries ?? [], now, bench.data?.ringsBeforeMin ?? 0).filter((alarm) => !isQuiet(alarm));
  const loudest = ringing[0]?.kind ?? null;
  useEffect(() => {
    if (!loudest) return;
    ring(loudest);
    const again = setInterval(() => ring(loudest), againAfterMs);
    return () => clearInterval(again);
  }, [loudest]);
  useKeys(['m'], () => silence(ringing));
  useKeys(['z'], () => later(ringing));
  return ringing.length === 0 ? null : <Ringing alarms={ringing} onSilence={silence} onLater={later} />;
}

interface Props {
  alarms: readonly BenchAlarm[];
  onSilence: (alarms: readonly BenchAlarm[]) => void;
  onLater: (alarms: readonly BenchAlarm[]) => void;
}

const heads: Record<AlarmKind, string> = { closing: say`About to be lost`, lost: say`Lost`, open: say`Open now` };
const tones: Record<AlarmKind, string> = { closing: 'bg-late-soft', lost: 'bg-late-soft', open: 'bg-good-soft' };

/** One line on every screen, the most pressing first, which opens to all of them: it may not cover what is being read. */
function Ringing({ alarms, onSilence, onLater }: Props) {
  const [open, setOpen] = useState(false);
  const [first, ...others] = alarms;
  return (
    <div role="alert" className={`border-t-2 border-ink px-3 py-0.5 sm:px-5 ${tones[first!.kind]}`}>
      {open && others.length > 0 ? (
        <ul aria-label={say`All that ring`}>
          {alarms.map((alarm) => (
            <li key={alarm.key} className="flex flex-wrap items-center gap-x-3 border-b border-line py-0.5">
              <strong className="w-32 shrink-0">{heads[alarm.kind]}</strong>
              <To alarm={alarm} />
              <span className="ml-auto flex gap-2">
                <Button onClick={() => onLater([alarm])}>{say`In ${minutes} min`}</Button>
                <Button onClick={() => onSilence([alarm])}>{say`Silence this one`}</Button>
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      <div className="flex items-center gap-x-3">
        {open && others.length > 0 ? (
          <strong>{say`All ${alarms.length}`}</strong>
        ) : (
          <>
            <strong className="hidden shrink-0 sm:inline">{heads[first!.kind]}</strong>
            <To alarm={first!} />
          </>
        )}
        {others.length > 0 ? (
          <button
            type="button"
            aria-expanded={open}
            aria-label={open ? say`Fewer` : say`${others.length} more`}
            onClick={() => setOpen(!open)}
            className="min-h-11 min-w-11 shrink-0 underline underline-offset-4"
          >
            {open ? say`Fewer` : `+${others.length}`}
          </button>
        ) : null}
        <span className="ml-auto flex shrink-0 gap-2">
          <Button onClick={() => onLater(alarms)}>
            {say`In ${minutes} min`} <kbd className="hidden text-sm sm:inline">Z</kbd>
          </Button>
          <Button onClick={() => onSilence(alarms)}>
            {say`Silence`} <kbd className="hidden text-sm sm:inline">M</kbd>
          </Button>
        </span>
      </div>
    </div>
  );
}

function To({ alarm }: { alarm: BenchAlarm }) {
  return (
    <Link to="/mends/$id/$stage" params={{ id: String(alarm.id), stage: 'mend' }} className="flex min-h-11 min-w-0 items-center underline underline-offset-4">
      <span className="truncate">{alarm.words}</span>
    </Link>
  );
}

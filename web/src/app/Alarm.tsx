import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { benchQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { alarmsOf, type BenchAlarm } from '../shop/alarms';
import { useNow } from '../shop/clock';
import { beep } from '../shop/sound';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

const key = 'able-mend.silenced';

function readSilenced(): string[] {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '[]') as string[];
  } catch {
    return [];
  }
}

/**
 * Rings when a window opens or is about to close anywhere on the bench, on every page, until it is silenced. It stands at
 * the foot of the screen: nothing moves under a gloved finger because of it.
 */
export function Alarm() {
  const bench = useQuery(benchQuery);
  const now = useNow();
  const [silenced, setSilenced] = useState(readSilenced);
  const ringing = alarmsOf(bench.data?.entries ?? [], now, bench.data?.ringsBeforeMin ?? 0).filter((alarm) => !silenced.includes(alarm.key));
  const loud = ringing.length > 0;
  useEffect(() => {
    if (!loud) return;
    beep();
    const again = setInterval(beep, 4000);
    return () => clearInterval(again);
  }, [loud]);
  const silence = () => {
    const next = [...silenced, ...ringing.map((alarm) => alarm.key)].slice(-200);
    localStorage.setItem(key, JSON.stringify(next));
    setSilenced(next);
  };
  useKeys(['m'], silence);
  if (!loud) return null;
  return <Ringing alarms={ringing} onSilence={silence} />;
}

/** One line on every screen, the most pressing first: it may not cover what is being read. */
function Ringing({ alarms, onSilence }: { alarms: readonly BenchAlarm[]; onSilence: () => void }) {
  const lost = alarms.some((alarm) => alarm.kind === 'closing');
  const more = alarms.length - 1;
  return (
    <div
      role="alert"
      className={`no-print sticky bottom-0 z-20 flex items-center gap-x-4 border-t-2 border-ink px-3 py-0.5 sm:px-5 ${lost ? 'bg-late-soft' : 'bg-good-soft'}`}
    >
      <strong className="hidden sm:inline">{lost ? say`About to be lost` : say`Open now`}</strong>
      {alarms.slice(0, 3).map((alarm, i) => (
        <Link
          key={alarm.key}
          to="/mends/$id/$stage"
          params={{ id: String(alarm.id), stage: 'mend' }}
          className={`min-h-11 min-w-0 items-center underline underline-offset-4 ${i === 0 ? 'flex' : 'hidden lg:flex'}`}
        >
          <span className="truncate">{alarm.words}</span>
        </Link>
      ))}
      {more > 0 ? <span className="whitespace-nowrap lg:hidden">+{more}</span> : null}
      {alarms.length > 3 ? <span className="hidden lg:inline">{say`and ${alarms.length - 3} more`}</span> : null}
      <Button className="ml-auto shrink-0" onClick={onSilence}>
        {say`Silence`} <kbd className="text-sm">M</kbd>
      </Button>
    </div>
  );
}

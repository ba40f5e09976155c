import { useState } from 'react';
import type { BenchAlarm } from '../shop/alarms';

const place = 'able-mend.quiet';

/** How long an alarm that is put off stays quiet, in milliseconds. */
export const laterMs = 5 * 60_000;

/** Until when each alarm is quiet, by its key, in milliseconds; what is silenced stays so. */
type Quiet = Readonly<Record<string, number>>;

const forEver = Number.MAX_SAFE_INTEGER;
const most = 200;

function read(): Quiet {
  try {
    return JSON.parse(localStorage.getItem(place) ?? '{}') as Quiet;
  } catch {
    return {};
  }
}

/** Which alarms are quiet, for one mend or for all: silenced for good, or put off. It outlives a reload. */
export function useQuiet(now: number) {
  const [quiet, setQuiet] = useState(read);
  const hush = (alarms: readonly BenchAlarm[], until: number) => {
    const next = Object.fromEntries([...Object.entries(quiet), ...alarms.map((alarm) => [alarm.key, until] as const)].slice(-most));
    try {
      localStorage.setItem(place, JSON.stringify(next));
    } catch {
      // Where a browser keeps nothing, it is quiet for as long as the page lives.
    }
    setQuiet(next);
  };
  return {
    isQuiet: (alarm: BenchAlarm) => (quiet[alarm.key] ?? 0) > now,
    silence: (alarms: readonly BenchAlarm[]) => hush(alarms, forEver),
    later: (alarms: readonly BenchAlarm[]) => hush(alarms, now + laterMs),
  };
}

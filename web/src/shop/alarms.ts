import type { BenchEntry } from '../api/types';
import { say } from '../words/say';

/** A window that has opened, one that is about to close (or a mix about to be past using), and what is lost. */
export type AlarmKind = 'open' | 'closing' | 'lost';

/** Something on the bench to ring for. */
export interface BenchAlarm {
  key: string;
  id: number;
  kind: AlarmKind;
  words: string;
}

const minute = 60_000;
/** A window that opened longer ago than this does not ring for somebody who has just come in. */
const freshMs = 10 * minute;

type Entry = Pick<BenchEntry, 'id' | 'tag' | 'stepTitle' | 'window' | 'useBy' | 'testUntil'>;

/** @param ringsBeforeMin how many minutes before an end it is rung for: the core says so */
export function alarmsOf(entries: readonly Entry[], now: number, ringsBeforeMin: number): BenchAlarm[] {
  const alarms = entries.flatMap((entry) => alarmOf(entry, now, ringsBeforeMin * minute));
  // What can still be saved is named first, then what is lost, then what merely opened; within each, the bench's own order stands.
  return (['closing', 'lost', 'open'] as const).flatMap((kind) => alarms.filter((alarm) => alarm.kind === kind));
}

function alarmOf(entry: Entry, now: number, ringsBeforeMs: number): BenchAlarm[] {
  const alarm = (kind: BenchAlarm['kind'], end: string, words: string): BenchAlarm[] => [
    { key: `${entry.id}.${kind}.${end}`, id: entry.id, kind, words: `${entry.tag}: ${words}` },
  ];
  const near = (end: string | null | undefined) => end && Date.parse(end) - now < ringsBeforeMs && now - Date.parse(end) < freshMs;
  const past = (end: string | null | undefined) => end && Date.parse(end) <= now && near(end);
  if (past(entry.useBy)) return alarm('lost', entry.useBy!, say`${entry.stepTitle}: the mix is past using`);
  if (past(entry.window?.closesAt)) return alarm('lost', entry.window!.closesAt!, say`${entry.stepTitle}: the window has closed`);
  if (near(entry.useBy)) return alarm('closing', entry.useBy!, say`${entry.stepTitle}: the mix is nearly past using`);
  if (near(entry.window?.closesAt)) return alarm('closing', entry.window!.closesAt!, say`${entry.stepTitle}: the window closes`);
  const justOver = (end: string | null | undefined) => end && now >= Date.parse(end) && now - Date.parse(end) < freshMs;
  if (justOver(entry.window?.opensAt)) return alarm('open', entry.window!.opensAt!, say`${entry.stepTitle}: the wait is over, test it`);
  if (justOver(entry.testUntil)) return alarm('open', entry.testUntil!, say`${entry.stepTitle}: its time is over`);
  return [];
}

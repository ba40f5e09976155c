import type { Schemas } from '../api/types';
import { localDay, span } from '../measures/time';
import { say } from '../words/say';

type Block = Schemas['DayBlock'];

export type Taken = Schemas['DayTaken'];

export type Group = Schemas['DayTogether'];

/** What somebody has in hand, and what comes next. */
export interface Turn {
  now: Block | null;
  next: Block | null;
}

/** The blocks of a person that are in hand and that come next at an instant. */
export function turnOf(blocks: readonly Block[], person: number, nowMs: number): Turn {
  const own = blocks.filter((block) => block.person === person && Date.parse(block.endsAt) > nowMs);
  const [first, second] = own;
  if (!first) return { now: null, next: null };
  return Date.parse(first.startsAt) <= nowMs ? { now: first, next: second ?? null } : { now: null, next: first };
}

/** The days on which anything is done, in order, today first even where nothing is. */
export function daysOf(blocks: readonly Block[], nowIso: string, zone: string): string[] {
  const days = new Set([localDay(nowIso, zone), ...blocks.map((block) => localDay(block.startsAt, zone))]);
  return [...days].sort();
}

export function blocksOn(blocks: readonly Block[], day: string, zone: string): Block[] {
  return blocks.filter((block) => localDay(block.startsAt, zone) === day);
}

/** What is mixed, or melted with one hot tool, for several items in one go on a day. */
export function togetherOn(together: readonly Group[], kind: Group['kind'], day: string, zone: string): Group[] {
  return together.filter((group) => group.kind === kind && localDay(group.at, zone) === day);
}

/** What it is mixed or melted for, each with the mends that it is done for so. */
export function sharesOf(group: Group): [title: string, mends: number[]][] {
  const titles = [...new Set(group.mixes.map((mix) => mix.title))];
  return titles.map((title) => [title, group.mixes.filter((mix) => mix.title === title).map((mix) => mix.mend)]);
}

/** From the hour before the first hands of a day to the hour after the last. */
export function rangeOf(blocks: readonly Block[], fallbackMs: number): { fromMs: number; toMs: number } {
  const hour = 3600_000;
  const starts = blocks.map((block) => Date.parse(block.startsAt));
  const ends = blocks.map((block) => Date.parse(block.endsAt));
  const from = Math.floor(Math.min(...(starts.length ? starts : [fallbackMs])) / hour) * hour;
  const to = Math.ceil(Math.max(...(ends.length ? ends : [fallbackMs])) / hour) * hour;
  return { fromMs: from, toMs: Math.max(to, from + 8 * hour) };
}

/** Minutes of hands-on work that a person has among some blocks. */
export function minutesOf(blocks: readonly Block[], person: number): number {
  return blocks.filter((block) => block.person === person).reduce((sum, block) => sum + (Date.parse(block.endsAt) - Date.parse(block.startsAt)) / 60_000, 0);
}

/** The clamps, the places and the places in the warm that anything has during a stretch of time, in the order of their numbers. */
export function shelvesOf(
  taken: readonly Taken[],
  range: { fromMs: number; toMs: number },
): { thing: Taken['thing']; number: number; taken: readonly Taken[] }[] {
  const shown = taken.filter((each) => Date.parse(each.from) < range.toMs && Date.parse(each.until) > range.fromMs);
  return (['clamp', 'place', 'warm'] as const).flatMap((thing) =>
    [...new Set(shown.filter((each) => each.thing === thing).map((each) => each.number))]
      .sort((a, b) => a - b)
      .map((number) => ({ thing, number, taken: shown.filter((each) => each.thing === thing && each.number === number) })),
  );
}

/** What a plan is worth beside any other that there could be, in short sentences; none where all is in time. Times are weighted where mends are. */
export function worthWords(worth: Schemas['DaysWorth'], weighted: boolean): string[] {
  const minute = 60_000;
  const late = span(worth.lateMin * minute);
  const told: string[] = [];
  if (worth.missed > 0) told.push(worth.missed === 1 ? say`1 window is missed.` : say`${worth.missed} windows are missed.`);
  if (worth.missed > 0 && worth.leastMissed >= worth.missed) told.push(say`No plan could keep more of them.`);
  if (worth.lateMin > 0) told.push(weighted ? say`Late by ${late} in all, each as often as it counts.` : say`Late by ${late} in all.`);
  if (worth.lateMin > 0 && worth.leastLateMin >= worth.lateMin) told.push(say`No plan could be less late: each is ready as soon as if it were alone.`);
  else if (worth.lateMin > 0 && worth.leastLateMin > 0) told.push(say`No plan could be late by less than ${span(worth.leastLateMin * minute)}.`);
  if (worth.fewerMissed > 0) told.push(worth.fewerMissed === 1 ? say`Looking on has saved 1 window.` : say`Looking on has saved ${worth.fewerMissed} windows.`);
  else if (worth.lessLateMin > 0) told.push(say`Looking on has taken ${span(worth.lessLateMin * minute)} off that.`);
  return told;
}

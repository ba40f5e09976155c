import { say } from '../words/say'; /** A wait with two ends: too early, good, too late. */
export type WindowState = 'early' | 'good' | 'late';

export interface WindowEnds {
  opensAt: string | null;
  closesAt: string | null;
}

export function windowState(ends: WindowEnds, now: number): WindowState {
  if (ends.closesAt && now > Date.parse(ends.closesAt)) return 'late';
  return ends.opensAt && now >= Date.parse(ends.opensAt) ? 'good' : 'early';
}

export const windowWords: Record<WindowState, string> = {
  early: say`Too early`,
  good: say`Good now`,
  late: say`Too late`,
};

/** What the countdown runs to, and what it is called. */
export function nextEnd(ends: WindowEnds, now: number): { at: number; words: string } | null {
  const state = windowState(ends, now);
  if (state === 'early') return ends.opensAt ? { at: Date.parse(ends.opensAt), words: say`opens in` } : null;
  if (state === 'good') return ends.closesAt ? { at: Date.parse(ends.closesAt), words: say`closes in` } : null;
  return null;
}

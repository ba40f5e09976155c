import { describe, expect, it } from 'vitest';
import { nextEnd, windowState } from './window';

const at = (minute: number) => Date.UTC(2026, 4, 6, 9, minute);
const iso = (minute: number) => new Date(at(minute)).toISOString();
const window = { opensAt: iso(10), closesAt: iso(30) };

describe('a wait has two ends', () => {
  it.each([
    [9.99, 'early'],
    [10, 'good'],
    [30, 'good'],
    [30.01, 'late'],
  ] as const)('at minute %s it is %s', (minute, state) => {
    expect(windowState(window, Math.round(at(0) + minute * 60_000))).toBe(state);
  });

  it('without an end is never late', () => {
    expect(windowState({ opensAt: iso(10), closesAt: null }, at(5000))).toBe('good');
  });

  it('that never opens stays early', () => {
    expect(windowState({ opensAt: null, closesAt: null }, at(5000))).toBe('early');
    expect(nextEnd({ opensAt: null, closesAt: null }, at(5))).toBeNull();
  });

  it('counts down to its next end', () => {
    expect(nextEnd(window, at(4))).toEqual({ at: at(10), words: 'opens in' });
    expect(nextEnd(window, at(12))).toEqual({ at: at(30), words: 'closes in' });
    expect(nextEnd(window, at(31))).toBeNull();
  });
});

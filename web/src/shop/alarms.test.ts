import { describe, expect, it } from 'vitest';
import { alarmsOf } from './alarms';

const now = Date.UTC(2026, 4, 6, 9);
const iso = (minutes: number) => new Date(now + minutes * 60_000).toISOString();
const entry = (change: object) => ({ id: 7, tag: 'BRD-07', stepTitle: 'Lay the patches', window: null, useBy: null, testUntil: null, ...change });
const window = (opens: number | null, closes: number | null) => ({
  stepId: 'glass',
  kind: 'sandable' as const,
  fromAt: iso(-600),
  opensAt: opens === null ? null : iso(opens),
  closesAt: closes === null ? null : iso(closes),
  check: '',
  whenLate: null,
});
const kinds = (change: object) => alarmsOf([entry(change)], now, 5).map((alarm) => alarm.kind);

describe('the alarm', () => {
  it('is quiet while a wait is early', () => expect(kinds({ window: window(1, null) })).toEqual([]));
  it('rings when a window has just opened', () => expect(kinds({ window: window(0, null) })).toEqual(['open']));
  it('does not ring for a window that opened long ago', () => expect(kinds({ window: window(-11, null) })).toEqual([]));
  it('rings when a window is about to close', () => expect(kinds({ window: window(-100, 4) })).toEqual(['closing']));
  it('rings when a mix is nearly past using', () => expect(kinds({ useBy: iso(4.9) })).toEqual(['closing']));
  it('says of a window that has closed and of a mix past using that they are lost', () => {
    expect(kinds({ window: window(-100, 0) })).toEqual(['lost']);
    expect(kinds({ useBy: iso(-1) })).toEqual(['lost']);
    expect(kinds({ useBy: iso(-11) })).toEqual([]);
  });
  it('names what can still be saved before what is lost, and that before what merely opened', () => {
    const all = [entry({ id: 1, window: window(0, null) }), entry({ id: 2, useBy: iso(-1) }), entry({ id: 3, useBy: iso(2) })];
    expect(alarmsOf(all, now, 5).map((alarm) => alarm.id)).toEqual([3, 2, 1]);
  });
  it('rings when a test has lasted long enough, and not before', () => {
    expect(kinds({ testUntil: iso(0) })).toEqual(['open']);
    expect(kinds({ testUntil: iso(1) })).toEqual([]);
    expect(kinds({ testUntil: iso(-11) })).toEqual([]);
  });
  it('leaves a fresh mix alone', () => expect(kinds({ useBy: iso(20) })).toEqual([]));
  it('has a key of its own for each end, so that silencing one does not silence the next', () => {
    const first = alarmsOf([entry({ window: window(0, null) })], now, 5)[0]!.key;
    const second = alarmsOf([entry({ window: window(-1, null) })], now, 5)[0]!.key;
    expect(first).not.toBe(second);
  });
});

import { afterEach, beforeEach, expect, test, vi } from 'vitest';

const start = Date.parse('2026-05-06T09:00:00Z');
let [wall, ran] = [start, 5000];

beforeEach(() => {
  [wall, ran] = [start, 5000];
  vi.resetModules();
  vi.spyOn(Date, 'now').mockImplementation(() => wall);
  vi.spyOn(performance, 'now').mockImplementation(() => ran);
});
afterEach(() => vi.restoreAllMocks());

const passes = (ms: number) => {
  wall += ms;
  ran += ms;
};

test('a tablet whose clock is set back goes on by the shop’s time, and is told to ask', async () => {
  const { onClockSet, setServerNow, shopNow } = await import('./clock');
  const told = vi.fn();
  onClockSet(told);
  setServerNow('2026-05-06T09:10:00Z', wall);
  passes(60_000);
  wall -= 3_600_000;
  passes(2000);
  expect(new Date(shopNow()).toISOString()).toBe('2026-05-06T09:11:02.000Z');
  passes(30_000);
  expect(new Date(shopNow()).toISOString()).toBe('2026-05-06T09:11:32.000Z');
  expect(told).toHaveBeenCalledTimes(1);
});

test('one that slept goes by its clock, for what counts the time that passes stood still', async () => {
  const { onClockSet, setServerNow, shopNow } = await import('./clock');
  const told = vi.fn();
  onClockSet(told);
  setServerNow('2026-05-06T09:00:00Z', wall);
  wall += 7 * 3_600_000;
  expect(new Date(shopNow()).toISOString()).toBe('2026-05-06T16:00:00.000Z');
  expect(told).toHaveBeenCalledTimes(1);
});

test('a clock that is drawn to another’s time a little at a time was not set', async () => {
  const { onClockSet, setServerNow, shopNow } = await import('./clock');
  const told = vi.fn();
  onClockSet(told);
  setServerNow('2026-05-06T09:00:00Z', wall);
  passes(60_000);
  wall -= 40;
  expect(new Date(shopNow()).toISOString()).toBe('2026-05-06T09:00:59.960Z');
  expect(told).not.toHaveBeenCalled();
});

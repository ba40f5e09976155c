import { describe, expect, it } from 'vitest';
import { stripBands, stripTicks, stripX } from './strip';

const start = Date.UTC(2026, 4, 6, 8);
const iso = (hours: number) => new Date(start + hours * 3600_000).toISOString();
const range = { fromMs: start, toMs: start + 10 * 3600_000, width: 1000 };
const hands = (from: number, to: number, opens: number | null = null, closes: number | null = null) => ({
  title: 'Lay the patches',
  startsAt: iso(from),
  handsEndAt: iso(to),
  opensAt: opens === null ? null : iso(opens),
  closesAt: closes === null ? null : iso(closes),
});

describe('the time strip', () => {
  it('puts instants where they belong', () => {
    expect(stripX(range, start + 5 * 3600_000)).toBe(500);
  });

  it('shows hands, too early, and good until hands go on', () => {
    const bands = stripBands([hands(1, 2, 4), hands(6, 7)], range);
    expect(bands.map((band) => [band.kind, band.x, band.width])).toEqual([
      ['hands', 100, 100],
      ['early', 200, 200],
      ['good', 400, 200],
      ['hands', 600, 100],
    ]);
  });

  it('begins what was ready before hands ended only when they are free', () => {
    const bands = stripBands([hands(2, 4, 3), hands(6, 7)], range);
    expect(bands.map((band) => [band.kind, band.x])).toEqual([
      ['hands', 200],
      ['good', 400],
      ['hands', 600],
    ]);
  });

  it('shows too late where hands come after the end', () => {
    const bands = stripBands([hands(1, 2, 4, 5), hands(8, 9)], range);
    expect(bands.map((band) => band.kind)).toEqual(['hands', 'early', 'good', 'late', 'hands']);
    expect(bands[3]).toMatchObject({ x: 500, width: 300 });
  });

  it('leaves out what lies outside, and cuts what hangs over', () => {
    const bands = stripBands([hands(-3, -2, -1), hands(-0.5, 1), hands(9.5, 12), hands(20, 21)], range);
    expect(bands.every((band) => band.x >= 0 && band.x + band.width <= 1000)).toBe(true);
    expect(bands.map((band) => band.kind)).toEqual(['good', 'hands', 'hands'].slice(1));
  });

  it('keeps a minute of work in sight', () => {
    expect(stripBands([hands(1, 1 + 1 / 600)], range)[0]!.width).toBe(2);
  });

  it('writes round hours, no closer than a label needs', () => {
    const ticks = stripTicks(range, 64);
    expect(ticks.every((tick) => tick % 3600_000 === 0)).toBe(true);
    expect(stripX(range, ticks[1]!) - stripX(range, ticks[0]!)).toBeGreaterThanOrEqual(64);
  });
});

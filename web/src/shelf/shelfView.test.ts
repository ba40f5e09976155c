import { describe, expect, it } from 'vitest';
import { boards, found, freshness, fullness, isDay, nextName, type LotView } from './shelfView';

const lot = (name: string, change: Partial<LotView['lot']> = {}, view: Partial<LotView> = {}): LotView => ({
  name,
  title: 'Laminating epoxy',
  lot: {
    material: 'epoxy',
    useBefore: null,
    openedOn: null,
    id: name,
    batch: null,
    had: 1000,
    unit: 'ml',
    price: null,
    standsAt: null,
    goneOn: null,
    ...change,
  },
  left: 250,
  lastDay: null,
  daysLeft: null,
  ...view,
});

describe('the shelf', () => {
  it('tells how full a lot is, and nothing where nobody counts it', () => {
    expect(fullness(lot('a'))).toBe(0.25);
    expect(fullness(lot('a', {}, { left: -20 }))).toBe(0);
    expect(fullness(lot('a', { had: null }, { left: null }))).toBeNull();
  });

  it('tells how long it is good', () => {
    const after = (daysLeft: number | null) => freshness(lot('a', {}, { daysLeft }));
    expect([after(null), after(31), after(30), after(0), after(-1)]).toEqual(['endless', 'good', 'soon', 'soon', 'past']);
  });

  it('stands by place, and what stands nowhere comes last', () => {
    const shelf = boards([lot('a'), lot('b', { standsAt: 'Fridge' }), lot('c', { standsAt: 'Cabinet' }), lot('d', { standsAt: 'Fridge' })]);
    expect(shelf.map((board) => [board.place, board.lots.map((each) => each.name)])).toEqual([
      ['Cabinet', ['c']],
      ['Fridge', ['b', 'd']],
      [null, ['a']],
    ]);
  });

  it('is found by any words', () => {
    const lots = [lot('L-001', { batch: 'K77' }), lot('L-002')];
    expect(found(lots, 'k77 EPOXY').map((each) => each.name)).toEqual(['L-001']);
    expect(found(lots, 'acetone')).toEqual([]);
  });

  it('gives the next free name', () => {
    expect(nextName([])).toBe('L-001');
    expect(nextName([lot('L-009'), lot('the blue tin')])).toBe('L-010');
  });

  it('takes a day as it is written, and no other', () => {
    expect(['', '2026-02-28', '2026-02-30', '28.2.2026', '2026-2-8'].map((text) => safely(() => isDay(text)))).toEqual([true, true, false, false, false]);
  });
});

const safely = (ask: () => boolean) => {
  try {
    return ask();
  } catch {
    return false;
  }
};

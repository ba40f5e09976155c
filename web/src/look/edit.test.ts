import { describe, expect, it } from 'vitest';
import type { Construction, Schemas } from '../api/types';
import { extent, reshaped, totalThicknessMm, withChoice, withKind, withLocation, withOverride } from './edit';
import { firstCase } from './firstCase';

const item = { id: 1, tag: 'BRD-01', name: 'Longboard', construction: 'pu', ageMonths: 20, warranty: 'none', earlierMend: null, mendCount: 0 } as const satisfies Schemas['ItemView'];
const shop = {
  name: 'Boathouse',
  units: 'metric',
  bench: { temperatureC: 18, relativeHumidityPercent: 60 },
  tools: { measure: { kind: 'cup', lineEveryMl: 5, lineErrorMl: 0.5, holdsMl: 60 }, grits: ['P60'] },
  shelf: null,
} as const;
const place = (id: string, finBox = false, coreThicknessMm: number | null = null) => ({ id, name: id, flat: true, coreThicknessMm, finBox, fromBottom: false });
const construction: Construction = {
  id: 'pu',
  name: 'Board',
  silhouette: 'board',
  warrantyMonths: 12,
  coreLayer: 'core',
  layers: [
    { id: 'coat', name: 'Coat', substance: 'x', thicknessMm: 0.5 },
    { id: 'core', name: 'Core', substance: 'y', thicknessMm: 58 },
  ],
  locations: [place('deck'), place('rail', false, 32), place('fin-box', true, 28)],
  source: '',
};
const fresh = firstCase(item, shop as unknown as Schemas['ShopSettings']);

describe('looking', () => {
  it('starts from the shop’s own bench', () => {
    expect(fresh.bench.temperatureC).toBe(18);
    expect(fresh.damage.location).toBe('deck');
  });

  it('asks for the fin where a fin box is tapped, and forgets it elsewhere', () => {
    const box = withLocation(fresh, construction, 'fin-box');
    expect(box.damage).toMatchObject({ kind: 'fin-box-surround', location: 'fin-box', fin: { cantDeg: 0, twinCantDeg: 0 } });
    const deck = withLocation(box, construction, 'deck');
    expect(deck.damage).toMatchObject({ kind: 'ding', location: 'deck', fin: null });
  });

  it('gives a crack a shape that a crack can have, and takes it back', () => {
    const crack = withKind(fresh, 'crack');
    expect(crack.damage.shape).toEqual({ kind: 'crack', lengthMm: 30, widthMm: 6 });
    expect(withKind(crack, 'ding').damage.shape.kind).toBe('oval');
  });

  it.each(['round', 'oval', 'traced'] as const)('keeps the extent when the shape becomes %s', (kind) => {
    expect(extent(reshaped({ kind: 'oval', lengthMm: 40, widthMm: 40 }, kind))).toEqual({ lengthMm: 40, widthMm: 40 });
  });

  it('knows how thick the item is at each place', () => {
    expect(totalThicknessMm(construction, 'deck')).toBe(58.5);
    expect(totalThicknessMm(construction, 'rail')).toBe(32.5);
  });

  it('sets a figure by hand once, and takes it back', () => {
    const once = withOverride(withOverride(fresh, 'glass.batch', 40, 'two of us'), 'glass.batch', 45, 'three of us');
    expect(once.overrides).toEqual([{ figure: 'glass.batch', value: 45, reason: 'three of us' }]);
    expect(withOverride(once, 'glass.batch', null, '').overrides).toEqual([]);
  });

  it('keeps the other choices when one is made', () => {
    const both = withChoice(withChoice(fresh, { resin: 'epoxy-2to1' }), { patchOrder: 'large-first' });
    expect(both.choice).toMatchObject({ resin: 'epoxy-2to1', patchOrder: 'large-first', dryFinish: 'P320' });
  });

  it('leaves the case that it was given alone', () => {
    const before = JSON.stringify(fresh);
    withLocation(fresh, construction, 'fin-box');
    withChoice(fresh, { resin: 'x' });
    expect(JSON.stringify(fresh)).toBe(before);
  });
});

import { describe, expect, it } from 'vitest';
import type { Construction, RepairCase, Schemas } from '../api/types';
import { extent, kindsAt, reshaped, totalThicknessMm, usualDamage, withChoice, withKind, withLocation, withOverride, withSchool } from './edit';

const place = (id: string, finBox = false, coreThicknessMm: number | null = null) => ({ id, name: id, xPercent: 0, yPercent: 0, flat: true, coreThicknessMm, fromBottom: false, traits: finBox ? ['fin-box'] : null });
const usual = (kind: Schemas['DamageKind'], location: string, depthMm: number, lengthMm: number, widthMm: number) => ({ kind, location, depthMm, lengthMm, widthMm, leaks: false });
const construction: Construction = {
  id: 'pu',
  name: 'Board',
  family: 'boards',
  silhouette: 'board',
  pair: false,
  damages: [usual('ding', 'deck', 3, 30, 30), usual('crack', 'deck', 0.5, 120, 3), usual('fin-box-surround', 'fin-box', 0.5, 150, 80), usual('chip', 'rail', 40, 20, 12)],
  warrantyMonths: 12,
  coreLayer: 'core',
  layers: [
    { id: 'coat', name: 'Coat', substance: 'x', thicknessMm: 0.5 },
    { id: 'core', name: 'Core', substance: 'y', thicknessMm: 58 },
  ],
  locations: [place('deck'), place('rail', false, 32), place('fin-box', true, 28)],
  source: '',
};
const fresh = {
  format: 'able-mend/case/1',
  item: { tag: 'BRD-01', construction: 'pu', ageMonths: 20, warranty: 'none', earlierMend: null },
  damage: usualDamage(construction.damages[0]!, 'deck'),
  bench: { temperatureC: 18, relativeHumidityPercent: 60 },
  wanted: { permanence: 'lasting', finishGrit: 'P400' },
  tools: { measure: { kind: 'cup', lineEveryMl: 5, lineErrorMl: 0.5, holdsMl: 60 }, grits: ['P60'] },
  shelf: null,
  choice: null,
  overrides: null,
} as unknown as RepairCase;

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
    const crack = withKind(fresh, construction, 'crack');
    expect(crack.damage.shape).toEqual({ kind: 'crack', lengthMm: 120, widthMm: 3 });
    expect(withKind(crack, construction, 'ding').damage.shape.kind).toBe('round');
  });

  it('starts a kind from what is usual for it, no deeper than the item there', () => {
    const chip = withKind(fresh, construction, 'chip');
    expect(chip.damage).toMatchObject({ kind: 'chip', depthMm: 40, wet: false, cause: 'knock' });
    expect(withLocation(chip, construction, 'rail').damage.depthMm).toBe(32.5);
  });

  it('keeps what was seen of water and cause when the kind changes', () => {
    const wet = { ...fresh, damage: { ...fresh.damage, wet: true, cause: 'heat' as const } };
    expect(withKind(wet, construction, 'crack').damage).toMatchObject({ wet: true, cause: 'heat' });
  });

  it('offers the fin-box kind at the fin box and nowhere else', () => {
    expect(kindsAt(construction, 'fin-box').map((each) => each.kind)).toEqual(['fin-box-surround']);
    expect(kindsAt(construction, 'deck').map((each) => each.kind)).toEqual(['ding', 'crack', 'chip']);
  });

  it('draws a hair-thin usual damage as a crack, since no oval is that narrow', () => {
    expect(usualDamage(usual('water-inside', 'deck', 1, 60, 0.3), 'deck').shape).toEqual({ kind: 'crack', lengthMm: 60, widthMm: 0.3 });
  });

  it('lets another school take the place of a system picked by hand', () => {
    const picked = withChoice(fresh, { method: 'fill-glass-coat', material: 'epoxy-2to1' });
    expect(withSchool(picked, 'ding', 'film').choice).toMatchObject({ method: null, material: null, schools: { ding: 'film' } });
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
    const both = withChoice(withChoice(fresh, { material: 'epoxy-2to1' }), { cloth: 'glass-203' });
    expect(both.choice).toMatchObject({ material: 'epoxy-2to1', cloth: 'glass-203', schools: null });
  });

  it('leaves the case that it was given alone', () => {
    const before = JSON.stringify(fresh);
    withLocation(fresh, construction, 'fin-box');
    withChoice(fresh, { material: 'x' });
    expect(JSON.stringify(fresh)).toBe(before);
  });
});

import { describe, expect, it } from 'vitest';
import type { Construction, DamageToMend, RepairCase, Schemas } from '../api/types';
import { extent, reshaped, totalThicknessMm, usualAt, withChoice, withDamage, withKind, withLocation, withOverride, withSchool } from './edit';

const place = (id: string, finBox = false, coreThicknessMm: number | null = null) => ({
  id,
  name: id,
  xPercent: 0,
  yPercent: 0,
  flat: true,
  coreThicknessMm,
  fromBottom: false,
  traits: finBox ? ['fin-box'] : null,
});
const seen = (kind: Schemas['DamageKind'], location: string, depthMm: number, shape: Schemas['Shape'], fin: Schemas['FinCheck'] | null = null) =>
  ({ kind, location, depthMm, shape, wet: false, cause: 'knock', fin, onMate: false }) as Schemas['Damage'];
const usual = [
  seen('ding', 'deck', 3, { kind: 'round', diameterMm: 30 }),
  seen('crack', 'deck', 0.5, { kind: 'crack', lengthMm: 120, widthMm: 3 }),
  seen('fin-box-surround', 'fin-box', 0.5, { kind: 'oval', lengthMm: 150, widthMm: 80 }, { cantDeg: 0, twinCantDeg: 0, rocks: false }),
  seen('chip', 'rail', 40, { kind: 'oval', lengthMm: 20, widthMm: 12 }),
];
const construction: Construction = {
  id: 'pu',
  name: 'Board',
  family: 'boards',
  silhouette: 'board',
  pair: false,
  damages: [],
  warrantyMonths: 12,
  coreLayer: 'core',
  layers: [
    { id: 'coat', name: 'Coat', substance: 'x', thicknessMm: 0.5 },
    { id: 'core', name: 'Core', substance: 'y', thicknessMm: 58 },
  ],
  locations: [place('deck'), place('rail', false, 32), place('fin-box', true, 28)],
  source: '',
};
const fresh: DamageToMend = { seen: usual[0]!, choice: null, overrides: null };
const repairCase = { format: 'able-mend/case/2', damages: [fresh, { ...fresh, seen: usual[1]! }], bench: { temperatureC: 18 } } as unknown as RepairCase;

describe('looking', () => {
  it('asks for the fin where a fin box is tapped, and forgets it elsewhere', () => {
    const box = withLocation(fresh, construction, usual, 'fin-box');
    expect(box.seen).toMatchObject({ kind: 'fin-box-surround', location: 'fin-box', fin: { cantDeg: 0, twinCantDeg: 0 } });
    const deck = withLocation(box, construction, usual, 'deck');
    expect(deck.seen).toMatchObject({ kind: 'ding', location: 'deck', fin: null });
  });

  it('gives a crack a shape that a crack can have, and takes it back', () => {
    const crack = withKind(fresh, construction, usual, 'crack');
    expect(crack.seen.shape).toEqual({ kind: 'crack', lengthMm: 120, widthMm: 3 });
    expect(withKind(crack, construction, usual, 'ding').seen.shape.kind).toBe('round');
  });

  it('starts a kind from what is usual for it, no deeper than the item there', () => {
    const chip = withKind(fresh, construction, usual, 'chip');
    expect(chip.seen).toMatchObject({ kind: 'chip', depthMm: 40, wet: false, cause: 'knock' });
    expect(withLocation(chip, construction, usual, 'rail').seen.depthMm).toBe(32.5);
  });

  it('keeps what was seen of water, cause and mate when the kind changes', () => {
    const wet = { ...fresh, seen: { ...fresh.seen, wet: true, cause: 'heat' as const, onMate: true } };
    expect(withKind(wet, construction, usual, 'crack').seen).toMatchObject({ wet: true, cause: 'heat', onMate: true });
  });

  it('offers the fin-box kind at the fin box and nowhere else', () => {
    expect(usualAt(usual, construction, 'fin-box').map((each) => each.kind)).toEqual(['fin-box-surround']);
    expect(usualAt(usual, construction, 'deck').map((each) => each.kind)).toEqual(['ding', 'crack', 'chip']);
  });

  it('changes the damage that it is asked to, and no other', () => {
    const changed = withDamage(repairCase, 2, (damage) => withChoice(damage, { material: 'x' }));
    expect(changed.damages[0]).toBe(repairCase.damages[0]);
    expect(changed.damages[1]!.choice).toMatchObject({ material: 'x' });
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

  it('sets a figure by hand once, at the damage that it belongs to, and takes it back', () => {
    const once = withOverride(withOverride(repairCase, '2:glass.batch', 40, 'two of us'), '2:glass.batch', 45, 'three of us');
    expect(once.damages[0]).toBe(repairCase.damages[0]);
    expect(once.damages[1]!.overrides).toEqual([{ figure: 'glass.batch', value: 45, reason: 'three of us' }]);
    expect(withOverride(once, '2:glass.batch', null, '').damages[1]!.overrides).toEqual([]);
    expect(withOverride(repairCase, 'glass.batch', 40, 'two of us').damages[0]!.overrides).toHaveLength(1);
  });

  it('keeps the other choices when one is made', () => {
    const both = withChoice(withChoice(fresh, { material: 'epoxy-2to1' }), { cloth: 'glass-203' });
    expect(both.choice).toMatchObject({ material: 'epoxy-2to1', cloth: 'glass-203', schools: null });
  });

  it('leaves what it was given alone', () => {
    const before = JSON.stringify([fresh, repairCase]);
    withLocation(fresh, construction, usual, 'fin-box');
    withChoice(fresh, { material: 'x' });
    withOverride(repairCase, '2:glass.batch', 40, 'two of us');
    expect(JSON.stringify([fresh, repairCase])).toBe(before);
  });
});

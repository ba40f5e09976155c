import { numbered } from '../api/numbering';
import type { Construction, DamageToMend, RepairCase, Schemas, Shape } from '../api/types';

/** Changes to a case and to one of its damages: values in, new values out. */
export function withBench(repairCase: RepairCase, change: Partial<Schemas['BenchFacts']>): RepairCase {
  return { ...repairCase, bench: { ...repairCase.bench, ...change } };
}

export function withWanted(repairCase: RepairCase, change: Partial<Schemas['Wanted']>): RepairCase {
  return { ...repairCase, wanted: { ...repairCase.wanted, ...change } };
}

/** What the mixes of a case are measured with. */
export function withDevice(repairCase: RepairCase, device: Schemas['MeasuringDevice']): RepairCase {
  return { ...repairCase, tools: { ...repairCase.tools, measure: device } };
}

/** Changes one damage of a case, by its number from 1. */
export function withDamage(repairCase: RepairCase, number: number, how: (damage: DamageToMend) => DamageToMend): RepairCase {
  return { ...repairCase, damages: repairCase.damages.map((damage, i) => (i === number - 1 ? how(damage) : damage)) };
}

/** Sets a figure of the plan by hand, at the damage that it belongs to, or takes that back when the value is null. */
export function withOverride(repairCase: RepairCase, figure: string, value: number | null, reason: string): RepairCase {
  const { number, id } = numbered(figure);
  return withDamage(repairCase, number, (damage) => {
    const others = (damage.overrides ?? []).filter((each) => each.figure !== id);
    return { ...damage, overrides: value === null ? others : [...others, { figure: id, value, reason }] };
  });
}

export function withSeen(damage: DamageToMend, change: Partial<Schemas['Damage']>): DamageToMend {
  return { ...damage, seen: { ...damage.seen, ...change } };
}

const openChoice: Schemas['Choice'] = { method: null, material: null, cloth: null, filler: null, patch: null, schools: null };

export function withChoice(damage: DamageToMend, change: Partial<Schemas['Choice']>): DamageToMend {
  return { ...damage, choice: { ...openChoice, ...damage.choice, ...change } };
}

export function withSchool(damage: DamageToMend, question: string, option: string): DamageToMend {
  const schools = { ...damage.choice?.schools, [question]: option };
  // A school may stand for another method or material: what was picked by hand before gives way to it.
  return withChoice(damage, { schools, method: null, material: null });
}

const hasFinBox = (construction: Construction, location: string) =>
  construction.locations.find((each) => each.id === location)?.traits?.includes('fin-box') ?? false;

/** The usual damages of a construction that may be met at a place of it. */
export function usualAt(usual: readonly Schemas['Damage'][], construction: Construction, location: string): readonly Schemas['Damage'][] {
  const finBox = hasFinBox(construction, location);
  return usual.filter((each) => (each.kind === 'fin-box-surround') === finBox);
}

/** Kinds of damage that a construction is not known to have. */
export function unfamiliarKinds(usual: readonly Schemas['Damage'][], all: readonly Schemas['DamageKind'][]): readonly Schemas['DamageKind'][] {
  return all.filter((kind) => kind !== 'fin-box-surround' && !usual.some((each) => each.kind === kind));
}

/** Another kind of damage starts from what is usual for it; what was seen of wet and cause stays. */
export function withKind(damage: DamageToMend, construction: Construction, usual: readonly Schemas['Damage'][], kind: Schemas['DamageKind']): DamageToMend {
  const fresh = usual.find((each) => each.kind === kind);
  // A kind that nothing is usual of keeps what was measured; triage says who has to judge it.
  if (!fresh) return { seen: { ...damage.seen, kind, fin: null }, choice: null, overrides: null };
  const { wet, cause, location, onMate } = damage.seen;
  const there = usualAt(usual, construction, location).includes(fresh) ? location : fresh.location;
  const depthMm = Math.min(fresh.depthMm, totalThicknessMm(construction, there));
  return { seen: { ...fresh, location: there, wet, cause, onMate, depthMm }, choice: null, overrides: null };
}

/** Another place: a kind that is not met there gives way to one that is, and the depth stays within the item. */
export function withLocation(damage: DamageToMend, construction: Construction, usual: readonly Schemas['Damage'][], location: string): DamageToMend {
  const there = usualAt(usual, construction, location);
  const moved = withSeen(damage, { location });
  const { kind } = damage.seen;
  const kept = there.some((each) => each.kind === kind) || !usual.some((each) => each.kind === kind);
  const next = kept ? moved : withKind(moved, construction, usual, (there.find((each) => each.location === location) ?? there[0])!.kind);
  return withSeen(next, { location, depthMm: Math.min(next.seen.depthMm, totalThicknessMm(construction, location)) });
}

export function extent(shape: Shape): { lengthMm: number; widthMm: number } {
  switch (shape.kind) {
    case 'round':
      return { lengthMm: shape.diameterMm, widthMm: shape.diameterMm };
    case 'oval':
    case 'crack':
      return { lengthMm: shape.lengthMm, widthMm: shape.widthMm };
    case 'traced': {
      const xs = shape.points.map((point) => point.x);
      const ys = shape.points.map((point) => point.y);
      return { lengthMm: Math.max(...xs) - Math.min(...xs), widthMm: Math.max(...ys) - Math.min(...ys) };
    }
  }
}

/** The same damage given another way: the extent stays. */
export function reshaped(shape: Shape, kind: Shape['kind']): Shape {
  const { lengthMm, widthMm } = extent(shape);
  switch (kind) {
    case 'round':
      return { kind, diameterMm: Math.round(Math.max(lengthMm, widthMm)) };
    case 'oval':
      return { kind, lengthMm, widthMm: Math.max(widthMm, 5) };
    case 'crack':
      return { kind, lengthMm, widthMm: Math.min(widthMm, 6) };
    case 'traced': {
      const [x, y] = [Math.round(lengthMm / 2), Math.round(widthMm / 2)];
      return {
        kind,
        points: [
          { x: -x, y: 0 },
          { x: 0, y: -y },
          { x, y: 0 },
          { x: 0, y },
        ],
      };
    }
  }
}

export function totalThicknessMm(construction: Construction, location: string): number {
  const place = construction.locations.find((each) => each.id === location);
  return (place?.layers ?? construction.layers).reduce(
    (sum, layer) => sum + (layer.id === construction.coreLayer && place?.coreThicknessMm ? place.coreThicknessMm : layer.thicknessMm),
    0,
  );
}

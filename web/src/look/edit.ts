import type { Construction, RepairCase, Schemas, Shape } from '../api/types';

/** Changes to a case: values in, a new case out. */
export function withDamage(repairCase: RepairCase, change: Partial<Schemas['Damage']>): RepairCase {
  return { ...repairCase, damage: { ...repairCase.damage, ...change } };
}

export function withBench(repairCase: RepairCase, change: Partial<Schemas['BenchFacts']>): RepairCase {
  return { ...repairCase, bench: { ...repairCase.bench, ...change } };
}

export function withWanted(repairCase: RepairCase, change: Partial<Schemas['Wanted']>): RepairCase {
  return { ...repairCase, wanted: { ...repairCase.wanted, ...change } };
}

const openChoice: Schemas['Choice'] = {
  method: null,
  material: null,
  cloth: null,
  filler: null,
  patchOrder: 'small-first',
  uvSchool: 'light-only',
  dryFinish: 'P320',
};

export function withChoice(repairCase: RepairCase, change: Partial<Schemas['Choice']>): RepairCase {
  return { ...repairCase, choice: { ...openChoice, ...repairCase.choice, ...change } };
}

/** Sets a figure by hand, or takes that back when the value is null. */
export function withOverride(repairCase: RepairCase, figure: string, value: number | null, reason: string): RepairCase {
  const others = (repairCase.overrides ?? []).filter((each) => each.figure !== figure);
  return { ...repairCase, overrides: value === null ? others : [...others, { figure, value, reason }] };
}

/** Another kind of damage brings a shape that suits it, and the fin check where a fin box is concerned. */
export function withKind(repairCase: RepairCase, kind: Schemas['DamageKind']): RepairCase {
  const { lengthMm, widthMm } = extent(repairCase.damage.shape);
  if (kind === 'fin-box-surround') {
    return withDamage(repairCase, {
      kind,
      location: 'fin-box',
      shape: { kind: 'oval', lengthMm: Math.max(lengthMm, 150), widthMm: Math.max(widthMm, 80) },
      fin: repairCase.damage.fin ?? { cantDeg: 0, twinCantDeg: 0, rocks: false },
    });
  }
  const shape: Shape =
    kind === 'crack' ? { kind: 'crack', lengthMm, widthMm: Math.min(widthMm, 6) } : repairCase.damage.shape.kind === 'crack' ? { kind: 'oval', lengthMm, widthMm: Math.max(10, widthMm) } : repairCase.damage.shape;
  return withDamage(repairCase, { kind, shape });
}

/** Another place; leaving the fin box leaves its kind of damage and its check behind. */
export function withLocation(repairCase: RepairCase, construction: Construction, location: string): RepairCase {
  const finBox = construction.locations.find((each) => each.id === location)?.finBox ?? false;
  if (finBox) return withKind(withDamage(repairCase, { location }), 'fin-box-surround');
  const left = repairCase.damage.kind === 'fin-box-surround' ? withKind(repairCase, 'ding') : repairCase;
  return withDamage(left, { location, fin: null });
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
      return { kind, points: [{ x: -x, y: 0 }, { x: 0, y: -y }, { x, y: 0 }, { x: 0, y }] };
    }
  }
}

export function totalThicknessMm(construction: Construction, location: string): number {
  const place = construction.locations.find((each) => each.id === location);
  return construction.layers.reduce(
    (sum, layer) => sum + (layer.id === construction.coreLayer && place?.coreThicknessMm ? place.coreThicknessMm : layer.thicknessMm),
    0,
  );
}

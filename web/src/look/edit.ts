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

const openChoice: Schemas['Choice'] = { method: null, material: null, cloth: null, filler: null, patch: null, schools: null };

export function withChoice(repairCase: RepairCase, change: Partial<Schemas['Choice']>): RepairCase {
  return { ...repairCase, choice: { ...openChoice, ...repairCase.choice, ...change } };
}

/** Sets a figure by hand, or takes that back when the value is null. */
export function withOverride(repairCase: RepairCase, figure: string, value: number | null, reason: string): RepairCase {
  const others = (repairCase.overrides ?? []).filter((each) => each.figure !== figure);
  return { ...repairCase, overrides: value === null ? others : [...others, { figure, value, reason }] };
}

export function withSchool(repairCase: RepairCase, question: string, option: string): RepairCase {
  const schools = { ...repairCase.choice?.schools, [question]: option };
  // A school may stand for another method or material: what was picked by hand before gives way to it.
  return withChoice(repairCase, { schools, method: null, material: null });
}

const narrow: readonly Schemas['DamageKind'][] = ['crack', 'slice', 'scratch', 'tear', 'seam-open', 'split'];

/** A damage as it usually comes on a construction, to start from: every number of it a visible default. */
export function usualDamage(usual: Schemas['UsualDamage'], location: string): Schemas['Damage'] {
  const { kind, lengthMm, widthMm } = usual;
  const round = lengthMm === widthMm;
  const shape: Shape = narrow.includes(kind) ? { kind: 'crack', lengthMm, widthMm } : round ? { kind: 'round', diameterMm: lengthMm } : { kind: 'oval', lengthMm, widthMm };
  return {
    kind,
    location,
    shape: shape.kind === 'oval' && widthMm < 1 ? { kind: 'crack', lengthMm, widthMm } : shape,
    depthMm: usual.depthMm,
    wet: false,
    cause: 'knock',
    neighbours: null,
    fin: kind === 'fin-box-surround' ? { cantDeg: 0, twinCantDeg: 0, rocks: false } : null,
    acrossWholeWidth: false,
    gapMm: usual.gapMm ?? null,
    missingMm: usual.missingMm ?? null,
    plies: usual.plies ?? null,
    located: usual.leaks ? true : null,
    edgeCatches: null,
    finds: null,
  };
}

const hasFinBox = (construction: Construction, location: string) =>
  construction.locations.find((each) => each.id === location)?.traits?.includes('fin-box') ?? false;

/** The kinds of damage that may be met at a place of a construction. */
export function kindsAt(construction: Construction, location: string): readonly Schemas['UsualDamage'][] {
  const finBox = hasFinBox(construction, location);
  return construction.damages.filter((usual) => (usual.kind === 'fin-box-surround') === finBox);
}

/** Another kind of damage starts from what is usual for it; what was seen of wet and cause stays. */
export function withKind(repairCase: RepairCase, construction: Construction, kind: Schemas['DamageKind']): RepairCase {
  const usual = construction.damages.find((each) => each.kind === kind);
  if (!usual) return repairCase;
  const { wet, cause, location } = repairCase.damage;
  const there = kindsAt(construction, location).includes(usual) ? location : usual.location;
  const depthMm = Math.min(usual.depthMm, totalThicknessMm(construction, there));
  return { ...repairCase, damage: { ...usualDamage(usual, there), wet, cause, depthMm }, choice: null, overrides: null };
}

/** Another place: a kind that is not met there gives way to one that is, and the depth stays within the item. */
export function withLocation(repairCase: RepairCase, construction: Construction, location: string): RepairCase {
  const there = kindsAt(construction, location);
  const moved = withDamage(repairCase, { location });
  const kept = there.some((usual) => usual.kind === repairCase.damage.kind);
  const next = kept ? moved : withKind(moved, construction, (there.find((usual) => usual.location === location) ?? there[0])!.kind);
  return withDamage(next, { location, depthMm: Math.min(next.damage.depthMm, totalThicknessMm(construction, location)) });
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
  return (place?.layers ?? construction.layers).reduce(
    (sum, layer) => sum + (layer.id === construction.coreLayer && place?.coreThicknessMm ? place.coreThicknessMm : layer.thicknessMm),
    0,
  );
}

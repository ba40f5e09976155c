import type { Figure, Front } from '../api/types';
import { digitsIn } from '../instruments/digits';
import { measure, type Units } from '../measures/units';

type Cup = NonNullable<Front['cup']>;
export type PartStand = Cup['parts'][number];

/** What a hand measures a part in: grams on a scale, else the unit of its figure. */
export interface ByHand {
  unit: string;
  decimals: number;
  /** So much of that unit is one gram, or one mL where only volumes are known. */
  factor: number;
}

export function byHandOf(part: PartStand, figure: Figure | undefined, onScale: boolean, stepG: number): ByHand {
  return onScale && part.isWeighed
    ? { unit: 'g', decimals: digitsIn(stepG), factor: 1 }
    : { unit: figure?.unit ?? 'g', decimals: figure?.unit === 'drops' || figure?.unit === '' ? 0 : Math.max(1, figure?.decimals ?? 1), factor: part.byHand };
}

/** What a scale shows, to its own step. */
export const weighed = (grams: number, stepG: number, units: Units) => measure(grams, 'g', digitsIn(stepG), units);

/** How full a cup is, part by part, as shares of all that goes in: what is in, and up to where it is to be. */
export interface Level {
  part: PartStand['part'];
  from: number;
  filled: number;
  mark: number;
}

/** The levels of a cup. What lies in a part that is being poured counts as in. */
export function levelsOf(cup: Cup, liveAmount: number | null): Level[] {
  const amounts = cup.parts.map((part) => ({ part, filled: part.poured + (part.part === cup.next ? Math.max(0, liveAmount ?? 0) : 0) }));
  const all = amounts.reduce((sum, { part, filled }) => sum + Math.max(part.wanted, filled), 0) * 1.08 || 1;
  let from = 0;
  return amounts.map(({ part, filled }) => {
    const level = { part: part.part, from: from / all, filled: (from + filled) / all, mark: (from + part.wanted) / all };
    from += Math.max(part.wanted, filled);
    return level;
  });
}

import { measure, type Units } from './units';

/** What a finger or a display still tells apart. */
const leastApart = 1e-6;

/** A reading, or a limit to it, with as many digits as it has, two at most. */
export function asRead(value: number, unit: string, units: Units): string {
  const digits = [0, 1].find((each) => Math.abs(value - Number(value.toFixed(each))) < leastApart) ?? 2;
  return measure(value, unit, digits, units);
}

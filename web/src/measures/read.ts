import { measure, type Units } from './units';

/** What a finger or a display still tells apart. */
const leastApart = 1e-6;

/** A reading, or a limit to it, with as many digits as it has, two at most where nothing else is said. */
export function asRead(value: number, unit: string, units: Units, most = 2): string {
  const digits = [0, 1, 2, 3].find((each) => each === most || Math.abs(value - Number(value.toFixed(each))) < leastApart);
  return measure(value, unit, digits ?? most, units);
}

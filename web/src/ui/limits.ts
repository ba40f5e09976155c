import { useQuery } from '@tanstack/react-query';
import { catalogueQuery } from '../api/queries';
import { typedIn } from '../measures/units';
import { useUnits } from '../shop/units';

export interface Measured {
  /** Text of the unit that is shown. */
  unit: string;
  shown: (kept: number) => number;
  kept: (shown: number) => number;
  /** Least and most in the unit that is shown, as the core declares them. */
  limits: { least: number; most: number } | undefined;
}

/**
 * How a number of a case is typed, by its path, such as `bench.temperatureC`: its unit and its limits come from the core's
 * one table, and are told in the units of this device. A number that is bounded further, as a depth by the item, is given its most.
 */
export function useMeasured(path: string, mostKept = Infinity): Measured {
  const { data } = useQuery(catalogueQuery);
  const { units } = useUnits();
  const declared = data?.limits[path];
  const typed = typedIn(declared?.unit ?? '');
  const shown = (kept: number) => typed.shown(kept, units);
  return {
    unit: typed.unit(units),
    shown,
    kept: (value) => typed.kept(value, units),
    limits: declared && { least: shown(declared.least), most: shown(Math.min(declared.most, mostKept)) },
  };
}

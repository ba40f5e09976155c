import { useQuery } from '@tanstack/react-query';
import { catalogueQuery } from '../api/queries';

export type Limits = { least: number; most: number };

/** The limits of a case's numbers by their paths, as the core declares them, in the unit that is shown. */
export function useLimits(): (path: string, shown?: (kept: number) => number) => Limits | undefined {
  const { data } = useQuery(catalogueQuery);
  return (path, shown = (kept) => kept) => {
    const limits = data?.limits[path];
    return limits && { least: shown(limits.least), most: shown(limits.most) };
  };
}

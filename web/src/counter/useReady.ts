import { useQuery } from '@tanstack/react-query';
import { daysQuery } from '../api/queries';
import type { Schemas } from '../api/types';

/** When a mend on a ticket is ready: by the plan of the days, behind everything else; by its own plan where it does not stand in that. */
export function useReady(): (mend: Schemas['TicketMendView']) => string | null {
  const { data } = useQuery(daysQuery);
  const ready = new Map(data?.plan.mends.map((each) => [each.mend, each.readyAt]));
  return (mend) => ready.get(mend.id) ?? mend.readyAt;
}

import { useQuery } from '@tanstack/react-query';
import { createContext, use, useMemo, type ReactNode } from 'react';
import { api, ask } from '../api/client';
import type { Figure, RepairCase, RepairPlan, Schemas } from '../api/types';
import { useUnits } from '../shop/units';

interface PlanFiguresValue {
  figures: ReadonlyMap<string, Figure>;
  repairCase: RepairCase | null;
}

const PlanFiguresContext = createContext<PlanFiguresValue>({ figures: new Map(), repairCase: null });

/** The figures of the plan on the page, so that a reason can be opened down to the ground wherever a figure is shown. */
export function PlanFigures({ plan, repairCase, children }: { plan: RepairPlan | null; repairCase: RepairCase; children: ReactNode }) {
  const value = useMemo(() => ({ figures: new Map(plan?.figures.map((figure) => [figure.id, figure])), repairCase }), [plan, repairCase]);
  return <PlanFiguresContext value={value}>{children}</PlanFiguresContext>;
}

export const usePlanFigures = () => use(PlanFiguresContext);

/** What a figure would become if each that it rests on were a little more. Asked for when its reason is opened. */
export function useEffects(figure: string): readonly Schemas['Effect'][] | undefined {
  const { repairCase } = usePlanFigures();
  const { units } = useUnits();
  const { data } = useQuery({
    queryKey: ['effects', figure, repairCase, units],
    queryFn: () => ask(api.POST('/api/plans/effects/{figure}', { params: { path: { figure } }, body: repairCase! })),
    enabled: repairCase !== null,
    retry: false,
    staleTime: Infinity,
  });
  return data;
}

import type { RepairPlan, RunState } from '../api/types';
import type { Stage } from './stages';

/** Marks that the drawing has reached: none while looking, all of them in the plan, the done ones at the bench. */
export function reachedMarks(stage: Stage, plan: RepairPlan | null, run: RunState | null, upToStep: string | null): ReadonlySet<string> {
  if (!plan || stage === 'look') return new Set();
  if (upToStep) {
    const index = plan.steps.findIndex((step) => step.id === upToStep);
    return new Set(plan.steps.slice(0, index + 1).flatMap((step) => step.draws));
  }
  if ((stage === 'mend' || stage === 'prove') && run) {
    const done = new Set(run.steps.filter((step) => step.phase === 'done' || step.phase === 'waiting').map((step) => step.stepId));
    return new Set(plan.steps.filter((step) => done.has(step.id)).flatMap((step) => step.draws));
  }
  return new Set(plan.steps.flatMap((step) => step.draws).filter((mark) => mark !== 'finish'));
}

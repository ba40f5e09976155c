import type { PlanStep, RepairPlan, RunState } from '../api/types';
import type { Stage } from './stages';

/** The damages of an item that a step is done for, from 1; the first is the one that it stands with. */
export function damagesOf(step: PlanStep): readonly number[] {
  return [step.timing.damage, ...(step.timing.also ?? [])];
}

/** Marks that the drawing of a damage has reached: none while looking, all of them in the plan, the done ones at the bench. */
export function reachedMarks(stage: Stage, plan: RepairPlan | null, number: number, run: RunState | null, upToStep: string | null): ReadonlySet<string> {
  if (!plan || stage === 'look') return new Set();
  const steps = plan.steps.filter((step) => step.timing.damage === number);
  if (upToStep) {
    const index = steps.findIndex((step) => step.id === upToStep);
    return new Set(steps.slice(0, index + 1).flatMap((step) => step.draws));
  }
  if ((stage === 'mend' || stage === 'prove') && run) {
    const done = new Set(run.steps.filter((step) => step.phase === 'done' || step.phase === 'waiting').map((step) => step.stepId));
    return new Set(steps.filter((step) => done.has(step.id)).flatMap((step) => step.draws));
  }
  return new Set(steps.flatMap((step) => step.draws).filter((mark) => mark !== 'finish'));
}

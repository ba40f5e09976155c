import type { Catalogue, PlanStep, RepairPlan, RunState, Schemas } from '../api/types';
import { asRead } from '../measures/read';
import type { Units } from '../measures/units';

/** A test of a mend, and how it stands. */
export interface Proof {
  step: PlanStep;
  test: Schemas['ProofTest'] | undefined;
  stands: 'passed' | 'failed' | 'not-yet';
  /** What was measured, with its unit; empty where nothing was. */
  measured: string;
  doneAt: string | null;
}

export function proofs(plan: RepairPlan, run: RunState | null, catalogue: Catalogue, units: Units): Proof[] {
  return plan.steps
    .filter((step) => step.proof)
    .map((step) => {
      const test = catalogue.proofs.find((each) => each.id === step.proof);
      const state = run?.steps.find((each) => each.stepId === step.id);
      const passed = state?.phase === 'done' || state?.phase === 'waiting';
      return {
        step,
        test,
        stands: state?.phase === 'failed' ? 'failed' : passed ? 'passed' : 'not-yet',
        measured: state?.measured == null ? '' : asRead(state.measured, test?.unit ?? '', units),
        doneAt: state?.doneAt ?? null,
      };
    });
}

import type { RepairPlan } from '../api/types';
import { damagesOf } from '../desk/reached';
import { measure, type Units } from '../measures/units';
import { say } from '../words/say';

/** What is written on a cup before it is mixed. */
export interface CupLabel {
  stepId: string;
  /** Which damages of the item it is for, from 1; the first is the one that it is mixed with. */
  damages: readonly number[];
  title: string;
  /** What goes into one cup, not into all of them. */
  parts: readonly { name: string; amount: string }[];
  /** Cups that the batch is split into. */
  cups: number;
  useWithin: string | null;
  /** What it does that is left in its cup. */
  warning: string | null;
}

/** Labels of the plan's mixes, in order. */
export function cupLabels(plan: RepairPlan, units: Units): CupLabel[] {
  const figures = new Map(plan.figures.map((figure) => [figure.id, figure]));
  return (
    plan.steps
      // What is taken from the cup of another damage has none of its own.
      .filter((step) => step.stage === 'mix' && (step.uses === null || step.uses === step.id))
      .map((step) => {
        const cups = figures.get(step.pour?.cups ?? '')?.value ?? 1;
        // A plan of before put all cups together.
        const shared = step.pour?.perCup ? 1 : cups;
        return {
          stepId: step.id,
          damages: damagesOf(step),
          title: step.title,
          parts: (step.pour?.parts ?? [])
            .flatMap((id) => figures.get(id) ?? [])
            .map((figure) => ({
              name: figure.label,
              amount: measure(figure.value / shared, figure.unit, shared > 1 ? Math.max(1, figure.decimals) : figure.decimals, units),
            })),
          cups,
          warning: step.pour?.warning ?? null,
          useWithin: step.useWithinMin === null ? null : say`${Math.floor(step.useWithinMin)} min`,
        };
      })
  );
}

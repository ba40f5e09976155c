import type { Figure, RepairPlan } from '../api/types';
import { measure, type Units } from '../ui/units';

/** What is written on a cup before it is mixed. */
export interface CupLabel {
  stepId: string;
  title: string;
  /** What goes into one cup, not into all of them. */
  parts: readonly { name: string; amount: string }[];
  /** Cups that the batch is split into. */
  cups: number;
  useWithin: string | null;
}

/** Figures that go into a cup, by the end of their identifier and in the order in which they go in: the rest of a mixing step is for the plan. */
const intoTheCup = ['.kits', '.part-a', '.part-a-g', '.part-b', '.part-b-g', '.batch', '.resin-g', '.catalyst-drops', '.filler'];

/** Labels of the plan's mixes, in order. A batch in parts is not named as a whole besides. */
export function cupLabels(plan: RepairPlan, units: Units): CupLabel[] {
  return plan.steps
    .filter((step) => step.stage === 'mix')
    .map((step) => {
      const figures = step.figures.map((id) => plan.figures.find((figure) => figure.id === id)).filter((figure): figure is Figure => figure !== undefined);
      const ends = (suffix: string) => figures.find((figure) => figure.id.endsWith(suffix));
      const cups = ends('.batches')?.value ?? 1;
      const inParts = ends('.part-a') !== undefined;
      return {
        stepId: step.id,
        title: step.title,
        parts: intoTheCup
          .filter((suffix) => !(inParts && suffix === '.batch'))
          .flatMap((suffix) => ends(suffix) ?? [])
          .map((figure) => ({ name: figure.label, amount: measure(figure.value / cups, figure.unit, cups > 1 ? Math.max(1, figure.decimals) : figure.decimals, units) })),
        cups,
        useWithin: step.useWithinMin === null ? null : `${Math.floor(step.useWithinMin)} min`,
      };
    });
}

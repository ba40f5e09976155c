import type { Front, MendView, RepairPlan } from '../api/types';
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
  /** Who takes how much of it, where several mends share one cup. */
  shares: readonly string[];
}

/** A mend whose mixes can be labelled: it has a plan. */
export type LabelledMend = Pick<MendView, 'id' | 'tag' | 'run'> & { plan: RepairPlan };

/** The cups that are shared with other mends as the mend now stands, by their mix. */
const togetherOf = (mend: Pick<LabelledMend, 'plan' | 'run'>): ReadonlyMap<string, NonNullable<Front['together']>> =>
  new Map((mend.run?.fronts ?? []).flatMap((front) => (front.together ? [[mixOf(mend.plan, front), front.together]] : [])));

/** The mix that a front is at, or uses. */
const mixOf = (plan: RepairPlan, front: Front) => plan.steps.find((step) => step.id === front.stepId)?.uses ?? front.stepId;

/** Labels of the plan's mixes, in order. */
export function cupLabels(mend: Pick<LabelledMend, 'plan' | 'run'>, units: Units): CupLabel[] {
  const [plan, together] = [mend.plan, togetherOf(mend)];
  const figures = new Map(plan.figures.map((figure) => [figure.id, figure]));
  return (
    plan.steps
      // What is taken from the cup of another damage has none of its own.
      .filter((step) => step.stage === 'mix' && (step.uses === null || step.uses === step.id))
      .map((step) => {
        const cups = figures.get(step.pour?.cups ?? '')?.value ?? 1;
        // A plan of before put all cups together.
        const split = step.pour?.perCup ? 1 : cups;
        const cup = together.get(step.id);
        const several = cup?.isMixedHere ? cup : undefined;
        const scale = several?.scale ?? 1;
        return {
          stepId: step.id,
          damages: damagesOf(step),
          title: step.title,
          parts: partsOf(step, cup?.isMixedHere === false)
            .flatMap((id) => figures.get(id) ?? [])
            .map((figure) => ({
              name: figure.label,
              amount: measure((figure.value * scale) / split, figure.unit, split > 1 || scale !== 1 ? Math.max(1, figure.decimals) : figure.decimals, units),
            })),
          cups,
          warning: scale > 1.01 ? say`Fuller than its own plan asks for, so that it heats more: spread it at once.` : (step.pour?.warning ?? null),
          useWithin: minutes(several ? several.lifeMin : step.useWithinMin),
          shares: cup ? sharesOf(cup, units) : [],
        };
      })
  );
}

/** When a cup was mixed and until when it can be spread, as far as the bench knows by now: of the cup that is in hand, and no other. */
export function timesOf(mend: Pick<LabelledMend, 'plan' | 'run'>, stepId: string): { mixedAt: string | null; useBy: string | null } {
  const front = mend.run?.fronts.find((each) => each.cup?.stepId === stepId || mixOf(mend.plan, each) === stepId);
  const useBy = front?.cup?.setsAt ?? front?.useBy ?? null;
  // The step began with its first cup: of a later one only the end is known.
  const isFirst = (front?.cup?.number ?? 1) === 1;
  const mixedAt = isFirst ? (mend.run?.steps.find((step) => step.stepId === stepId)?.startedAt ?? null) : null;
  return useBy ? { mixedAt, useBy } : { mixedAt: null, useBy: null };
}

/** The same as it is told to a label printer, line by line: the tag is set large. */
export function linesOf(label: CupLabel, mend: LabelledMend, at: (iso: string) => string): string[] {
  const { mixedAt, useBy } = timesOf(mend, label.stepId);
  return [
    mend.tag,
    label.title,
    mend.plan.damages[label.damages[0]! - 1]?.system?.materialName ?? '',
    ...label.parts.map((part) => say`${part.name}: ${part.amount}`),
    label.cups > 1 ? say`In each of ${label.cups} cups, one after another` : '',
    ...label.shares,
    label.warning ?? '',
    label.useWithin ? say`Use it within ${label.useWithin}.` : say`Keep it in the dark.`,
    mixedAt ? say`Mixed at ${at(mixedAt)}` : '',
    label.useWithin && useBy ? say`Discard after ${at(useBy)}` : '',
  ].filter(Boolean);
}

/** What goes into a cup; into one that another mend mixes, nothing here. */
const partsOf = (step: RepairPlan['steps'][number], isMixedElsewhere: boolean) => (isMixedElsewhere ? [] : (step.pour?.parts ?? []));

const minutes = (min: number | null | undefined) => (min == null ? null : say`${Math.floor(min)} min`);

function sharesOf(cup: NonNullable<Front['together']>, units: Units): string[] {
  const told = (amount: number) => measure(amount, cup.isWeighed ? 'g' : 'mL', 1, units);
  const own = cup.isMixedHere ? say`${told(cup.own)} for this one` : say`${told(cup.own)} for this one, from the cup of ${cup.others[0]!.item}`;
  return [own, ...cup.others.map((other) => say`${told(other.amount)} for ${other.item}`)];
}

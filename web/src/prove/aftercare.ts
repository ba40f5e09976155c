import type { RepairPlan, RunState } from '../api/types';
import { day, dayAndClock } from '../measures/time';
import { measure, type Units } from '../measures/units';
import { say } from '../words/say';

/** What goes back with the item, line by line: the draft of the hand-back and the note. A run knows its times better than the plan. */
export function aftercareLines(plan: RepairPlan, run: RunState | null, units: Units, zone: string): string[] {
  const { readyAt, fullCureAt } = run ?? plan;
  const lookAgainAt = run ? run.lookAgainAt : first(plan.damages.flatMap((damage) => damage.aftercare?.lookAgainAt ?? []));
  const watched = new Map(plan.damages.flatMap((damage) => damage.aftercare?.watch ?? []).map((each) => [`${each.id} ${each.text}`, each]));
  const watch = [...watched.values()].map(({ text, figure: id }) => {
    const figure = plan.figures.find((each) => each.id === id);
    return figure ? `${text} ${figure.label}: ${measure(figure.value, figure.unit, figure.decimals, units)}.` : text;
  });
  const curesOn = fullCureAt !== null && readyAt !== null && Date.parse(fullCureAt) > Date.parse(readyAt);
  return [
    ...(curesOn ? [say`Easy use at first: full strength ${dayAndClock(fullCureAt, zone)}.`] : []),
    ...watch,
    ...(lookAgainAt ? [say`Look again ${day(lookAgainAt, zone)}.`] : []),
    ...plan.damages.flatMap((damage) => (damage.properRepair ? [say`Proper repair by ${day(plan.properRepairBy, zone)}: ${damage.properRepair}.`] : [])),
  ];
}

const first = (instants: readonly string[]) => [...instants].sort()[0] ?? null;

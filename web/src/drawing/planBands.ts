import type { RepairPlan, RunState, Schemas } from '../api/types';
import type { StripRange } from './strip';

const hour = 3600_000;

/** A plan's timeline, or a run's, as bands of the strip. */
export function planBands(plan: RepairPlan, timeline: RunState['timeline'] = plan.timeline): Schemas['Band'][] {
  const titles = new Map(plan.steps.map((step) => [step.id, step.title]));
  return timeline.flatMap((time) =>
    time.startsAt && time.handsEndAt
      ? [{ title: titles.get(time.stepId) ?? '', startsAt: time.startsAt, handsEndAt: time.handsEndAt, opensAt: time.opensAt, closesAt: time.closesAt }]
      : [],
  );
}

/** From the start to a little after it is ready. The end is rounded up, so that a small change of temperature moves the bands and not the axis. */
export function planRange(plan: RepairPlan, width: number): StripRange {
  const fromMs = Date.parse(plan.startAt);
  const last = plan.timeline.reduce((end, time) => Math.max(end, Date.parse(time.opensAt ?? time.handsEndAt ?? plan.startAt)), fromMs);
  const length = last - fromMs;
  const unit = length > 24 * hour ? 24 * hour : length > 4 * hour ? 6 * hour : hour;
  return { fromMs: fromMs - length * 0.02, toMs: fromMs + Math.ceil((length * 1.05) / unit) * unit, width };
}

import type { Front, MendView, NewEvent, PlanStep, RunState } from '../api/types';

type Run = NonNullable<MendView['run']>;

/**
 * The run as it will be once what waits is acknowledged, so that hands can go on while the network is away. The server says how it really
 * is as soon as it answers; times that nobody has worked out yet are those of the plan.
 */
export function ahead(mend: MendView, events: readonly NewEvent[]): MendView {
  return events.reduce((view, event) => (view.run && view.plan && !has(mend, event) ? { ...view, run: after(view.run, view.plan.steps, event) } : view), mend);
}

/** An event whose acknowledgement was not heard is in the view already. */
const has = ({ events }: MendView, { kind, stepId, at }: NewEvent) =>
  at != null && events.some((each) => each.kind === kind && each.stepId === stepId && Date.parse(each.at) === Date.parse(at));

function after(run: Run, steps: readonly PlanStep[], event: NewEvent): Run {
  const front = run.fronts.find((each) => each.stepId === event.stepId);
  const step = steps.find((each) => each.id === event.stepId);
  if (!front || !step) return run;
  const at = event.at ?? new Date().toISOString();
  switch (event.kind) {
    case 'begin':
      return withFront(run, front, {
        ...front,
        phase: 'hands',
        useBy: step.useWithinMin === null ? front.useBy : later(at, step.useWithinMin * 60_000),
        test: begun(front.test, at),
      });
    case 'measured':
      return front.test && typeof event.value === 'number'
        ? withFront(run, front, { ...front, test: withReading(front.test, { at, value: event.value }) })
        : run;
    case 'proof':
      return event.passed === true ? handsOff(run, steps, front, step, at) : withFront(run, front, { ...front, phase: 'failed' });
    case 'hands-done':
      return handsOff(run, steps, front, step, at);
    case 'ready':
      return onward(run, steps, front, step);
    default:
      return run;
  }
}

/** What two readings say is worked out by the server; that they were taken is known. */
const withReading = (test: NonNullable<Front['test']>, reading: { at: string; value: number }) =>
  test.first ? { ...test, then: reading } : { ...test, first: reading };

/** A test that lasts ends as long after it was begun. */
const begun = (test: Front['test'], at: string) => (test?.forMin ? { ...test, until: later(at, test.forMin * 60_000) } : test);

const later = (iso: string, byMs: number) => new Date(Date.parse(iso) + byMs).toISOString();

function handsOff(run: Run, steps: readonly PlanStep[], front: Front, step: PlanStep, at: string): Run {
  const { wait } = step.timing;
  if (!wait) return onward(run, steps, front, step);
  const timed = run.timeline.find((each) => each.stepId === step.id);
  const moved = (planned: string | null | undefined) => (planned && timed?.handsEndAt ? later(at, Date.parse(planned) - Date.parse(timed.handsEndAt)) : null);
  return withFront(run, front, {
    ...front,
    phase: 'waiting',
    useBy: null,
    window: {
      stepId: step.id,
      kind: wait.kind,
      fromAt: at,
      opensAt: moved(timed?.opensAt),
      closesAt: moved(timed?.closesAt),
      check: wait.check,
      whenLate: wait.whenLate ?? null,
    },
  });
}

/** On to the next step of the same damage, if there is one. */
function onward(run: Run, steps: readonly PlanStep[], front: Front, step: PlanStep): Run {
  const lane = steps.filter((each) => each.timing.damage === front.damage);
  const next = lane[lane.indexOf(step) + 1];
  const keepsMix = next?.uses != null && (step.useWithinMin !== null || step.uses === next.uses);
  const done = { ...run, steps: run.steps.map((each): RunState['steps'][number] => (each.stepId === step.id ? { ...each, phase: 'done' } : each)) };
  return withFront(
    done,
    front,
    next
      ? {
          damage: front.damage,
          stepId: next.id,
          phase: 'next',
          window: null,
          useBy: keepsMix ? front.useBy : null,
          hold: null,
          leadsBackTo: null,
          heldUntil: null,
          waitsFor: null,
        }
      : null,
  );
}

function withFront(run: Run, before: Front, front: Front | null): Run {
  const fronts = run.fronts.flatMap((each) => (each === before ? (front ? [front] : []) : [each]));
  const leads = run.currentStepId === before.stepId ? (front ?? fronts[0] ?? null) : fronts.find((each) => each.stepId === run.currentStepId);
  return {
    ...run,
    fronts,
    steps: run.steps.map((each) => (each.stepId === front?.stepId ? { ...each, phase: front.phase } : each)),
    currentStepId: leads?.stepId ?? null,
    phase: leads?.phase ?? 'done',
    window: leads?.window ?? null,
    useBy: leads?.useBy ?? null,
  };
}

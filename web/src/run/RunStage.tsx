import { useState } from 'react';
import type { Figure, Front, NewEvent, PlanStep, RepairPlan, RunState } from '../api/types';
import { shopNow, useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { TimeAxis, TimeStrip } from '../drawing/TimeStrip';
import { damagesOf } from '../desk/reached';
import type { StageProps } from '../desk/StageProps';
import type { MendDesk } from '../desk/damageInHand';
import { Photographs } from '../desk/Photographs';
import { OffcutSheets } from '../drawing/OffcutSheets';
import { planBands } from '../drawing/planBands';
import { Button } from '../ui/Button';
import { FigureButton } from '../ui/FigureButton';
import { Notice, Problems } from '../ui/Notice';
import { countdown, when } from '../measures/time';
import { measure, type Units } from '../measures/units';
import { useUnits } from '../shop/units';
import { useDamageWords } from '../ui/damageWords';
import { waitWords } from '../ui/words';
import { Afar, useAfar } from './Afar';
import { actionsFor, type RunAction } from './actions';
import { CupAtStep } from './CupAtStep';
import { Dew } from './Dew';
import { DryingWeights } from './DryingWeights';
import { Extras } from './Extras';
import { FailedTest } from './FailedTest';
import { HoldReadings } from './HoldReadings';
import { Light } from './Light';
import { LookedWhen } from './LookedWhen';
import { Paced } from './Paced';
import { ProofForm } from './ProofForm';
import { CupOffers, MixedElsewhere, MixedForOthers, ShareInHand } from './SharedCup';
import { useWakeLock } from './useWakeLock';
import { Warmth } from './Warmth';
import { WhatWentWrong } from './WhatWentWrong';
import { nextEnd, windowState, windowWords } from '../desk/window';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

/** Mend: one action at a time, large enough for gloves and for two metres. */
export function RunStage({ desk, catalogue, goTo }: StageProps) {
  const { mend, plan } = desk;
  const [afar, turn] = useAfar();
  useWakeLock(mend.status === 'running');
  if (mend.status === 'draft' && desk.busy) return <p role="status" className="text-2xl">{say`Starting …`}</p>;
  if (!mend.run || !plan) {
    return (
      <div className="flex flex-col items-start gap-4">
        <Problems problems={desk.refused} />
        <p className="text-2xl">{say`This mend has not been started.`}</p>
        <Button look="main" size="hand" onClick={() => goTo('plan')}>{say`To the plan`}</Button>
      </div>
    );
  }
  const front = mend.run.fronts.find((each) => each.damage === desk.number) ?? mend.run.fronts.find((each) => each.stepId === mend.run?.currentStepId);
  const step = plan.steps.find((each) => each.id === front?.stepId);
  if (!front || !step) {
    return (
      <div className="flex flex-col items-start gap-4">
        <p className="text-3xl font-bold">{say`Every step is done.`}</p>
        <Button look="main" size="hand" onClick={() => goTo('prove')}>{say`Hand it back`}</Button>
        <Extras desk={desk} />
      </div>
    );
  }
  return (
    <div className="flex flex-col gap-4">
      <Problems problems={desk.refused} />
      {plan.damages.length > 1 ? <Fronts desk={desk} run={mend.run} at={front.damage} /> : null}
      <Afar
        on={afar}
        turn={turn}
        desk={desk}
        sideways={
          <>
            <WhatWentWrong key={`wrong ${step.id}`} desk={desk} front={front} />
            <Photographs key={`photographs ${step.id}`} mendId={mend.id} stepId={step.id} shows="of-step" hasKey />
          </>
        }
      >
        <CurrentStep key={step.id + (step.proof ? '' : front.phase)} step={step} front={front} desk={desk} proofs={catalogue.proofs} />
      </Afar>
      <Ahead desk={desk} run={mend.run} />
      <Extras desk={desk} />
    </div>
  );
}

interface CurrentProps {
  step: PlanStep;
  front: Front;
  desk: MendDesk;
  proofs: StageProps['catalogue']['proofs'];
}

function CurrentStep({ step, front, desk, proofs }: CurrentProps) {
  const plan = desk.plan!;
  const steps = plan.steps.filter((each) => each.timing.damage === step.timing.damage);
  const proof = proofs.find((each) => each.id === step.proof);
  const waiting = front.phase === 'waiting';
  // What its plan says of a cup is said of one mend; of a shared one the cup itself says it.
  const isShared = front.together?.isMixedHere === true && front.cup?.stepId === step.id;
  const details = waiting && front.window ? <Wait window={front.window} /> : isShared ? null : <How step={step} plan={plan} />;
  return (
    <section aria-label={say`Now`} className="flex flex-col gap-3">
      <p className="lettering">{say`Step ${steps.indexOf(step) + 1} of ${steps.length}`}</p>
      <h2 className="text-5xl leading-none afar:text-(length:--words-from-afar)">{waiting && front.window ? waitWords[front.window.kind] : step.title}</h2>
      {front.heldUntil ? <HeldBack until={front.heldUntil} /> : null}
      {front.waitsFor ? <WaitsFor damages={front.waitsFor} turned={!!step.timing.whenFirm || !step.timing.also} turnFrom={front.turnFrom ?? null} /> : null}
      {front.useBy ? <UseBy useBy={front.useBy} /> : null}
      {waiting || front.phase === 'failed' ? null : <Dew step={step} mend={desk.mend.id} />}
      {front.cup?.stepId === step.id && !waiting ? <CupForSeveral front={front} desk={desk} /> : null}
      {front.together && front.useBy && !front.cup ? <ShareInHand together={front.together} /> : null}
      {(front.cup && !waiting) || front.waitsForCup ? null : details}
      {front.phase === 'failed' ? <FailedTest desk={desk} step={step} leadsBackTo={front.leadsBackTo} /> : null}
      {front.drying && front.phase !== 'failed' ? <DryingWeights drying={front.drying} stepId={step.id} desk={desk} /> : null}
      {front.hold && front.phase !== 'failed' ? <HoldReadings hold={front.hold} trace={front.trace} judged={!!proof} stepId={step.id} desk={desk} /> : null}
      {proof && front.phase !== 'failed' && !waiting ? (
        <ProofForm test={proof} limit={front.hold?.mattersPercentPerHour ?? proof.limit} stand={front.test} stepId={step.id} desk={desk} />
      ) : front.together && front.waitsForCup ? (
        <MixedElsewhere together={front.together} front={front} desk={desk} />
      ) : front.cup ? (
        <CupAtStep cup={front.cup} step={step} desk={desk} details={details}>
          {(measured) => <Actions actions={actionsFor(step, front.phase)} desk={desk} stepId={step.id} measured={measured} />}
        </CupAtStep>
      ) : (
        <Actions actions={actionsFor(step, front.phase)} desk={desk} stepId={step.id} since={waiting ? front.window?.fromAt : undefined} />
      )}
      {waiting && front.window?.light ? <Light stand={front.window.light} desk={desk} /> : null}
      {waiting && desk.mend.run?.warm ? <Warmth stand={desk.mend.run.warm} desk={desk} /> : null}
      {waiting && front.window?.pace ? <Paced pace={front.window.pace} name={nameOf(front.window.pace.material, plan)} /> : null}
      {waiting ? null : <OffcutSheets placements={cutAt(step, plan)} damages={plan.damages} offcuts={desk.repairCase.offcuts} leaves={plan.leaves} />}
      {waiting ? null : <Cautions ids={step.cautions} plan={plan} />}
    </section>
  );
}

/** The cup of a mix that others may share, or do. */
function CupForSeveral({ front, desk }: { front: Front; desk: MendDesk }) {
  if (front.together) return <MixedForOthers together={front.together} front={front} desk={desk} />;
  return front.cup?.parts.some((part) => part.poured > 0) ? null : <CupOffers desk={desk} front={front} />;
}

/** How a step is done, with its figures. */
function How({ step, plan }: { step: PlanStep; plan: RepairPlan }) {
  const figures = step.figures.map((id) => plan.figures.find((figure) => figure.id === id)).filter((figure): figure is Figure => figure !== undefined);
  const [first, second] = mainFigures(step, figures);
  return (
    <>
      <p className="max-w-prose text-xl afar:hidden">{step.instruction}</p>
      <div className="flex flex-wrap gap-x-10 gap-y-1">
        {first ? <FigureButton figure={first} large /> : null}
        {second ? <FigureButton figure={second} large /> : null}
        {figures
          .filter((figure) => figure !== first && figure !== second)
          .map((figure) => (
            <FigureButton key={figure.id} figure={figure} />
          ))}
      </div>
      {step.doNotForget ? (
        <Notice tone="early" word={say`Do not forget:`}>
          {step.doNotForget}
        </Notice>
      ) : null}
    </>
  );
}

/** Where the patches lie that are cut at a step. */
function cutAt(step: PlanStep, plan: RepairPlan) {
  const cloths = new Set(step.takes?.map((taking) => taking.material));
  const patchOf = (placement: NonNullable<RepairPlan['placements']>[number]) =>
    plan.damages.find((each) => each.number === placement.damage)?.patches.find((each) => each.order === placement.patch);
  return (plan.placements ?? []).filter((placement) => cloths.has(patchOf(placement)?.cloth ?? ''));
}

/** The damages of the item side by side: where each has got, and which one is in hand. */
function Fronts({ desk, run, at }: { desk: MendDesk; run: RunState; at: number }) {
  const now = useNow();
  const damageWords = useDamageWords();
  return (
    <div role="group" aria-label={say`Damages of this item`} className="grid grid-cols-3 gap-2 sm:flex sm:flex-wrap">
      {desk.repairCase.damages.map(({ seen }, i) => {
        const front =
          run.fronts.find((each) => each.damage === i + 1) ??
          run.fronts.find((each) => desk.plan!.steps.some((step) => step.id === each.stepId && damagesOf(step).includes(i + 1)));
        return (
          <button
            key={i}
            type="button"
            disabled={!front}
            aria-pressed={at === i + 1}
            onClick={() => desk.pick(i + 1)}
            className="flex min-h-14 flex-1 items-center gap-2 border-2 border-line bg-sheet px-2 text-left leading-tight aria-pressed:border-ink sm:min-w-48 sm:gap-3 sm:px-3"
          >
            <span className="numeral text-3xl">{i + 1}</span>
            <span className="min-w-0">
              <span className="hidden font-bold sm:block">{damageWords(seen, desk.repairCase.item.construction)}</span>
              <span className="line-clamp-2 text-sm text-faint">{frontWords(front, desk.plan!, now)}</span>
            </span>
          </button>
        );
      })}
    </div>
  );
}

/** Where a damage has got, in a few words that fit a phone: what is next by hand, or how long its wait still runs. */
function frontWords(front: Front | undefined, plan: RepairPlan, now: number): string {
  if (!front) return say`Done`;
  const title = plan.steps.find((step) => step.id === front.stepId)?.title ?? '';
  if (front.turnFrom) return say`turn it in ${countdown(Date.parse(front.turnFrom) - now)}`;
  if (!front.window) return title;
  const end = nextEnd(front.window, now);
  return end ? `${end.words} ${countdown(end.at - now)}` : windowWords[windowState(front.window, now)].toLowerCase();
}

/** The two figures that the hand needs from two metres: what is poured, or the first one. */
function mainFigures(step: PlanStep, figures: readonly Figure[]): [Figure | undefined, Figure | undefined] {
  const [first, second] = (step.pour?.lead ?? []).map((id) => figures.find((figure) => figure.id === id));
  return [first ?? figures[0], second];
}

function event(kind: NewEvent['kind'], stepId: string | null, value: number | null = null, passed: boolean | null = null): NewEvent {
  return { kind, stepId, text: null, value, passed };
}

/** What can hurt at this step and no other: the plan's whole list is read once, this is read here. */
function Cautions({ ids, plan }: { ids: readonly string[]; plan: RepairPlan }) {
  const cautions = plan.cautions.filter((caution) => ids.includes(caution.id));
  return cautions.length === 0 ? null : (
    <ul aria-label={say`Cautions`} className="border-l-4 border-late pl-3">
      {cautions.map((caution) => (
        <li key={caution.id}>{caution.text}</li>
      ))}
    </ul>
  );
}

/** What other damages have to do first: get as far, or set until the item can be turned. */
function WaitsFor({ damages, turned, turnFrom }: { damages: number[]; turned: boolean; turnFrom: string | null }) {
  const now = useNow();
  const zone = useZone();
  const which = damages.join(', ');
  return (
    <Notice tone="early" word={say`Not yet.`}>
      {turnFrom
        ? say`What was put on at damage ${which} still runs. Turn it over from ${when(turnFrom, now, zone)} on.`
        : turned
          ? say`It waits for damage ${which}.`
          : say`It is done for all damages at once, and waits for damage ${which}.`}
    </Notice>
  );
}

/** It may be begun all the same: the hand knows better who is there tonight. */
function HeldBack({ until }: { until: string }) {
  const now = useNow();
  const zone = useZone();
  return Date.parse(until) > now ? (
    <Notice tone="early" word={say`Better not yet.`}>
      {say`Begun now, a window that it leads to would close with nobody there. Begin it ${when(until, now, zone)}.`}
    </Notice>
  ) : null;
}

function UseBy({ useBy }: { useBy: string }) {
  const now = useNow();
  const left = Date.parse(useBy) - now;
  return (
    <p className={`border-l-8 px-4 py-2 text-2xl font-bold ${left < 5 * 60_000 ? 'border-late bg-late-soft' : 'border-resin bg-sheet'}`}>
      {left > 0 ? (
        <>
          {say`In the cup: use within`} <span className="numeral text-5xl leading-none afar:text-(length:--one-from-afar)">{countdown(left)}</span>
        </>
      ) : (
        say`Past its pot life: throw it out and mix again`
      )}
    </p>
  );
}

const windowTones = { early: 'border-early bg-early-soft', good: 'border-good bg-good-soft', late: 'border-late bg-late-soft' } as const;

function Wait({ window }: { window: NonNullable<RunState['window']> }) {
  const now = useNow();
  const zone = useZone();
  const state = windowState(window, now);
  const end = nextEnd(window, now);
  const { units } = useUnits();
  return (
    <>
      <div className={`border-l-8 px-4 py-3 ${windowTones[state]}`} role="status">
        <p className="flex flex-wrap items-baseline justify-between gap-x-6">
          <strong className="text-4xl afar:text-(length:--words-from-afar)">{windowWords[state]}</strong>
          {end ? (
            <span className="text-2xl afar:text-(length:--words-from-afar)">
              {end.words} <span className="numeral text-6xl leading-none afar:text-(length:--one-from-afar)">{countdown(end.at - now)}</span>
            </span>
          ) : null}
        </p>
        <p className="mt-1 text-xl">
          {window.opensAt
            ? say`From ${when(window.opensAt, now, zone)}`
            : window.light
              ? say`It will not set in this light: carry it into the sun, or under a lamp`
              : say`It will not cure at this bench: warm it`}
          {window.closesAt ? say` to ${when(window.closesAt, now, zone)}` : window.opensAt ? say`, and no hurry after that` : ''}
        </p>
        {window.moved ? <p className="mt-1">{movedWords(window.moved, window.opensAt, units, (iso) => when(iso, now, zone))}</p> : null}
        {state === 'late' && window.whenLate ? <p className="mt-1 text-xl font-bold">{window.whenLate}</p> : null}
      </div>
      <p className="text-2xl font-bold">{window.check}</p>
      <p className="text-faint afar:hidden">
        {window.kind === 'pressure'
          ? say`The gauge beats the clock: it holds when the readings say so.`
          : say`Touch beats the clock: ready is ready, whatever the clock says.`}
      </p>
    </>
  );
}

/** What a plan calls a material that it waits for. */
const nameOf = (material: string, plan: RepairPlan) => plan.damages.find((damage) => damage.system?.material === material)?.system?.materialName ?? say`It`;

/** A difference of temperatures, which has no zero of its own. */
const apartUnit = '°C apart';

type Moved = NonNullable<NonNullable<RunState['window']>['moved']>;

/** What readings did to a window, and why. */
function movedWords(moved: Moved, opensAt: string | null, units: Units, at: (iso: string) => string): string {
  const apart = measure(Math.abs(moved.warmerK), apartUnit, 1, units);
  const colder = moved.warmerK < 0;
  const later = !opensAt || opensAt > moved.openedAt;
  if (moved.cause === 'warm') return say`For it stands in the warm, or did: at the bench it would have opened ${at(moved.openedAt)}.`;
  const why: Record<Exclude<Moved['cause'], 'warm'>, string> = {
    air: colder ? say`The bench was ${apart} colder than planned` : say`The bench was ${apart} warmer than planned`,
    surface: colder ? say`The item was ${apart} colder than planned` : say`The item was ${apart} warmer than planned`,
    humidity: later ? say`The air was drier than planned` : say`The air was damper than planned`,
    light: later ? say`Less light fell than planned` : say`More light fell than planned`,
  };
  return say`${why[moved.cause]}: it would have opened ${at(moved.openedAt)}.`;
}

interface ActionsProps {
  actions: readonly RunAction[];
  desk: MendDesk;
  stepId: string;
  measured?: boolean;
  /** When what is looked at began to be waited for; left out where nothing is looked at. */
  since?: string | undefined;
}

/** What the hand can say. Beside a cup that is measured in, whose own button leads, it has no key. */
function Actions({ actions, desk, stepId, measured = false, since }: ActionsProps) {
  const [ago, setAgo] = useState(0);
  const tell = (kind: NewEvent['kind']) => {
    desk.happened({ ...event(kind, stepId), ...(ago > 0 ? { at: new Date(shopNow() - ago * 60_000).toISOString() } : {}) });
    setAgo(0);
  };
  useKeys(measured ? [] : actions.map((action) => action.key), (key) => {
    const action = actions.find((each) => each.key === key);
    if (action && !desk.busy) tell(action.kind);
  });
  return (
    <>
      <ActionButtons actions={actions} measured={measured} busy={desk.busy} tell={tell} />
      {since && actions.length > 0 ? <LookedWhen since={since} ago={ago} onPick={setAgo} /> : null}
    </>
  );
}

function ActionButtons({
  actions,
  measured,
  busy,
  tell,
}: Pick<ActionsProps, 'actions'> & { measured: boolean; busy: boolean; tell: (kind: NewEvent['kind']) => void }) {
  return (
    <div className="grid gap-3 sm:auto-cols-fr sm:grid-flow-col">
      {actions.map((action, i) => (
        <Button
          key={action.kind}
          size="hand"
          look={i === 0 && !measured ? 'main' : 'plain'}
          className={measured ? 'text-lg' : 'min-h-20 text-2xl'}
          disabled={busy}
          onClick={() => tell(action.kind)}
        >
          {measured ? say`${action.words}, without measuring it here` : action.words}
          {measured ? null : <kbd className="text-base opacity-80">{action.key.toUpperCase()}</kbd>}
        </Button>
      ))}
    </div>
  );
}

function Ahead({ desk, run }: { desk: MendDesk; run: RunState }) {
  const now = useNow();
  const zone = useZone();
  const [all, setAll] = useState(false);
  const plan = desk.plan!;
  const bands = planBands(plan, run.timeline);
  const range = { fromMs: now - 3600_000, toMs: now + 11 * 3600_000, width: 700 };
  const ahead = new Set(run.steps.filter((state) => state.phase === 'ahead').map((state) => state.stepId));
  const steps = new Map(plan.steps.map((step) => [step.id, step]));
  const coming = run.timeline.filter((time) => ahead.has(time.stepId)).map((time) => ({ step: steps.get(time.stepId)!, time }));
  return (
    <section aria-label={say`Coming up`} className="border-t-2 border-ink pt-2">
      <TimeAxis range={range} zone={zone} />
      <TimeStrip bands={bands} range={range} height={30} nowMs={now} label={say`This mend against the clock`} />
      <ol className="mt-1">
        {(all ? coming : coming.slice(0, 2)).map(({ step, time }) => (
          <li key={step.id} className="flex gap-4 py-0.5">
            <span className="numeral w-28 shrink-0 text-right text-faint">{when(time.startsAt, now, zone)}</span>
            {plan.damages.length > 1 ? <span className="numeral text-faint">{damagesOf(step).join(', ')}</span> : null}
            {step.title}
          </li>
        ))}
      </ol>
      {coming.length > 2 ? (
        <button type="button" className="min-h-11 text-act underline underline-offset-4" onClick={() => setAll(!all)}>
          {all ? say`Only the next two` : say`All ${coming.length} steps ahead`}
        </button>
      ) : null}
    </section>
  );
}

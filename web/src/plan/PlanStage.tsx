import { Slider } from 'radix-ui';
import { memo } from 'react';
import type { Figure, PlanStep, RepairPlan, Schemas } from '../api/types';
import { useMinute } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { OffcutSheets } from '../drawing/OffcutSheets';
import type { StripRange } from '../drawing/strip';
import { TimeAxis, TimeStrip } from '../drawing/TimeStrip';
import { withBench, withOverride } from '../desk/edit';
import { highlight } from '../desk/highlight';
import { damagesOf } from '../desk/reached';
import type { StageProps } from '../desk/StageProps';
import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { FigureButton } from '../ui/FigureButton';
import { Notice, Problems } from '../ui/Notice';
import { when } from '../measures/time';
import { measure, temperature, type Units } from '../measures/units';
import { waitWords } from '../ui/words';
import { Estimated } from './Estimated';
import { MeasuredWith } from './MeasuredWith';
import { OnTicket } from './OnTicket';
import { Promised } from './Promised';
import { planBands, planRange } from '../drawing/planBands';
import { say } from '../words/say';

/** Plan: every number worked out, every one open to its reason, every wait a window on the clock. */
export function PlanStage({ desk, goTo }: StageProps) {
  const { plan, problems, mend } = desk;
  const now = useMinute();
  const zone = useZone();
  if (!plan) return <Problems problems={problems} />;
  if (!plan.damages.some((damage) => damage.system)) {
    return (
      <Notice tone="late" word={say`Not mended here.`}>
        {plan.verdict.reasons[0]?.text}
      </Notice>
    );
  }
  const draft = mend.status === 'draft';
  const start = () => {
    desk.start();
    goTo('mend');
  };
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-start justify-between gap-3">
        <div>
          {plan.damages.length === 1 ? (
            <>
              <h2 className="text-3xl">{plan.damages[0]!.system?.methodName}</h2>
              <p className="text-lg">{plan.damages[0]!.system?.materialName}</p>
            </>
          ) : (
            plan.damages.map(({ number, system }) => (
              <div key={number} className="grid grid-cols-[1.5rem_minmax(0,1fr)] items-baseline">
                <span className="numeral text-xl text-faint">{number}</span>
                <h2 className="text-xl leading-tight">
                  {system?.methodName} <span className="text-base font-normal">{system?.materialName}</span>
                </h2>
              </div>
            ))
          )}
          <p className="text-lg">
            {say`Ready for use`} <strong>{when(plan.readyAt, now, zone)}</strong>, {say`full cure`} {when(plan.fullCureAt, now, zone)}
          </p>
        </div>
        {draft ? (
          <Button look="main" className="shrink-0" onClick={start} disabled={problems.length > 0 || desk.busy}>{say`Start the mend`}</Button>
        ) : (
          <Button look="main" className="shrink-0" onClick={() => goTo('mend')}>{say`To the bench`}</Button>
        )}
      </div>
      <Problems problems={problems} />
      <Clock desk={desk} plan={plan} />
      {draft ? <MeasuredWith desk={desk} /> : null}
      {draft ? <Promised id={mend.id} version={mend.version} now={now} zone={zone} /> : null}
      {mend.ticketId == null ? null : <OnTicket mendId={mend.id} ticketId={mend.ticketId} />}
      <Estimated id={mend.id} version={mend.version} />
      <Warnings plan={plan} now={now} zone={zone} />
      <Papers
        id={mend.id}
        mixes={plan.steps.some((step) => step.stage === 'mix')}
        damages={plan.damages}
        placements={plan.placements ?? noPlacements}
        offcuts={desk.repairCase.offcuts}
        leaves={plan.leaves}
      />
      <ol>
        {plan.steps.map((step, i) => (
          <Step key={step.id} step={step} time={plan.timeline[i]!} number={i + 1} plan={plan} edit={draft ? desk.edit : null} />
        ))}
      </ol>
      <Cautions plan={plan} />
    </div>
  );
}

function Clock({ desk, plan }: { desk: MendDesk; plan: RepairPlan }) {
  const { units } = useUnits();
  const zone = useZone();
  const range: StripRange = planRange(plan, 700);
  const { temperatureC } = desk.repairCase.bench;
  const draft = desk.mend.status === 'draft';
  return (
    <section aria-label={say`The clock`} className="border-y border-line py-2">
      <TimeAxis range={range} zone={zone} />
      <TimeStrip bands={planBands(plan)} range={range} height={34} label={say`The plan against the clock`} />
      <div className="mt-1 flex items-center gap-4">
        <span className="lettering shrink-0">{say`Bench`}</span>
        <Slider.Root
          min={5}
          max={35}
          step={0.5}
          disabled={!draft}
          value={[Math.min(35, Math.max(5, temperatureC || 20))]}
          onValueChange={([next]) => desk.change(withBench(desk.repairCase, { temperatureC: next ?? temperatureC }))}
          className="relative flex h-11 flex-1 touch-none items-center"
        >
          <Slider.Track className="h-1.5 w-full bg-early-soft">
            <Slider.Range className="absolute h-1.5 bg-resin" />
          </Slider.Track>
          <Slider.Thumb
            aria-label={say`Bench temperature`}
            aria-valuetext={measure(temperatureC, '°C', 1, units)}
            className="block h-9 w-6 rounded-sm border-2 border-ink bg-sheet"
          />
        </Slider.Root>
        <output className="numeral w-24 text-right text-2xl">
          {temperature.shown(temperatureC, units)} {temperature.unit(units)}
        </output>
      </div>
    </section>
  );
}

/** What is only to be got ready, where the others are to be looked into. */
const toPrepare = new Set(['to-buy', 'gap-in-drawer', 'too-coarse', 'coarse-measure', 'held-back', 'learnt-pace']);

function Warnings({ plan, now, zone }: { plan: RepairPlan; now: number; zone: string }) {
  return (
    <>
      {plan.warnings.map((warning) => (
        <Notice key={warning.code + (warning.stepId ?? '') + warning.text} tone={toPrepare.has(warning.code) ? 'early' : 'late'} word={say`Note:`}>
          {warning.text}
        </Notice>
      ))}
      {plan.properRepairBy ? (
        <Notice tone="early" word={say`For now only.`}>
          {say`The proper repair is booked for ${when(plan.properRepairBy, now, zone)} when this one is handed back.`}{' '}
          {plan.damages
            .flatMap((damage) => damage.properRepair ?? [])
            .map((what) => `${what}.`)
            .join(' ')}
        </Notice>
      ) : null}
    </>
  );
}

// What follows hangs on the plan alone, and stays as it is until the next one is there.
const noPlacements: readonly Schemas['Placement'][] = [];

interface PapersProps {
  id: number;
  /** Whether anything is mixed. */
  mixes: boolean;
  damages: RepairPlan['damages'];
  placements: readonly Schemas['Placement'][];
  offcuts: Schemas['RepairCase']['offcuts'];
  leaves: RepairPlan['leaves'];
}

const Papers = memo(function Papers({ id, mixes, damages, placements, offcuts, leaves }: PapersProps) {
  const { units } = useUnits();
  const link = 'inline-flex min-h-11 items-center text-act underline underline-offset-4';
  return (
    <section className="flex flex-wrap items-center gap-x-6 gap-y-1">
      {damages.flatMap(({ number, patches }) =>
        patches.map((patch) => (
          <span key={`${number}.${patch.order}`}>
            <span className="lettering block">{patchWords(damages.length > 1 ? `${number}.${patch.order}` : patch.order, patch.order === 1)}</span>
            <span className="numeral text-xl">
              {patch.plain?.kind === 'circle'
                ? say`round ${measure(patch.plain.lengthMm, 'mm', 0, units)}`
                : `${measure(patch.lengthMm, 'mm', 0, units)} × ${measure(patch.widthMm, 'mm', 0, units)}`}
            </span>{' '}
            <span className="text-sm text-faint">{patch.plain ? '' : say`to template`}</span>
            <span className="block text-sm text-faint">
              {cutFrom(
                placements.find((each) => each.damage === number && each.patch === patch.order),
                units,
              )}
            </span>
          </span>
        )),
      )}
      {damages
        .filter(({ patches }) => patches.length > 0)
        .map(({ number }) => (
          <span key={number} className="flex gap-x-4">
            <a className={link} href={`/api/mends/${id}/template.pdf?damage=${number}&units=${units}`} target="_blank" rel="noreferrer">
              {templateWords(damages.length > 1 ? number : '', 'PDF')}
            </a>
            <a
              className={link}
              href={`/api/mends/${id}/template.svg?damage=${number}&units=${units}`}
              target="_blank"
              rel="noreferrer"
              aria-label={templateWords(damages.length > 1 ? number : '', 'SVG')}
            >
              SVG
            </a>
          </span>
        ))}
      <a className={link} href={`/mends/${id}/sheet`}>{say`Job sheet`}</a>
      {mixes ? <a className={link} href={`/mends/${id}/labels`}>{say`Cup labels`}</a> : null}
      <OffcutSheets placements={placements} damages={damages} offcuts={offcuts} leaves={leaves} />
    </section>
  );
});

/** Where a patch is cut from, and how far its corner lies in. */
function cutFrom(placement: Schemas['Placement'] | undefined, units: Units): string {
  if (!placement) return '';
  const inFrom = placement.xMm + placement.yMm > 0;
  return [
    say`from the offcut “${placement.offcut}”`,
    ...(inFrom ? [say`${measure(placement.xMm, 'mm', 0, units)} along and ${measure(placement.yMm, 'mm', 0, units)} in`] : []),
    ...(placement.turned ? [say`turned a quarter`] : []),
  ].join(', ');
}

const patchWords = (name: string | number, first: boolean) => (first ? say`Patch ${name}, first` : say`Patch ${name}, then`);

const templateWords = (damage: number | '', format: string) => (damage ? say`Template ${damage} (${format})` : say`Template (${format})`);

interface StepProps {
  step: PlanStep;
  time: Schemas['TimedStep'];
  number: number;
  plan: RepairPlan;
  /** Absent where the plan is frozen. */
  edit: MendDesk['edit'] | null;
}

const Step = memo(function Step({ step, time, number, plan, edit }: StepProps) {
  const now = useMinute();
  const zone = useZone();
  const figures = step.figures.map((id) => plan.figures.find((figure) => figure.id === id)).filter((figure): figure is Figure => figure !== undefined);
  const point = () => highlight.set({ stepId: step.id, layer: null });
  const leave = () => highlight.set({ stepId: null, layer: null });
  return (
    <li
      className="grid grid-cols-[5.2rem_minmax(0,1fr)] gap-x-4 border-t border-line py-3"
      onMouseEnter={point}
      onMouseLeave={leave}
      onFocus={point}
      onBlur={leave}
    >
      <div className="text-right">
        <span className="numeral block text-3xl leading-none text-faint">{number}</span>
        <span className="text-sm leading-tight">{when(time.startsAt, now, zone)}</span>
        {plan.damages.length > 1 ? (
          <span className="block text-sm font-bold">{step.timing.also ? say`damages ${damagesOf(step).join(', ')}` : say`damage ${step.timing.damage}`}</span>
        ) : null}
      </div>
      <div className="min-w-0">
        <h3 className="text-xl">{step.title}</h3>
        <p>{step.instruction}</p>
        {figures.length > 0 ? (
          <div className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
            {figures.map((figure) => (
              <FigureButton
                key={figure.id}
                figure={figure}
                onSet={edit ? (value, reason) => edit((repairCase) => withOverride(repairCase, figure.id, value, reason)) : undefined}
              />
            ))}
          </div>
        ) : null}
        {step.doNotForget ? (
          <p className="mt-1">
            <strong className="text-resin">{say`Do not forget:`}</strong> {step.doNotForget}
          </p>
        ) : null}
        {step.timing.wait && !(time.opensAt && time.handsEndAt && time.opensAt <= time.handsEndAt) ? (
          <p className="mt-1 border-l-4 border-good pl-2">
            <strong>{waitWords[step.timing.wait.kind]}:</strong> {say`from`} {when(time.opensAt, now, zone)}
            {time.closesAt ? say` to ${when(time.closesAt, now, zone)}` : ''}. {step.timing.wait.check}
          </p>
        ) : null}
      </div>
    </li>
  );
});

const Cautions = memo(function Cautions({ plan }: { plan: RepairPlan }) {
  return (
    <section className="border-t-2 border-ink pt-2">
      <h3 className="text-xl">{say`Cautions`}</h3>
      <ul className="mt-1 grid gap-x-6 sm:grid-cols-2">
        {plan.cautions.map((caution) => (
          <li key={caution.id} className="border-b border-line py-1">
            {caution.text}
          </li>
        ))}
      </ul>
    </section>
  );
});

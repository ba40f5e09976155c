import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import { mendQuery } from '../api/queries';
import { problemsIn } from '../api/client';
import { useUnits } from '../app/units';
import { useZone } from '../app/zone';
import { OffcutSheets } from '../drawing/OffcutSheets';
import { PlanView } from '../drawing/PlanView';
import { planView } from '../drawing/planView';
import { Section } from '../drawing/Section';
import { section } from '../drawing/section';
import { reachedMarks } from '../mend/reached';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { dayAndClock } from '../ui/time';
import { measure } from '../ui/units';
import { decisionWords, kindWords } from '../ui/words';
import type { Figure } from '../api/types';

/** The job sheet: the same picture and the same numbers, clean on paper. */
export function JobSheet() {
  const { id } = useParams({ from: '/mends/$id/sheet' });
  const query = useQuery(mendQuery(Number(id)));
  const zone = useZone();
  const { units } = useUnits();
  const mend = query.data;
  if (!mend?.plan) return <div className="p-5">{query.error ? <Problems problems={problemsIn(query.error)} /> : 'Writing the sheet …'}</div>;
  const { plan, case: repairCase } = mend;
  const reached = reachedMarks('plan', plan, null, null);
  const picture = { drawing: plan.drawing, patches: plan.patches, reached, width: 480 };
  const handBack = mend.events.findLast((event) => event.kind === 'hand-back');
  return (
    <article className="mx-auto max-w-5xl bg-sheet px-8 py-6 print:max-w-none print:bg-white print:p-0">
      <div className="no-print mb-4 flex gap-3">
        <Button look="main" onClick={() => print()}>
          Print it
        </Button>
        <Link to="/mends/$id/$stage" params={{ id, stage: 'plan' }} className="inline-flex min-h-11 items-center underline underline-offset-4">
          Back to the mend
        </Link>
      </div>
      <header className="flex items-end justify-between border-b-2 border-ink pb-1">
        <h1 className="numeral text-4xl">
          {mend.tag} <span className="text-xl font-semibold">{mend.itemName}</span>
        </h1>
        <p className="text-right">
          Mend {mend.id}
          <br />
          {mend.dueAt ? `Due ${dayAndClock(mend.dueAt, zone)}` : 'No due time'}
        </p>
      </header>
      <p className="mt-2 text-lg">
        <strong>{decisionWords[plan.verdict.decision]}.</strong> {kindWords[repairCase.damage.kind]}, {repairCase.damage.location.replace('-', ' ')}. {plan.system ? `${plan.system.methodName}, ${plan.system.materialName}. Ready for use ${dayAndClock(plan.readyAt, zone)}.` : plan.verdict.reasons[0]?.text}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-4">
        <Section model={section({ ...picture, kind: repairCase.damage.kind, height: 240 })} />
        <PlanView model={planView({ ...picture, height: 230, units })} />
      </div>
      <OffcutSheets placements={plan.placements ?? []} patches={plan.patches} offcuts={repairCase.offcuts} />
      <ol className="mt-3">
        {plan.steps.map((step, i) => (
          <li key={step.id} className="grid break-inside-avoid grid-cols-[1.8rem_minmax(0,1fr)_minmax(0,15rem)] gap-x-3 border-t border-line py-1.5 text-sm">
            <span className="numeral text-right text-lg leading-none">{i + 1}</span>
            <span>
              <strong>{step.title}</strong> {step.instruction} {step.doNotForget ? <em>Do not forget: {step.doNotForget}</em> : null}
            </span>
            <span>
              {step.figures.map((figureId) => {
                const figure = plan.figures.find((each) => each.id === figureId);
                return figure ? (
                  <span key={figureId} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-2">
                    {figure.label} <strong className="numeral">{measure(figure.value, figure.unit, figure.decimals, units)}{figure.setByHand ? '*' : ''}</strong>
                  </span>
                ) : null;
              })}
              {plan.timeline[i]?.opensAt ? <span className="block">from {dayAndClock(plan.timeline[i].opensAt, zone)}</span> : null}
              <span className="mt-1 block border-b border-dotted border-ink">&nbsp;</span>
            </span>
          </li>
        ))}
      </ol>
      <ByHand figures={plan.figures.filter((figure) => figure.setByHand)} />
      <ul className="mt-3 columns-2 border-t-2 border-ink pt-2 text-sm">
        {plan.cautions.map((caution) => (
          <li key={caution.id}>{caution.text}</li>
        ))}
      </ul>
      {handBack ? (
        <p className="mt-3 border-t-2 border-ink pt-2 text-lg">
          <strong>Handed back {dayAndClock(handBack.at, zone)}.</strong> {handBack.text} {plan.properRepairBy ? `Proper repair by ${dayAndClock(plan.properRepairBy, zone)}.` : ''}
        </p>
      ) : null}
    </article>
  );
}

/** What the star means: what would have been worked out, and the reason that was given. */
function ByHand({ figures }: { figures: readonly Figure[] }) {
  const { units } = useUnits();
  if (figures.length === 0) return null;
  return (
    <ul className="mt-3 border-t-2 border-ink pt-2 text-sm">
      {figures.map((figure) => (
        <li key={figure.id}>
          * {figure.label}: set by hand, worked out {measure(figure.setByHand?.computed ?? figure.value, figure.unit, figure.decimals, units)}. {figure.setByHand?.reason}
        </li>
      ))}
    </ul>
  );
}

import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { OffcutSheets } from '../drawing/OffcutSheets';
import { PlanView } from '../drawing/PlanView';
import { planView } from '../drawing/planView';
import { Section } from '../drawing/Section';
import { section } from '../drawing/section';
import { damagesOf, reachedMarks } from '../desk/reached';
import { dayAndClock } from '../measures/time';
import { measure } from '../measures/units';
import { useDamageWords } from '../ui/damageWords';
import { decisionWords } from '../ui/words';
import type { Figure, PlannedDamage, RepairPlan, Schemas } from '../api/types';
import { handBackOf, Paper, PaperHead, type PlannedMend } from './Paper';
import { say } from '../words/say';

/** The job sheet: the same picture and the same numbers, clean on paper. */
export const JobSheet = () => <Paper from="plan" of={Sheet} />;

function Sheet({ mend }: { mend: PlannedMend }) {
  const zone = useZone();
  const { units } = useUnits();
  const { plan, case: repairCase } = mend;
  const handBack = handBackOf(mend);
  return (
    <>
      <PaperHead mend={mend} />
      <p className="mt-2 text-lg">
        <strong>{decisionWords[plan.verdict.decision]}.</strong>{' '}
        {plan.readyAt ? say`Ready for use ${dayAndClock(plan.readyAt, zone)}.` : plan.verdict.reasons[0]?.text}
      </p>
      {plan.damages.map((planned) => (
        <Pictures
          key={planned.number}
          planned={planned}
          seen={repairCase.damages[planned.number - 1]!.seen}
          construction={repairCase.item.construction}
          plan={plan}
        />
      ))}
      <OffcutSheets placements={plan.placements ?? []} damages={plan.damages} offcuts={repairCase.offcuts} leaves={plan.leaves} />
      <ol className="mt-3">
        {plan.steps.map((step, i) => (
          <li key={step.id} className="grid break-inside-avoid grid-cols-[1.8rem_minmax(0,1fr)_minmax(0,15rem)] gap-x-3 border-t border-line py-1.5 text-sm">
            <span className="numeral text-right text-lg leading-none">{i + 1}</span>
            <span>
              <strong>
                {plan.damages.length > 1 ? `[${damagesOf(step).join(', ')}] ` : ''}
                {step.title}
              </strong>{' '}
              {step.instruction} {step.doNotForget ? <em>{say`Do not forget: ${step.doNotForget}`}</em> : null}
            </span>
            <span>
              {step.figures.map((figureId) => {
                const figure = plan.figures.find((each) => each.id === figureId);
                return figure ? (
                  <span key={figureId} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-2">
                    {figure.label}{' '}
                    <strong className="numeral">
                      {measure(figure.value, figure.unit, figure.decimals, units)}
                      {figure.setByHand ? '*' : ''}
                    </strong>
                  </span>
                ) : null;
              })}
              {plan.timeline[i]?.opensAt ? <span className="block">{say`from ${dayAndClock(plan.timeline[i].opensAt, zone)}`}</span> : null}
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
        <p className="mt-3 border-t-2 border-ink pt-2 text-lg whitespace-pre-line">
          <strong>{say`Handed back ${dayAndClock(handBack.at, zone)}.`}</strong> {handBack.text}{' '}
          {plan.properRepairBy ? say`Proper repair by ${dayAndClock(plan.properRepairBy, zone)}.` : ''}
        </p>
      ) : null}
    </>
  );
}

/** A damage with its two pictures and what mends it. */
interface PicturesProps {
  planned: PlannedDamage;
  seen: Schemas['Damage'];
  construction: string;
  plan: RepairPlan;
}

function Pictures({ planned, seen, construction, plan }: PicturesProps) {
  const damageWords = useDamageWords();
  const { units } = useUnits();
  const { drawing, patches, system, number } = planned;
  const picture = { drawing, patches, reached: reachedMarks('plan', plan, number, null, null), width: 480 };
  return (
    <section className="break-inside-avoid">
      <p className="mt-2 text-lg">
        {plan.damages.length > 1 ? <span className="numeral">[{number}] </span> : null}
        {damageWords(seen, construction)}. {system ? `${system.methodName}, ${system.materialName}.` : ''}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-4">
        <Section model={section({ ...picture, kind: seen.kind, height: 240 })} />
        <PlanView model={planView({ ...picture, height: 230, units })} />
      </div>
    </section>
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
          * {say`${figure.label}: set by hand, calculated ${measure(figure.setByHand?.computed ?? figure.value, figure.unit, figure.decimals, units)}.`}{' '}
          {figure.setByHand?.reason}
        </li>
      ))}
    </ul>
  );
}

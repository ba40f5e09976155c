import type { Candidate, Catalogue, RepairCase, RepairPlan } from '../api/types';
import { useUnits } from '../app/units';
import { withChoice, withSchool, withWanted } from '../look/edit';
import { highlight } from '../mend/highlight';
import type { StageProps } from '../mend/MendPage';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Problems } from '../ui/Notice';
import { span } from '../ui/time';
import { measure } from '../ui/units';

/** Match: what can bond to every layer, ranked; what cannot stays, with the layer that it would harm. */
export function MatchStage({ desk, catalogue, goTo }: StageProps) {
  const { plan, repairCase, change, problems, mend } = desk;
  if (!plan) return <Problems problems={problems} />;
  const draft = mend.status === 'draft';
  const isChosen = (candidate: Candidate) => plan.system?.method === candidate.method && plan.system.material === candidate.material;
  const fits = plan.candidates.filter((candidate) => !candidate.vetoed);
  const out = plan.candidates.filter((candidate) => candidate.vetoed);
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-3xl">What holds on every layer</h2>
        <Button look="main" onClick={() => goTo('plan')} disabled={!plan.system}>
          Plan it
        </Button>
      </div>
      <Problems problems={problems} />
      <ol>
        {fits.map((candidate) => (
          <Row
            key={candidate.method + candidate.material}
            candidate={candidate}
            chosen={isChosen(candidate)}
            onPick={draft ? () => change(withChoice(repairCase, { method: candidate.method, material: candidate.material })) : null}
          />
        ))}
      </ol>
      {out.length > 0 ? (
        <section>
          <h3 className="text-xl text-late">Kept off, and what it protects</h3>
          <ul>
            {out.map((candidate) => (
              <Vetoed key={candidate.method + candidate.material} candidate={candidate} />
            ))}
          </ul>
        </section>
      ) : null}
      {draft ? <Wishes repairCase={repairCase} plan={plan} catalogue={catalogue} change={change} /> : null}
    </div>
  );
}

function Row({ candidate, chosen, onPick }: { candidate: Candidate; chosen: boolean; onPick: (() => void) | null }) {
  const time = candidate.minutesToUse === null ? 'never' : span(candidate.minutesToUse * 60_000);
  return (
    <li className={`border-b border-line ${chosen ? 'bg-sheet' : ''}`}>
      <button
        type="button"
        aria-pressed={chosen}
        disabled={!onPick}
        onClick={onPick ?? undefined}
        className={`grid min-h-16 w-full grid-cols-[minmax(0,1fr)_7rem_9rem] items-center gap-x-4 border-l-8 py-1.5 pl-3 text-left ${chosen ? 'border-act' : 'border-transparent'}`}
      >
        <span className="min-w-0">
          <span className="block text-lg leading-tight font-bold">
            {candidate.materialName}
            {chosen ? <span className="ml-2 text-base text-act">chosen</span> : null}
          </span>
          <span className="block text-faint">
            {candidate.methodName}, {candidate.permanence === 'lasting' ? 'for good' : 'for now'}. {chosen ? candidate.why : ''}
          </span>
          {candidate.findings.map((finding) => (
            <span key={finding.rule} className="block text-sm">
              <strong className="text-resin">{finding.weight === 'to-buy' ? 'To buy' : 'Mind'}:</strong> {finding.reason}
              {finding.layerName ? ` (${finding.layerName})` : ''}
            </span>
          ))}
        </span>
        <span>
          <span className="lettering block">until in use</span>
          <span className="numeral block text-xl">{time}</span>
          <span className="block text-sm text-faint">{['', 'forgiving', 'some practice', 'demanding'][candidate.skill]}</span>
        </span>
        <Marks marks={candidate.marks} score={candidate.score} />
      </button>
    </li>
  );
}

function Marks({ marks, score }: { marks: Candidate['marks']; score: number }) {
  const rows = [
    ['fast', marks.fast],
    ['lasting', marks.lasting],
    ['tidy', marks.tidy],
    ['cheap', marks.cheap],
  ] as const;
  return (
    <span className="block" aria-label={`Score ${score.toFixed(1)} of 5`}>
      {rows.map(([words, mark]) => (
        <span key={words} className="grid grid-cols-[3.2rem_1fr] items-center text-xs text-faint">
          {words}
          <span className="h-1.5 bg-early-soft">
            <span className="block h-full bg-act" style={{ width: `${mark * 20}%` }} />
          </span>
        </span>
      ))}
    </span>
  );
}

function Vetoed({ candidate }: { candidate: Candidate }) {
  const vetoes = candidate.findings.filter((finding) => finding.weight === 'veto');
  const layer = vetoes.find((veto) => veto.layer)?.layer ?? null;
  const point = () => highlight.set({ stepId: null, layer });
  const leave = () => highlight.set({ stepId: null, layer: null });
  return (
    <li className="border-b border-line py-1.5 pl-5" onMouseEnter={point} onMouseLeave={leave}>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <s className="text-lg font-bold">{candidate.materialName}</s>
        <span className="text-faint">{candidate.methodName}</span>
        {layer ? (
          <button type="button" className="min-h-8 text-act underline underline-offset-4" onFocus={point} onBlur={leave} onClick={point}>
            Show the layer
          </button>
        ) : null}
      </p>
      {vetoes.map((veto) => (
        <p key={veto.rule} className="text-sm">
          {veto.layerName ? <strong className="text-late">Protects {veto.layerName}: </strong> : null}
          {veto.reason} <span className="text-faint">{veto.source}</span>
        </p>
      ))}
    </li>
  );
}

const cloths = [['glass-102', 102], ['glass-136', 136], ['glass-203', 203]] as const;

const levels = [0, 1, 2, 3, 4, 5].map((level) => [String(level), String(level)] as const);

function Wishes({ repairCase, plan, catalogue, change }: { repairCase: RepairCase; plan: RepairPlan; catalogue: Catalogue; change: (next: RepairCase) => void }) {
  const { units } = useUnits();
  const weights = { fast: 2, lasting: 3, tidy: 2, cheap: 1, ...repairCase.wanted.weights };
  const choice = repairCase.choice;
  const laysGlass = plan.patches.some((patch) => patch.cloth.startsWith('glass-'));
  return (
    <section className="grid gap-x-6 gap-y-3 border-t-2 border-ink pt-3 sm:grid-cols-2">
      <h3 className="text-xl sm:col-span-2">What counts, and which school</h3>
      {(['fast', 'lasting', 'tidy', 'cheap'] as const).map((name) => (
        <Choice key={name} label={name[0]!.toUpperCase() + name.slice(1)} value={String(weights[name])} options={levels} onPick={(level) => change(withWanted(repairCase, { weights: { ...weights, [name]: Number(level) } }))} />
      ))}
      {plan.schools.map((taken) => (
        <School key={taken.id} taken={taken} catalogue={catalogue} onPick={(option) => change(withSchool(repairCase, taken.id, option))} />
      ))}
      {laysGlass ? <Choice label="Cloth" value={choice?.cloth ?? 'glass-136'} options={cloths.map(([id, areal]) => [id, `${measure(areal, 'g/m²', 0, units)}${id === 'glass-136' ? ' (default)' : ''}`])} onPick={(cloth) => change(withChoice(repairCase, { cloth }))} /> : null}
    </section>
  );
}

/** A question on which practitioners disagree: both answers, and why the default is the default. */
function School({ taken, catalogue, onPick }: { taken: RepairPlan['schools'][number]; catalogue: Catalogue; onPick: (option: string) => void }) {
  const school = catalogue.schools.find((each) => each.id === taken.id);
  if (!school) return null;
  return (
    <div>
      <Choice
        label={school.question}
        value={taken.option}
        options={school.options.map((option) => [option.id, option.id === school.default ? `${option.name} (default)` : option.name] as const)}
        onPick={onPick}
      />
      <p className="mt-1 text-sm text-faint">{school.why}</p>
    </div>
  );
}

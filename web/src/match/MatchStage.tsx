import { useQuery } from '@tanstack/react-query';
import { heldQuery } from '../api/queries';
import type { Candidate, Catalogue, PlannedDamage, Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { useUnits } from '../shop/units';
import { withChoice, withSchool, withWanted } from '../desk/edit';
import { highlight } from '../desk/highlight';
import type { StageProps } from '../desk/StageProps';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Problems } from '../ui/Notice';
import { span } from '../measures/time';
import { measure } from '../measures/units';
import { say } from '../words/say';

/** Match: what can bond to every layer, ranked; what cannot stays, with the layer that it would harm. */
export function MatchStage({ desk, catalogue, goTo }: StageProps) {
  const { planned, problems, mend } = desk;
  const held = useQuery(heldQuery);
  if (!planned) return <Problems problems={problems} />;
  const draft = mend.status === 'draft';
  const isChosen = (candidate: Candidate) => planned.system?.method === candidate.method && planned.system.material === candidate.material;
  const fits = planned.candidates.filter((candidate) => !candidate.vetoed);
  const out = planned.candidates.filter((candidate) => candidate.vetoed);
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-3xl">{say`What bonds to every layer`}</h2>
        <Button look="main" onClick={() => goTo('plan')} disabled={!planned.system}>{say`Plan it`}</Button>
      </div>
      <Problems problems={problems} />
      <ol>
        {fits.map((candidate) => (
          <Row
            key={candidate.method + candidate.material}
            candidate={candidate}
            chosen={isChosen(candidate)}
            held={held.data?.find((each) => each.method === candidate.method)?.seen}
            onPick={draft ? () => desk.editDamage((now) => withChoice(now, { method: candidate.method, material: candidate.material })) : null}
          />
        ))}
      </ol>
      {out.length > 0 ? (
        <section>
          <h3 className="text-xl text-late">{say`Ruled out, and why`}</h3>
          <ul>
            {out.map((candidate) => (
              <Vetoed key={candidate.method + candidate.material} candidate={candidate} />
            ))}
          </ul>
        </section>
      ) : null}
      {draft ? <Wishes desk={desk} planned={planned} catalogue={catalogue} /> : null}
    </div>
  );
}

type Seen = Schemas['SeenOf'];

/** What the shop's own log knows of a method. */
function HeldHere({ seen }: { seen: Seen }) {
  return (
    <span className="block text-sm">{say`Here: ${seen.mends} looked at again, ${seen.failed} of them failed, in ${seen.years.toFixed(1)} years of use.`}</span>
  );
}

function Row({ candidate, chosen, held, onPick }: { candidate: Candidate; chosen: boolean; held: Seen | undefined; onPick: (() => void) | null }) {
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
            {chosen ? <span className="ml-2 text-base text-act">{say`chosen`}</span> : null}
          </span>
          <span className="block text-faint">
            {candidate.methodName}, {candidate.permanence === 'lasting' ? say`for good` : say`for now`}. {chosen ? candidate.why : ''}
          </span>
          {held ? <HeldHere seen={held} /> : null}
          {candidate.findings.map((finding) => (
            <span key={finding.rule} className="block text-sm">
              <strong className="text-resin">{finding.weight === 'to-buy' ? say`To buy` : say`Note`}:</strong> {finding.reason}
              {finding.layerName ? ` (${finding.layerName})` : ''}
            </span>
          ))}
        </span>
        <span>
          <span className="lettering block">{say`until usable`}</span>
          <span className="numeral block text-xl">{time}</span>
          <span className="block text-sm text-faint">{skillWords[candidate.skill]}</span>
        </span>
        <Marks marks={candidate.marks} score={candidate.score} />
      </button>
    </li>
  );
}

const skillWords = ['', say`forgiving`, say`some practice`, say`demanding`];

function Marks({ marks, score }: { marks: Candidate['marks']; score: number }) {
  const rows = [
    [say`fast`, marks.fast],
    [say`lasting`, marks.lasting],
    [say`tidy`, marks.tidy],
    [say`cheap`, marks.cheap],
  ] as const;
  return (
    <span className="block" aria-label={say`Score ${score.toFixed(1)} of 5`}>
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
          <button
            type="button"
            className="min-h-8 text-act underline underline-offset-4"
            onFocus={point}
            onBlur={leave}
            onClick={point}
          >{say`Show the layer`}</button>
        ) : null}
      </p>
      {vetoes.map((veto) => (
        <p key={veto.rule} className="text-sm">
          {veto.layerName ? <strong className="text-late">{say`Protects ${veto.layerName}:`} </strong> : null}
          {veto.reason} <span className="text-faint">{veto.source}</span>
        </p>
      ))}
    </li>
  );
}

const priorities = [
  ['fast', say`Fast`],
  ['lasting', say`Lasting`],
  ['tidy', say`Tidy`],
  ['cheap', say`Cheap`],
] as const;

const levels = [0, 1, 2, 3, 4, 5].map((level) => [String(level), String(level)] as const);

function Wishes({ desk, planned, catalogue }: { desk: MendDesk; planned: PlannedDamage; catalogue: Catalogue }) {
  const { units } = useUnits();
  const { repairCase, toMend, editDamage, edit } = desk;
  const weights = { fast: 2, lasting: 3, tidy: 2, cheap: 1, ...repairCase.wanted.weights };
  const lays = catalogue.materials.find((material) => material.role === 'cloth' && planned.patches.some((patch) => patch.cloth === material.id));
  // Only cloths of the same fibre: another one is another laminate, and its weight alone would not tell it apart.
  const cloths = catalogue.materials
    .filter((material) => material.role === 'cloth' && material.chemistry === lays?.chemistry)
    .toSorted((a, b) => (a.arealWeightGPerM2 ?? 0) - (b.arealWeightGPerM2 ?? 0));
  return (
    <section className="grid gap-x-6 gap-y-3 border-t-2 border-ink pt-3 sm:grid-cols-2">
      <h3 className="text-xl sm:col-span-2">{say`Priorities and approach`}</h3>
      {priorities.map(([name, label]) => (
        <Choice
          key={name}
          label={label}
          value={String(weights[name])}
          options={levels}
          onPick={(level) => edit((now) => withWanted(now, { weights: { ...weights, [name]: Number(level) } }))}
        />
      ))}
      {planned.schools.map((taken) => (
        <School key={taken.id} taken={taken} catalogue={catalogue} onPick={(option) => editDamage((now) => withSchool(now, taken.id, option))} />
      ))}
      {lays && cloths.length > 1 ? (
        <Choice
          label={say`Cloth`}
          value={toMend.choice?.cloth ?? planned.system?.cloth ?? lays.id}
          options={cloths.map((cloth) => [cloth.id, cloth.arealWeightGPerM2 ? measure(cloth.arealWeightGPerM2, 'g/m²', 0, units) : cloth.name] as const)}
          onPick={(cloth) => editDamage((now) => withChoice(now, { cloth }))}
        />
      ) : null}
    </section>
  );
}

/** A question on which practitioners disagree: both answers, and why the default is the default. */
function School({ taken, catalogue, onPick }: { taken: PlannedDamage['schools'][number]; catalogue: Catalogue; onPick: (option: string) => void }) {
  const school = catalogue.schools.find((each) => each.id === taken.id);
  if (!school) return null;
  return (
    <div>
      <Choice
        label={school.question}
        value={taken.option}
        options={school.options.map((option) => [option.id, option.id === school.default ? say`${option.name} (default)` : option.name] as const)}
        onPick={onPick}
      />
      <p className="mt-1 text-sm text-faint">{school.why}</p>
    </div>
  );
}

import { useState } from 'react';
import type { Catalogue, Construction, Problem, RepairCase, Schemas, Shape } from '../api/types';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Silhouette } from '../drawing/Silhouette';
import type { StageProps } from '../desk/StageProps';
import type { MendDesk } from '../desk/damageInHand';
import { Photographs } from '../desk/Photographs';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Problems } from '../ui/Notice';
import { MeasureField } from '../ui/MeasureField';
import { fromLocalField, toLocalField } from '../measures/time';
import { length, measure } from '../measures/units';
import { causeWords, kindWords, lightWords, warrantyWords } from '../ui/words';
import { reshaped, totalThicknessMm, unfamiliarKinds, usualAt, withBench, withKind, withLocation, withSeen, withWanted } from '../desk/edit';
import { Finds } from './Finds';
import { Measures } from './Measures';
import { VerdictBox } from './VerdictBox';
import { say } from '../words/say';

const entries = <T extends string>(words: Record<T, string>) => Object.entries(words) as [T, string][];
/** Kinds that may run right across, so that nothing carries any more. */
const runsAcross: ReadonlySet<Schemas['DamageKind']> = new Set(['crack', 'splinter', 'split', 'hole', 'parted']);
const shapeWords: Record<Shape['kind'], string> = { round: say`Round`, oval: say`Oval`, crack: say`Line`, traced: say`Traced` };

/** Look: where, what, how deep, how big, and what is wanted. The verdict stands beside it as it goes. */
export function LookStage({ desk, catalogue, goTo }: StageProps) {
  const { repairCase, change, problems, toMend } = desk;
  const construction = catalogue.constructions.find((each) => each.id === repairCase.item.construction);
  if (!construction) return null;
  const usual = catalogue.usualDamages[construction.id] ?? [];
  const frozen = desk.mend.status !== 'draft';
  return (
    <div className="flex flex-col gap-4">
      <VerdictBox desk={desk} onMatch={() => goTo('match')} />
      <Problems problems={problems} />
      <fieldset disabled={frozen} className="flex flex-col gap-4">
        <Silhouette
          construction={construction}
          value={toMend.seen.location}
          onPick={(location) => desk.editDamage((now) => withLocation(now, construction, usual, location))}
        />
        <DamageFields desk={desk} construction={construction} catalogue={catalogue} usual={usual} />
        <ItemFields repairCase={repairCase} change={change} />
        <BenchFields construction={construction} repairCase={repairCase} change={change} problems={problems} />
      </fieldset>
      <Photographs mendId={desk.mend.id} stepId={null} shows="at-intake" closed={desk.mend.closedAt !== null} />
      {frozen ? <p className="text-faint">{say`The plan is frozen: this mend is under way or closed.`}</p> : null}
    </div>
  );
}

interface FieldsProps {
  repairCase: RepairCase;
  change: (next: RepairCase) => void;
}

const isWrong = (problems: readonly Problem[], field: string) => problems.some((problem) => problem.field === field);

interface DamageProps {
  desk: MendDesk;
  construction: Construction;
  catalogue: Catalogue;
  usual: readonly Schemas['Damage'][];
}

function DamageFields({ desk, construction, catalogue, usual }: DamageProps) {
  const { units } = useUnits();
  const { toMend, editDamage, problems, number, planned } = desk;
  const { seen } = toMend;
  const set = (change: Partial<Schemas['Damage']>) => editDamage((now) => withSeen(now, change));
  const wrong = (field: string) => isWrong(problems, `damages[${number - 1}].seen.${field}`);
  const kinds = [...new Set(usualAt(usual, construction, seen.location).map((each) => each.kind))];
  const thicknessMm = totalThicknessMm(construction, seen.location);
  return (
    <>
      <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
        <KindOfDamage kind={seen.kind} usualKinds={kinds} usual={usual} onKind={(kind) => editDamage((now) => withKind(now, construction, usual, kind))} />
        {planned?.drawing.leads === 'above' ? (
          <GoesThrough depthMm={seen.depthMm} skinMm={planned.drawing.layers[0]!.thicknessMm} onDepth={(depthMm) => set({ depthMm })} />
        ) : (
          <MeasureField
            label={say`How deep? (${measure(thicknessMm, 'mm', thicknessMm < 10 ? 2 : 0, units)} thick here)`}
            path="damages[].seen.depthMm"
            value={seen.depthMm}
            step={{ metric: thicknessMm < 3 ? 0.05 : 0.5, us: 0.02 }}
            most={thicknessMm}
            wrong={wrong('depthMm')}
            onChange={(depthMm) => set({ depthMm })}
          />
        )}
      </div>
      <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
        <Choice label={say`Shape`} value={seen.shape.kind} options={entries(shapeWords)} onPick={(kind) => set({ shape: reshaped(seen.shape, kind) })} />
        <ShapeFields shape={seen.shape} onShape={(shape) => set({ shape })} isWrong={wrong} />
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Choice
          label={say`Wet inside?`}
          value={seen.wet ? 'wet' : 'dry'}
          options={[
            ['dry', say`Dry`],
            ['wet', say`Wet, or may be`],
          ]}
          onPick={(wet) => set({ wet: wet === 'wet' })}
        />
        <Choice label={say`How did it happen?`} value={seen.cause} options={entries(causeWords)} onPick={(cause) => set({ cause })} />
        {runsAcross.has(seen.kind) ? (
          <Choice
            label={say`From side to side?`}
            value={seen.acrossWholeWidth ? 'yes' : 'no'}
            options={[
              ['no', say`No`],
              ['yes', say`Yes, right across`],
            ]}
            onPick={(across) => set({ acrossWholeWidth: across === 'yes' })}
          />
        ) : null}
        {construction.pair ? (
          <Choice
            label={say`Which of the pair?`}
            value={seen.onMate ? 'mate' : 'this'}
            options={[
              ['this', say`This one`],
              ['mate', say`The other one`],
            ]}
            onPick={(which) => set({ onMate: which === 'mate' })}
          />
        ) : null}
      </div>
      <Measures toMend={toMend} construction={construction.id} edit={editDamage} isWrong={wrong} />
      <Finds key={number} toMend={toMend} construction={construction} catalogue={catalogue} edit={editDamage} before={desk.mend.foundBefore} />
      {seen.fin ? <FinFields fin={seen.fin} onChange={(fin) => set({ fin })} isWrong={wrong} /> : null}
    </>
  );
}

interface KindProps {
  kind: Schemas['DamageKind'];
  usualKinds: readonly Schemas['DamageKind'][];
  usual: readonly Schemas['Damage'][];
  onKind: (kind: Schemas['DamageKind']) => void;
}

/** What is usual at the place by a tap, and everything else from a list: what nobody thought of is no dead end. */
function KindOfDamage({ kind, usualKinds, usual, onKind }: KindProps) {
  const [asked, setAsked] = useState(false);
  const others = unfamiliarKinds(
    usual,
    entries(kindWords).map(([each]) => each),
  );
  const other = others.includes(kind);
  return (
    <div className="flex flex-col gap-2">
      <Choice
        label={say`Kind of damage`}
        value={asked || other ? 'other' : kind}
        options={[...usualKinds.map((each) => [each, kindWords[each]] as const), ['other', say`Something else`] as const]}
        onPick={(next) => {
          setAsked(next === 'other');
          if (next !== 'other') onKind(next);
        }}
      />
      {asked || other ? (
        <label className="flex flex-col gap-1">
          <span className="lettering">{say`What, then?`}</span>
          <select
            className="min-h-11 rounded-sm border-2 border-line bg-sheet px-3"
            value={other ? kind : ''}
            onChange={(event) => onKind(event.target.value as Schemas['DamageKind'])}
          >
            {other ? null : <option value="">{say`Choose`}</option>}
            {others.map((each) => (
              <option key={each} value={each}>
                {kindWords[each]}
              </option>
            ))}
          </select>
        </label>
      ) : null}
    </div>
  );
}

/** Damage of a skin goes through it, or is on its surface only: that is asked, and not a depth in hundredths. */
function GoesThrough({ depthMm, skinMm, onDepth }: { depthMm: number; skinMm: number; onDepth: (depthMm: number) => void }) {
  return (
    <Choice
      label={say`Does it go through?`}
      value={depthMm >= skinMm ? 'through' : 'surface'}
      options={[
        ['through', say`Through`],
        ['surface', say`Surface only`],
      ]}
      onPick={(answer) => onDepth(answer === 'through' ? skinMm : skinMm / 2)}
    />
  );
}

interface ShapeProps {
  shape: Shape;
  onShape: (shape: Shape) => void;
  isWrong: (field: string) => boolean;
}

function ShapeFields({ shape, onShape, isWrong }: ShapeProps) {
  const step = { metric: 1, us: 0.1 };
  if (shape.kind === 'round') {
    return (
      <MeasureField
        label={say`Across`}
        path="damages[].seen.shape.diameterMm"
        value={shape.diameterMm}
        step={step}
        wrong={isWrong('shape.diameterMm')}
        onChange={(diameterMm) => onShape({ ...shape, diameterMm })}
      />
    );
  }
  if (shape.kind === 'traced') return <TraceFields points={shape.points} onChange={(points) => onShape({ kind: 'traced', points })} />;
  return (
    <div className="grid grid-cols-2 gap-2">
      <MeasureField
        label={say`Length`}
        path="damages[].seen.shape.lengthMm"
        value={shape.lengthMm}
        step={step}
        wrong={isWrong('shape.lengthMm')}
        onChange={(lengthMm) => onShape({ ...shape, lengthMm })}
      />
      <MeasureField
        label={say`Width`}
        path="damages[].seen.shape.widthMm"
        value={shape.widthMm}
        step={step}
        wrong={isWrong('shape.widthMm')}
        onChange={(widthMm) => onShape({ ...shape, widthMm })}
      />
    </div>
  );
}

/** A traced outline: tapped on the plan view, or keyed as pairs. */
function TraceFields({ points, onChange }: { points: readonly Schemas['PointMm'][]; onChange: (points: Schemas['PointMm'][]) => void }) {
  const { units } = useUnits();
  const text = points.map((point) => `${length.shown(point.x, units)},${length.shown(point.y, units)}`).join(' ');
  const kept = (shown: number | undefined) => length.kept(shown ?? Number.NaN, units);
  return (
    <div>
      <label>
        <span className="lettering mb-1 block">{say`Points from the middle, in ${length.unit(units)}: tap the plan view, or key pairs`}</span>
        <input
          key={text}
          defaultValue={text}
          className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-2"
          onBlur={(event) => {
            const pairs = event.target.value
              .split(/\s+/)
              .filter(Boolean)
              .map((pair) => pair.split(',').map(Number));
            const next = pairs.map(([x, y]) => ({ x: kept(x), y: kept(y) }));
            if (event.target.value !== text) onChange(next);
          }}
        />
      </label>
      <div className="mt-1 flex gap-2">
        <Button onClick={() => onChange(points.slice(0, -1))}>{say`Undo last point`}</Button>
        <Button onClick={() => onChange([])}>{say`Start over`}</Button>
      </div>
    </div>
  );
}

function FinFields({
  fin,
  onChange,
  isWrong,
}: {
  fin: Schemas['FinCheck'];
  onChange: (fin: Schemas['FinCheck']) => void;
  isWrong: (field: string) => boolean;
}) {
  return (
    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-3">
      <Choice
        label={say`Fin rocked by hand`}
        value={fin.rocks ? 'rocks' : 'firm'}
        options={[
          ['firm', say`Firm`],
          ['rocks', say`Rocks`],
        ]}
        onPick={(rocks) => onChange({ ...fin, rocks: rocks === 'rocks' })}
      />
      <MeasureField
        label={say`Cant of this fin`}
        path="damages[].seen.fin.cantDeg"
        value={fin.cantDeg}
        step={0.5}
        wrong={isWrong('fin.cantDeg')}
        onChange={(cantDeg) => onChange({ ...fin, cantDeg })}
      />
      <MeasureField
        label={say`Cant of its twin`}
        path="damages[].seen.fin.twinCantDeg"
        value={fin.twinCantDeg}
        step={0.5}
        wrong={isWrong('fin.twinCantDeg')}
        onChange={(twinCantDeg) => onChange({ ...fin, twinCantDeg })}
      />
    </div>
  );
}

function ItemFields({ repairCase, change }: FieldsProps) {
  const zone = useZone();
  const { item, wanted } = repairCase;
  return (
    <div className="grid gap-x-5 gap-y-3 border-t border-line pt-3 sm:grid-cols-2">
      <Choice
        label={say`Warranty`}
        value={item.warranty}
        options={entries(warrantyWords)}
        onPick={(warranty) => change({ ...repairCase, item: { ...item, warranty } })}
      />
      <Choice
        label={say`How long should it last?`}
        value={wanted.permanence ?? 'lasting'}
        options={[
          ['lasting', say`For good`],
          ['for-now', say`For now`],
        ]}
        onPick={(permanence) => change(withWanted(repairCase, { permanence }))}
      />
      <label>
        <span className="lettering mb-1 block">{say`Needed by`}</span>
        <input
          type="datetime-local"
          className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3"
          value={wanted.neededBy ? toLocalField(wanted.neededBy, zone) : ''}
          onChange={(event) => change(withWanted(repairCase, { neededBy: fromLocalField(event.target.value, zone) }))}
        />
      </label>
      <Choice
        label={say`Mended here before with`}
        value={item.earlierMend ?? 'nothing'}
        options={[
          ['nothing', say`Nothing`],
          ['polyester', say`Polyester`],
          ['epoxy', say`Epoxy`],
        ]}
        onPick={(before) => change({ ...repairCase, item: { ...item, earlierMend: before === 'nothing' ? null : before } })}
      />
    </div>
  );
}

function BenchFields({ repairCase, construction, change, problems }: FieldsProps & { construction: Construction; problems: readonly Problem[] }) {
  const { bench, wanted } = repairCase;
  return (
    <div className="grid gap-x-5 gap-y-3 border-t border-line pt-3 sm:grid-cols-3">
      <MeasureField
        label={say`Bench`}
        path="bench.temperatureC"
        value={bench.temperatureC}
        step={1}
        wrong={isWrong(problems, 'bench.temperatureC')}
        onChange={(temperatureC) => change(withBench(repairCase, { temperatureC }))}
      />
      <MeasureField
        label={say`Humidity`}
        path="bench.relativeHumidityPercent"
        value={bench.relativeHumidityPercent}
        step={1}
        wrong={isWrong(problems, 'bench.relativeHumidityPercent')}
        onChange={(relativeHumidityPercent) => change(withBench(repairCase, { relativeHumidityPercent }))}
      />
      <MeasureField
        label={say`Hottest in use`}
        path="wanted.hottestInUseC"
        value={wanted.hottestInUseC}
        step={5}
        wrong={isWrong(problems, 'wanted.hottestInUseC')}
        onChange={(hottestInUseC) => change(withWanted(repairCase, { hottestInUseC }))}
      />
      {construction.pressureKpa == null ? null : (
        <MeasureField
          label={say`Highest altitude in use`}
          path="wanted.usedAtM"
          value={wanted.usedAtM ?? bench.altitudeM}
          step={100}
          wrong={isWrong(problems, 'wanted.usedAtM')}
          onChange={(usedAtM) => change(withWanted(repairCase, { usedAtM }))}
        />
      )}
      {construction.family === 'boards' ? (
        <Choice
          label={say`Tint bare foam`}
          value={wanted.tint ? 'yes' : 'no'}
          options={[
            ['no', say`No`],
            ['yes', say`Yes`],
          ]}
          onPick={(tint) => change(withWanted(repairCase, { tint: tint === 'yes' }))}
        />
      ) : null}
      <div className="sm:col-span-3">
        <Choice
          label={say`Light for light-cured resin`}
          value={bench.light ?? 'full-sun'}
          options={entries(lightWords)}
          onPick={(light) => change(withBench(repairCase, { light }))}
        />
      </div>
    </div>
  );
}

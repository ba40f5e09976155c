import type { Catalogue, Construction, Problem, RepairCase, Schemas, Shape } from '../api/types';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Silhouette } from '../drawing/Silhouette';
import type { StageProps } from '../desk/StageProps';
import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { useLimits } from '../ui/limits';
import { Problems } from '../ui/Notice';
import { NumberField } from '../ui/NumberField';
import { fromLocalField, toLocalField } from '../measures/time';
import { altitude, length, temperature } from '../measures/units';
import { causeWords, kindWords, lightWords, warrantyWords } from '../ui/words';
import { reshaped, totalThicknessMm, usualAt, withBench, withKind, withLocation, withSeen, withWanted } from '../desk/edit';
import { Finds } from './Finds';
import { Measures } from './Measures';
import { VerdictBox } from './VerdictBox';

const entries = <T extends string>(words: Record<T, string>) => Object.entries(words) as [T, string][];
const shapeWords: Record<Shape['kind'], string> = { round: 'Round', oval: 'Oval', crack: 'Line', traced: 'Traced' };

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
      {frozen ? <p className="text-faint">The plan is frozen: this mend is under way or closed.</p> : null}
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
  const limits = useLimits();
  const { toMend, editDamage, problems, number, planned } = desk;
  const { seen } = toMend;
  const set = (change: Partial<Schemas['Damage']>) => editDamage((now) => withSeen(now, change));
  const wrong = (field: string) => isWrong(problems, `damages[${number - 1}].seen.${field}`);
  const kinds = [...new Set(usualAt(usual, construction, seen.location).map((each) => each.kind))].map((kind) => [kind, kindWords[kind]] as const);
  const thin = totalThicknessMm(construction, seen.location) < 3;
  const step = units === 'us' ? 0.02 : thin ? 0.05 : 0.5;
  return (
    <>
      <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
        <Choice label="Kind of damage" value={seen.kind} options={kinds} onPick={(kind) => editDamage((now) => withKind(now, construction, usual, kind))} />
        {planned?.drawing.leads === 'above' ? (
          <GoesThrough depthMm={seen.depthMm} skinMm={planned.drawing.layers[0]!.thicknessMm} onDepth={(depthMm) => set({ depthMm })} />
        ) : (
          <NumberField
            label={`How deep? (${length.shown(totalThicknessMm(construction, seen.location), units)} ${length.unit(units)} thick here)`}
            value={length.shown(seen.depthMm, units)}
            unit={length.unit(units)}
            step={step}
            wrong={wrong('depthMm')}
            limits={limits('damages[].seen.depthMm', (mm) => length.shown(Math.min(mm, totalThicknessMm(construction, seen.location)), units))}
            onChange={(value) => set({ depthMm: length.kept(value, units) })}
          />
        )}
      </div>
      <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
        <Choice label="Shape" value={seen.shape.kind} options={entries(shapeWords)} onPick={(kind) => set({ shape: reshaped(seen.shape, kind) })} />
        <ShapeFields shape={seen.shape} onShape={(shape) => set({ shape })} isWrong={wrong} />
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Choice
          label="Wet inside?"
          value={seen.wet ? 'wet' : 'dry'}
          options={[
            ['dry', 'Dry'],
            ['wet', 'Wet, or may be'],
          ]}
          onPick={(wet) => set({ wet: wet === 'wet' })}
        />
        <Choice label="How did it happen?" value={seen.cause} options={entries(causeWords)} onPick={(cause) => set({ cause })} />
        {seen.kind === 'crack' || seen.kind === 'splinter' ? (
          <Choice
            label="From side to side?"
            value={seen.acrossWholeWidth ? 'yes' : 'no'}
            options={[
              ['no', 'No'],
              ['yes', 'Yes, right across'],
            ]}
            onPick={(across) => set({ acrossWholeWidth: across === 'yes' })}
          />
        ) : null}
        {construction.pair ? (
          <Choice
            label="Which of the pair?"
            value={seen.onMate ? 'mate' : 'this'}
            options={[
              ['this', 'This one'],
              ['mate', 'The other one'],
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

/** Damage of a skin goes through it, or is on its surface only: that is asked, and not a depth in hundredths. */
function GoesThrough({ depthMm, skinMm, onDepth }: { depthMm: number; skinMm: number; onDepth: (depthMm: number) => void }) {
  return (
    <Choice
      label="Does it go through?"
      value={depthMm >= skinMm ? 'through' : 'surface'}
      options={[
        ['through', 'Through'],
        ['surface', 'Surface only'],
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
  const { units } = useUnits();
  const limits = useLimits();
  const unit = length.unit(units);
  const step = units === 'us' ? 0.1 : 1;
  if (shape.kind === 'round') {
    return (
      <NumberField
        label="Across"
        value={length.shown(shape.diameterMm, units)}
        unit={unit}
        step={step}
        wrong={isWrong('shape.diameterMm')}
        limits={limits('damages[].seen.shape.diameterMm', (mm) => length.shown(mm, units))}
        onChange={(value) => onShape({ ...shape, diameterMm: length.kept(value, units) })}
      />
    );
  }
  if (shape.kind === 'traced') return <TraceFields points={shape.points} onChange={(points) => onShape({ kind: 'traced', points })} />;
  return (
    <div className="grid grid-cols-2 gap-2">
      <NumberField
        label="Length"
        value={length.shown(shape.lengthMm, units)}
        unit={unit}
        step={step}
        wrong={isWrong('shape.lengthMm')}
        limits={limits('damages[].seen.shape.lengthMm', (mm) => length.shown(mm, units))}
        onChange={(value) => onShape({ ...shape, lengthMm: length.kept(value, units) })}
      />
      <NumberField
        label="Width"
        value={length.shown(shape.widthMm, units)}
        unit={unit}
        step={step}
        wrong={isWrong('shape.widthMm')}
        limits={limits('damages[].seen.shape.widthMm', (mm) => length.shown(mm, units))}
        onChange={(value) => onShape({ ...shape, widthMm: length.kept(value, units) })}
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
        <span className="lettering mb-1 block">Points in {units === 'us' ? 'inches' : 'mm'} from the middle: tap the plan view, or key pairs</span>
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
        <Button onClick={() => onChange(points.slice(0, -1))}>Undo last point</Button>
        <Button onClick={() => onChange([])}>Start over</Button>
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
  const limits = useLimits();
  return (
    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-3">
      <Choice
        label="Fin rocked by hand"
        value={fin.rocks ? 'rocks' : 'firm'}
        options={[
          ['firm', 'Firm'],
          ['rocks', 'Rocks'],
        ]}
        onPick={(rocks) => onChange({ ...fin, rocks: rocks === 'rocks' })}
      />
      <NumberField
        label="Cant of this fin"
        value={fin.cantDeg}
        unit="°"
        step={0.5}
        wrong={isWrong('fin.cantDeg')}
        limits={limits('damages[].seen.fin.cantDeg')}
        onChange={(cantDeg) => onChange({ ...fin, cantDeg })}
      />
      <NumberField
        label="Cant of its twin"
        value={fin.twinCantDeg}
        unit="°"
        step={0.5}
        wrong={isWrong('fin.twinCantDeg')}
        limits={limits('damages[].seen.fin.twinCantDeg')}
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
        label="Warranty"
        value={item.warranty}
        options={entries(warrantyWords)}
        onPick={(warranty) => change({ ...repairCase, item: { ...item, warranty } })}
      />
      <Choice
        label="How long should it last?"
        value={wanted.permanence ?? 'lasting'}
        options={[
          ['lasting', 'For good'],
          ['for-now', 'For now'],
        ]}
        onPick={(permanence) => change(withWanted(repairCase, { permanence }))}
      />
      <label>
        <span className="lettering mb-1 block">Needed by</span>
        <input
          type="datetime-local"
          className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3"
          value={wanted.neededBy ? toLocalField(wanted.neededBy, zone) : ''}
          onChange={(event) => change(withWanted(repairCase, { neededBy: fromLocalField(event.target.value, zone) }))}
        />
      </label>
      <Choice
        label="Mended here before with"
        value={item.earlierMend ?? 'nothing'}
        options={[
          ['nothing', 'Nothing'],
          ['polyester', 'Polyester'],
          ['epoxy', 'Epoxy'],
        ]}
        onPick={(before) => change({ ...repairCase, item: { ...item, earlierMend: before === 'nothing' ? null : before } })}
      />
    </div>
  );
}

function BenchFields({ repairCase, construction, change, problems }: FieldsProps & { construction: Construction; problems: readonly Problem[] }) {
  const { units } = useUnits();
  const limits = useLimits();
  const { bench, wanted } = repairCase;
  return (
    <div className="grid gap-x-5 gap-y-3 border-t border-line pt-3 sm:grid-cols-3">
      <NumberField
        label="Bench"
        value={temperature.shown(bench.temperatureC, units)}
        unit={temperature.unit(units)}
        step={1}
        wrong={isWrong(problems, 'bench.temperatureC')}
        limits={limits('bench.temperatureC', (c) => temperature.shown(c, units))}
        onChange={(value) => change(withBench(repairCase, { temperatureC: temperature.kept(value, units) }))}
      />
      <NumberField
        label="Humidity"
        value={bench.relativeHumidityPercent}
        unit="%"
        step={1}
        wrong={isWrong(problems, 'bench.relativeHumidityPercent')}
        limits={limits('bench.relativeHumidityPercent')}
        onChange={(relativeHumidityPercent) => change(withBench(repairCase, { relativeHumidityPercent }))}
      />
      <NumberField
        label="Hottest in use"
        value={temperature.shown(wanted.hottestInUseC, units)}
        unit={temperature.unit(units)}
        step={5}
        wrong={isWrong(problems, 'wanted.hottestInUseC')}
        limits={limits('wanted.hottestInUseC', (c) => temperature.shown(c, units))}
        onChange={(value) => change(withWanted(repairCase, { hottestInUseC: temperature.kept(value, units) }))}
      />
      {construction.pressureKpa == null ? null : (
        <NumberField
          label="Highest altitude in use"
          value={altitude.shown(wanted.usedAtM ?? bench.altitudeM, units)}
          unit={altitude.unit(units)}
          step={100}
          wrong={isWrong(problems, 'wanted.usedAtM')}
          limits={limits('wanted.usedAtM', (m) => altitude.shown(m, units))}
          onChange={(value) => change(withWanted(repairCase, { usedAtM: altitude.kept(value, units) }))}
        />
      )}
      {construction.family === 'boards' ? (
        <Choice
          label="Tint bare foam"
          value={wanted.tint ? 'yes' : 'no'}
          options={[
            ['no', 'No'],
            ['yes', 'Yes'],
          ]}
          onPick={(tint) => change(withWanted(repairCase, { tint: tint === 'yes' }))}
        />
      ) : null}
      <div className="sm:col-span-3">
        <Choice
          label="Light for light-cured resin"
          value={bench.light ?? 'full-sun'}
          options={entries(lightWords)}
          onPick={(light) => change(withBench(repairCase, { light }))}
        />
      </div>
    </div>
  );
}

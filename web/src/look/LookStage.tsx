import type { Catalogue, Construction, MendView, Problem, RepairCase, Schemas, Shape } from '../api/types';
import { useUnits } from '../app/units';
import { useZone } from '../app/zone';
import { Silhouette } from '../drawing/Silhouette';
import type { StageProps } from '../mend/MendPage';
import type { MendDesk } from '../mend/useMend';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Problems } from '../ui/Notice';
import { NumberField } from '../ui/NumberField';
import { fromLocalField, toLocalField } from '../ui/time';
import { altitude, length, temperature } from '../ui/units';
import { causeWords, kindWords, lightWords, warrantyWords } from '../ui/words';
import { kindsAt, reshaped, totalThicknessMm, withBench, withDamage, withKind, withLocation, withWanted } from './edit';
import { Finds } from './Finds';
import { Measures } from './Measures';
import { VerdictBox } from './VerdictBox';

const entries = <T extends string>(words: Record<T, string>) => Object.entries(words) as [T, string][];
const shapeWords: Record<Shape['kind'], string> = { round: 'Round', oval: 'Oval', crack: 'Line', traced: 'Traced' };

/** Look: where, what, how deep, how big, and what is wanted. The verdict stands beside it as it goes. */
export function LookStage({ desk, catalogue, goTo }: StageProps) {
  const { repairCase, change, problems } = desk;
  const construction = catalogue.constructions.find((each) => each.id === repairCase.item.construction);
  if (!construction) return null;
  const frozen = desk.mend.status !== 'draft';
  return (
    <div className="flex flex-col gap-4">
      <VerdictBox desk={desk} onMatch={() => goTo('match')} />
      <Problems problems={problems} />
      <fieldset disabled={frozen} className="flex flex-col gap-4">
        <Silhouette construction={construction} value={repairCase.damage.location} onPick={(location) => change(withLocation(repairCase, construction, location))} />
        <DamageFields desk={desk} repairCase={repairCase} construction={construction} catalogue={catalogue} change={change} problems={problems} before={desk.mend.foundBefore} />
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

interface DamageProps extends FieldsProps {
  desk: MendDesk;
  construction: Construction;
  catalogue: Catalogue;
  problems: readonly Problem[];
  before: MendView['foundBefore'];
}

function DamageFields({ desk, repairCase, construction, catalogue, change, problems, before }: DamageProps) {
  const { units } = useUnits();
  const { damage } = repairCase;
  const kinds = [...new Set(kindsAt(construction, damage.location).map((usual) => usual.kind))].map((kind) => [kind, kindWords[kind]] as const);
  const thin = totalThicknessMm(construction, damage.location) < 3;
  const step = units === 'us' ? 0.02 : thin ? 0.05 : 0.5;
  return (
    <>
      <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
        <Choice label="What is it?" value={damage.kind} options={kinds} onPick={(kind) => change(withKind(repairCase, construction, kind))} />
        {desk.plan?.drawing.leads === 'above' ? (
          <GoesThrough repairCase={repairCase} skinMm={desk.plan.drawing.layers[0]!.thicknessMm} change={change} />
        ) : (
          <NumberField
            label={`How deep? (${length.shown(totalThicknessMm(construction, damage.location), units)} ${length.unit(units)} thick here)`}
            value={length.shown(damage.depthMm, units)}
            unit={length.unit(units)}
            step={step}
            wrong={isWrong(problems, 'damage.depthMm')}
            onChange={(value) => change(withDamage(repairCase, { depthMm: length.kept(value, units) }))}
          />
        )}
      </div>
      <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
        <Choice label="Its shape" value={damage.shape.kind} options={entries(shapeWords)} onPick={(kind) => change(withDamage(repairCase, { shape: reshaped(damage.shape, kind) }))} />
        <ShapeFields repairCase={repairCase} change={change} problems={problems} />
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Choice label="Wet inside?" value={damage.wet ? 'wet' : 'dry'} options={[['dry', 'Dry'], ['wet', 'Wet, or may be']]} onPick={(wet) => change(withDamage(repairCase, { wet: wet === 'wet' }))} />
        <Choice label="How did it happen?" value={damage.cause} options={entries(causeWords)} onPick={(cause) => change(withDamage(repairCase, { cause }))} />
        {damage.kind === 'crack' || damage.kind === 'splinter' ? (
          <Choice label="From side to side?" value={damage.acrossWholeWidth ? 'yes' : 'no'} options={[['no', 'No'], ['yes', 'Yes, right across']]} onPick={(across) => change(withDamage(repairCase, { acrossWholeWidth: across === 'yes' }))} />
        ) : null}
      </div>
      <Measures repairCase={repairCase} change={change} problems={problems} />
      <Finds repairCase={repairCase} construction={construction} catalogue={catalogue} change={change} before={before} />
      {damage.fin ? <FinFields fin={damage.fin} onChange={(fin) => change(withDamage(repairCase, { fin }))} problems={problems} /> : null}
    </>
  );
}

/** What is hurt in a skin is hurt through, or on its surface only: that is asked, and not a depth in hundredths. */
function GoesThrough({ repairCase, skinMm, change }: FieldsProps & { skinMm: number }) {
  const through = repairCase.damage.depthMm >= skinMm;
  return (
    <Choice
      label="Does it go through?"
      value={through ? 'through' : 'surface'}
      options={[['through', 'Through'], ['surface', 'Surface only']]}
      onPick={(answer) => change(withDamage(repairCase, { depthMm: answer === 'through' ? skinMm : skinMm / 2 }))}
    />
  );
}

function ShapeFields({ repairCase, change, problems }: FieldsProps & { problems: readonly Problem[] }) {
  const { units } = useUnits();
  const shape = repairCase.damage.shape;
  const unit = length.unit(units);
  const step = units === 'us' ? 0.1 : 1;
  const set = (next: Shape) => change(withDamage(repairCase, { shape: next }));
  if (shape.kind === 'round') {
    return (
      <NumberField label="Across" value={length.shown(shape.diameterMm, units)} unit={unit} step={step} wrong={isWrong(problems, 'damage.shape.diameterMm')} onChange={(value) => set({ ...shape, diameterMm: length.kept(value, units) })} />
    );
  }
  if (shape.kind === 'traced') return <TraceFields points={shape.points} onChange={(points) => set({ kind: 'traced', points })} />;
  return (
    <div className="grid grid-cols-2 gap-2">
      <NumberField label="Length" value={length.shown(shape.lengthMm, units)} unit={unit} step={step} wrong={isWrong(problems, 'damage.shape.lengthMm')} onChange={(value) => set({ ...shape, lengthMm: length.kept(value, units) })} />
      <NumberField label="Width" value={length.shown(shape.widthMm, units)} unit={unit} step={step} wrong={isWrong(problems, 'damage.shape.widthMm')} onChange={(value) => set({ ...shape, widthMm: length.kept(value, units) })} />
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
            const pairs = event.target.value.split(/\s+/).filter(Boolean).map((pair) => pair.split(',').map(Number));
            const next = pairs.map(([x, y]) => ({ x: kept(x), y: kept(y) }));
            if (event.target.value !== text) onChange(next);
          }}
        />
      </label>
      <div className="mt-1 flex gap-2">
        <Button onClick={() => onChange(points.slice(0, -1))}>Take the last point back</Button>
        <Button onClick={() => onChange([])}>Trace anew</Button>
      </div>
    </div>
  );
}

function FinFields({ fin, onChange, problems }: { fin: Schemas['FinCheck']; onChange: (fin: Schemas['FinCheck']) => void; problems: readonly Problem[] }) {
  return (
    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-3">
      <Choice label="Fin in, rock it" value={fin.rocks ? 'rocks' : 'firm'} options={[['firm', 'Firm'], ['rocks', 'Rocks']]} onPick={(rocks) => onChange({ ...fin, rocks: rocks === 'rocks' })} />
      <NumberField label="Cant of this fin" value={fin.cantDeg} unit="°" step={0.5} wrong={isWrong(problems, 'damage.fin.cantDeg')} onChange={(cantDeg) => onChange({ ...fin, cantDeg })} />
      <NumberField label="Cant of its twin" value={fin.twinCantDeg} unit="°" step={0.5} wrong={isWrong(problems, 'damage.fin.twinCantDeg')} onChange={(twinCantDeg) => onChange({ ...fin, twinCantDeg })} />
    </div>
  );
}

function ItemFields({ repairCase, change }: FieldsProps) {
  const zone = useZone();
  const { item, wanted } = repairCase;
  return (
    <div className="grid gap-x-5 gap-y-3 border-t border-line pt-3 sm:grid-cols-2">
      <Choice label="Warranty" value={item.warranty} options={entries(warrantyWords)} onPick={(warranty) => change({ ...repairCase, item: { ...item, warranty } })} />
      <Choice label="It should hold" value={wanted.permanence ?? 'lasting'} options={[['lasting', 'For good'], ['for-now', 'For now']]} onPick={(permanence) => change(withWanted(repairCase, { permanence }))} />
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
        options={[['nothing', 'Nothing'], ['polyester', 'Polyester'], ['epoxy', 'Epoxy']]}
        onPick={(before) => change({ ...repairCase, item: { ...item, earlierMend: before === 'nothing' ? null : before } })}
      />
    </div>
  );
}

function BenchFields({ repairCase, construction, change, problems }: FieldsProps & { construction: Construction; problems: readonly Problem[] }) {
  const { units } = useUnits();
  const { bench, wanted } = repairCase;
  return (
    <div className="grid gap-x-5 gap-y-3 border-t border-line pt-3 sm:grid-cols-3">
      <NumberField label="Bench" value={temperature.shown(bench.temperatureC, units)} unit={temperature.unit(units)} step={1} wrong={isWrong(problems, 'bench.temperatureC')} onChange={(value) => change(withBench(repairCase, { temperatureC: temperature.kept(value, units) }))} />
      <NumberField label="Humidity" value={bench.relativeHumidityPercent} unit="%" step={1} wrong={isWrong(problems, 'bench.relativeHumidityPercent')} onChange={(relativeHumidityPercent) => change(withBench(repairCase, { relativeHumidityPercent }))} />
      <NumberField label="Hottest in use" value={temperature.shown(wanted.hottestInUseC ?? 45, units)} unit={temperature.unit(units)} step={5} wrong={isWrong(problems, 'wanted.hottestInUseC')} onChange={(value) => change(withWanted(repairCase, { hottestInUseC: temperature.kept(value, units) }))} />
      {construction.pressureKpa == null ? null : (
        <NumberField label="Used as high as" value={altitude.shown(wanted.usedAtM ?? bench.altitudeM ?? 0, units)} unit={altitude.unit(units)} step={100} wrong={isWrong(problems, 'wanted.usedAtM')} onChange={(value) => change(withWanted(repairCase, { usedAtM: altitude.kept(value, units) }))} />
      )}
      {construction.family === 'boards' ? (
        <Choice label="Tint bare foam" value={wanted.tint ? 'yes' : 'no'} options={[['no', 'No'], ['yes', 'Yes']]} onPick={(tint) => change(withWanted(repairCase, { tint: tint === 'yes' }))} />
      ) : null}
      <div className="sm:col-span-3">
        <Choice label="Light for light-cured resin" value={bench.light ?? 'full-sun'} options={entries(lightWords)} onPick={(light) => change(withBench(repairCase, { light }))} />
      </div>
    </div>
  );
}

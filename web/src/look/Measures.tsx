import type { Problem, RepairCase } from '../api/types';
import { useUnits } from '../app/units';
import { Choice } from '../ui/Choice';
import { NumberField } from '../ui/NumberField';
import { length } from '../ui/units';
import { withDamage } from './edit';

interface Props {
  repairCase: RepairCase;
  change: (next: RepairCase) => void;
  problems: readonly Problem[];
}

/** The measurements that only some kinds of damage have: the opening of a seam, what is gone, how many glue lines. */
export function Measures({ repairCase, change, problems }: Props) {
  const { units } = useUnits();
  const { damage } = repairCase;
  const unit = length.unit(units);
  const wrong = (field: string) => problems.some((problem) => problem.field === field);
  const stanchion = damage.kind === 'scratch' && repairCase.item.construction === 'fork-stanchion';
  if (damage.gapMm == null && damage.missingMm == null && damage.plies == null && !stanchion) return null;
  return (
    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-3">
      {damage.gapMm != null ? (
        <NumberField label="How far open?" value={length.shown(damage.gapMm, units)} unit={unit} step={units === 'us' ? 0.02 : 0.5} wrong={wrong('damage.gapMm')} onChange={(value) => change(withDamage(repairCase, { gapMm: length.kept(value, units) }))} />
      ) : null}
      {damage.missingMm != null ? (
        <NumberField label="How much is gone?" value={length.shown(damage.missingMm, units)} unit={unit} step={units === 'us' ? 0.02 : 0.5} wrong={wrong('damage.missingMm')} onChange={(value) => change(withDamage(repairCase, { missingMm: length.kept(value, units) }))} />
      ) : null}
      {damage.plies != null ? (
        <NumberField label="Glue lines parted" value={damage.plies} unit="" step={1} wrong={wrong('damage.plies')} onChange={(plies) => change(withDamage(repairCase, { plies }))} />
      ) : null}
      {stanchion ? (
        <Choice label="Burrs off: does a nail still catch?" value={damage.edgeCatches == null ? 'untried' : damage.edgeCatches ? 'yes' : 'no'} options={[['untried', 'Not tried'], ['no', 'No'], ['yes', 'Yes']]} onPick={(catches) => change(withDamage(repairCase, { edgeCatches: catches === 'untried' ? null : catches === 'yes' }))} />
      ) : null}
    </div>
  );
}

import type { DamageToMend } from '../api/types';
import { useUnits } from '../shop/units';
import { Choice } from '../ui/Choice';
import { NumberField } from '../ui/NumberField';
import { length } from '../measures/units';
import { withSeen } from '../desk/edit';

interface Props {
  toMend: DamageToMend;
  construction: string;
  edit: (how: (damage: DamageToMend) => DamageToMend) => void;
  isWrong: (field: string) => boolean;
}

/** The measurements that only some kinds of damage have: the opening of a seam, what is gone, how many glue lines. */
export function Measures({ toMend, construction, edit, isWrong }: Props) {
  const { units } = useUnits();
  const { seen: damage } = toMend;
  const unit = length.unit(units);
  const stanchion = damage.kind === 'scratch' && construction === 'fork-stanchion';
  if (damage.gapMm == null && damage.missingMm == null && damage.plies == null && !stanchion) return null;
  return (
    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-3">
      {damage.gapMm != null ? (
        <NumberField
          label="How wide is the gap?"
          value={length.shown(damage.gapMm, units)}
          unit={unit}
          step={units === 'us' ? 0.02 : 0.5}
          wrong={isWrong('gapMm')}
          onChange={(value) => edit((now) => withSeen(now, { gapMm: length.kept(value, units) }))}
        />
      ) : null}
      {damage.missingMm != null ? (
        <NumberField
          label="How much is missing?"
          value={length.shown(damage.missingMm, units)}
          unit={unit}
          step={units === 'us' ? 0.02 : 0.5}
          wrong={isWrong('missingMm')}
          onChange={(value) => edit((now) => withSeen(now, { missingMm: length.kept(value, units) }))}
        />
      ) : null}
      {damage.plies != null ? (
        <NumberField
          label="Glue lines parted"
          value={damage.plies}
          unit=""
          step={1}
          wrong={isWrong('plies')}
          onChange={(plies) => edit((now) => withSeen(now, { plies }))}
        />
      ) : null}
      {stanchion ? (
        <Choice
          label="Burrs off: does a nail still catch?"
          value={damage.edgeCatches == null ? 'untried' : damage.edgeCatches ? 'yes' : 'no'}
          options={[
            ['untried', 'Not tried'],
            ['no', 'No'],
            ['yes', 'Yes'],
          ]}
          onPick={(catches) => edit((now) => withSeen(now, { edgeCatches: catches === 'untried' ? null : catches === 'yes' }))}
        />
      ) : null}
    </div>
  );
}

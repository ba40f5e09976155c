import type { DamageToMend } from '../api/types';
import { Choice } from '../ui/Choice';
import { MeasureField } from '../ui/MeasureField';
import { withSeen } from '../desk/edit';
import { say } from '../words/say';

interface Props {
  toMend: DamageToMend;
  construction: string;
  edit: (how: (damage: DamageToMend) => DamageToMend) => void;
  isWrong: (field: string) => boolean;
}

/** The measurements that only some kinds of damage have: the opening of a seam, what is gone, how many glue lines. */
export function Measures({ toMend, construction, edit, isWrong }: Props) {
  const { seen: damage } = toMend;
  const stanchion = damage.kind === 'scratch' && construction === 'fork-stanchion';
  if (damage.gapMm == null && damage.missingMm == null && damage.plies == null && !stanchion) return null;
  return (
    <div className="grid gap-x-5 gap-y-3 sm:grid-cols-3">
      {damage.gapMm != null ? (
        <MeasureField
          label={say`How wide is the gap?`}
          path="damages[].seen.gapMm"
          value={damage.gapMm}
          step={{ metric: 0.5, us: 0.02 }}
          wrong={isWrong('gapMm')}
          onChange={(gapMm) => edit((now) => withSeen(now, { gapMm }))}
        />
      ) : null}
      {damage.missingMm != null ? (
        <MeasureField
          label={say`How much is missing?`}
          path="damages[].seen.missingMm"
          value={damage.missingMm}
          step={{ metric: 0.5, us: 0.02 }}
          wrong={isWrong('missingMm')}
          onChange={(missingMm) => edit((now) => withSeen(now, { missingMm }))}
        />
      ) : null}
      {damage.plies != null ? (
        <MeasureField
          label={say`Glue lines parted`}
          path="damages[].seen.plies"
          value={damage.plies}
          step={1}
          wrong={isWrong('plies')}
          onChange={(plies) => edit((now) => withSeen(now, { plies }))}
        />
      ) : null}
      {stanchion ? (
        <Choice
          label={say`Burrs off: does a nail still catch?`}
          value={damage.edgeCatches == null ? 'untried' : damage.edgeCatches ? 'yes' : 'no'}
          options={[
            ['untried', say`Not tried`],
            ['no', say`No`],
            ['yes', say`Yes`],
          ]}
          onPick={(catches) => edit((now) => withSeen(now, { edgeCatches: catches === 'untried' ? null : catches === 'yes' }))}
        />
      ) : null}
    </div>
  );
}

import type { MendDesk } from '../desk/damageInHand';
import type { Live } from '../instruments/live';
import { measure } from '../measures/units';
import { useUnits } from '../shop/units';
import { say } from '../words/say';

/** Whether an instrument lies at this item and is read by itself; what it reads now stands beside it. */
export function FollowedBy({ live, desk, words }: { live: Live; desk: MendDesk; words: string }) {
  const { units } = useUnits();
  const { id, isAttached } = live.instrument;
  const follows = desk.mend.run?.probes?.includes(id) ?? false;
  if (!isAttached && !follows) return null;
  return (
    <label className="flex min-h-14 items-center gap-3 text-lg">
      <input
        type="checkbox"
        className="size-7 shrink-0 accent-(--act)"
        checked={follows}
        disabled={desk.busy}
        onChange={(event) => desk.happened({ kind: 'probe', stepId: null, text: id, passed: event.target.checked })}
      />
      <span>
        {words}
        {isAttached && live.value !== null ? (
          <span className="text-faint">{say`: it reads ${measure(live.value, live.unit, live.unit === 'mW/cm²' ? 2 : 1, units)} now`}</span>
        ) : null}
        {isAttached ? null : <strong className="text-late">{say`: it is unplugged`}</strong>}
      </span>
    </label>
  );
}

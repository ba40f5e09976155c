import type { RunState, Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { useReading } from '../instruments/live';
import { when } from '../measures/time';
import { measure } from '../measures/units';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { lightWords } from '../ui/words';
import { say } from '../words/say';
import { FollowedBy } from './FollowedBy';

type Stand = NonNullable<NonNullable<RunState['window']>['light']>;
type Level = Schemas['LightLevel'];

const outdoors: readonly Level[] = ['full-sun', 'hazy-sun', 'open-shade', 'indoors'];

/** The light that has fallen on what light sets, and what a hand sees of it: a cloud came, it was carried in. */
export function Light({ stand, desk }: { stand: Stand; desk: MendDesk }) {
  const { units } = useUnits();
  const now = useNow();
  const zone = useZone();
  const meter = useReading('ultraviolet');
  const share = Math.min(1, stand.fallenMjPerCm2 / stand.neededMjPerCm2);
  const dose = (value: number) => measure(value, 'mJ/cm²', 0, units);
  const falls = measure(stand.nowMwPerCm2, 'mW/cm²', 2, units);
  const followed = meter !== null && (desk.mend.run?.probes?.includes(meter.instrument.id) ?? false);
  // Who carries an item in does not carry the meter: what a hand says takes its place.
  const tell = (level: Level) => {
    if (followed) desk.happened({ kind: 'probe', stepId: null, text: meter.instrument.id, passed: false });
    desk.happened({ kind: 'light', stepId: null, text: level });
  };
  const levels: readonly Level[] = desk.repairCase.bench.light === 'uv-lamp' ? ['uv-lamp', 'indoors'] : outdoors;
  return (
    <section aria-label={say`Light`} className="flex flex-col gap-2">
      <p className="text-xl">
        {say`Light so far:`} <strong className="numeral text-3xl">{(share * 100).toFixed(0)} %</strong>{' '}
        <span className="text-faint">
          {say`(${dose(stand.fallenMjPerCm2)} of ${dose(stand.neededMjPerCm2)})`}{' '}
          {stand.readAt ? say`Now ${falls}, as it was ${when(stand.readAt, now, zone)}.` : say`Reckoned as planned: nobody has looked at the light yet.`}{' '}
          {typeof stand.shareOfClearSky === 'number' ? say`That is ${(stand.shareOfClearSky * 100).toFixed(0)} % of a clear sky.` : ''}
        </span>
      </p>
      <div
        className="h-4 border-2 border-strong-line bg-sheet"
        role="meter"
        aria-label={say`Light so far`}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(share * 100)}
      >
        <div className="h-full bg-resin" style={{ width: `${(share * 100).toFixed(1)}%` }} />
      </div>
      <div role="group" aria-label={say`What light is it in now?`} className="grid grid-cols-2 gap-2 sm:flex sm:flex-wrap">
        {levels.map((level) => (
          <Button key={level} className="min-h-14 sm:min-w-36" disabled={desk.busy} onClick={() => tell(level)}>
            {level === 'indoors' ? say`Carried in` : lightWords[level]}
          </Button>
        ))}
      </div>
      {meter ? <FollowedBy live={meter} desk={desk} words={say`Follow ${meter.instrument.name}, whether this page is open or not`} /> : null}
    </section>
  );
}

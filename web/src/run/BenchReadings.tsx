import { useState } from 'react';
import type { NewEvent } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { useReading, type Live } from '../instruments/live';
import { temperature, type Units } from '../measures/units';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { say } from '../words/say';
import { FollowedBy } from './FollowedBy';

type What = Extract<NewEvent['kind'], 'reading' | 'surface' | 'humidity'>;

const asIs = { shown: (value: number) => value, kept: (value: number) => value, unit: () => '%' };
const measures: Record<What, Pick<typeof temperature, 'shown' | 'kept' | 'unit'>> = { reading: temperature, surface: temperature, humidity: asIs };
const labels: Record<What, (unit: string) => string> = {
  reading: (unit) => say`Bench now, ${unit}`,
  surface: (unit) => say`Item now, ${unit}`,
  humidity: (unit) => say`Humidity now, ${unit}`,
};

/** What a thermometer says of the bench or of the item, and how damp the air is: every window goes by it from then on. */
export function BenchReadings({ desk }: { desk: MendDesk }) {
  const { units } = useUnits();
  const [what, setWhat] = useState<What>('reading');
  const [typed, setTyped] = useState('');
  const live: Record<What, Live | null> = {
    reading: useReading('air-temperature'),
    surface: useReading('surface-temperature'),
    humidity: useReading('humidity'),
  };
  const read = attached(live[what]);
  const quantity = measures[what];
  const label = labels[what](quantity.unit(units));
  return (
    <div className="flex flex-col gap-2">
      <Choice
        label={say`What is read`}
        hideLabel
        large
        value={what}
        options={[
          ['reading', say`Bench`],
          ['surface', say`Item`],
          ['humidity', say`Humidity`],
        ]}
        onPick={setWhat}
      />
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          desk.happened({ kind: what, stepId: null, value: valueOf(typed, read, quantity, units) });
          setTyped('');
        }}
      >
        <input
          aria-label={label}
          placeholder={read === null ? label : `${label}: ${String(quantity.shown(read, units))}`}
          inputMode="decimal"
          className="h-14 w-52 min-w-0 rounded-sm border-2 border-line bg-sheet px-3 text-lg"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" className="min-h-14" disabled={typed.trim() === '' && read === null}>{say`Save reading`}</Button>
      </form>
      {live.surface ? <FollowedBy live={live.surface} desk={desk} words={say`The probe of ${live.surface.instrument.name} lies on this item`} /> : null}
    </div>
  );
}

const attached = (live: Live | null) => (live?.instrument.isAttached ? live.value : null);

/** What was typed, in the units that are kept; else what the instrument reads. */
const valueOf = (typed: string, read: number | null, quantity: (typeof measures)[What], units: Units) =>
  typed.trim() === '' ? read : quantity.kept(Number(typed.replace(',', '.')), units);

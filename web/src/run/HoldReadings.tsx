import { useState } from 'react';
import type { RunState } from '../api/types';
import { useUnits } from '../shop/units';
import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { barometer, pressure, temperature } from '../measures/units';
import { say } from '../words/say';

type Hold = NonNullable<RunState['hold']>;

const tones = { pass: 'good', fail: 'late', 'not-yet': 'early' } as const;
const words = { pass: say`It holds.`, fail: say`It leaks.`, 'not-yet': say`Not yet.` };

/**
 * Readings of a hold test: gauge, air and barometer. The regression takes warmth and weather out and says when it can tell. They are
 * taken while it is left to hold, and judged when that is over.
 */
export function HoldReadings({ hold, judged, stepId, desk }: { hold: Hold; judged: boolean; stepId: string; desk: MendDesk }) {
  const { units } = useUnits();
  const [gauge, setGauge] = useState('');
  const [air, setAir] = useState('');
  const [weather, setWeather] = useState('');
  const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
  const kept = (text: string, quantity: typeof pressure) => {
    const shown = number(text);
    return shown === null ? null : quantity.kept(shown, units);
  };
  const keep = () => {
    desk.happened({ kind: 'pressure', stepId, value: kept(gauge, pressure), airC: kept(air, temperature), barometerKpa: kept(weather, barometer) });
    setGauge('');
  };
  const field = 'numeral h-16 w-full min-w-0 rounded-sm border-2 border-strong-line bg-sheet px-3 text-2xl';
  return (
    <section aria-label={say`Readings`} className="flex flex-col gap-3">
      <form
        className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]"
        onSubmit={(event) => {
          event.preventDefault();
          if (number(gauge) !== null) keep();
        }}
      >
        <label>
          <span className="lettering block">{say`Gauge, ${pressure.unit(units)}`}</span>
          <input className={field} inputMode="decimal" value={gauge} onChange={(event) => setGauge(event.target.value)} />
        </label>
        <label>
          <span className="lettering block">{say`Air, ${temperature.unit(units)}`}</span>
          <input className={field} inputMode="decimal" placeholder={say`bench`} value={air} onChange={(event) => setAir(event.target.value)} />
        </label>
        <label>
          <span className="lettering block">{say`Barometer, ${barometer.unit(units)}`}</span>
          <input className={field} inputMode="decimal" placeholder={say`usual here`} value={weather} onChange={(event) => setWeather(event.target.value)} />
        </label>
        <Button type="submit" className="min-h-16" disabled={number(gauge) === null || desk.busy}>{say`Save reading`}</Button>
      </form>
      <Notice tone={tones[hold.verdict]} word={words[hold.verdict]}>
        {sofar(hold)}
      </Notice>
      {judged && hold.verdict !== 'not-yet' && hold.lossPercentPerHour !== null ? (
        <Button
          size="hand"
          look="main"
          className="min-h-16 text-2xl"
          disabled={desk.busy}
          onClick={() =>
            desk.happened({ kind: 'proof', stepId, value: Number(Math.max(0, hold.lossPercentPerHour!).toFixed(2)), passed: hold.verdict === 'pass' })
          }
        >{say`Save this result`}</Button>
      ) : null}
    </section>
  );
}

function sofar(hold: Hold): string {
  if (hold.lossPercentPerHour === null || hold.bandPercentPerHour === null) {
    return say`Readings: ${hold.given}, past the first ${Math.round(hold.settleMin)} minutes: ${hold.used}. In those minutes cloth creeps and the pump’s heat leaves; two readings after them are the least, and a day apart is best.`;
  }
  const rate = say`It loses ${hold.lossPercentPerHour.toFixed(2)} % an hour, give or take ${hold.bandPercentPerHour.toFixed(2)}, with warmth and weather taken out; ${hold.mattersPercentPerHour.toFixed(2)} % is allowed.`;
  return hold.verdict === 'not-yet' ? `${rate} ${say`Too close to tell: hold it longer.`}` : rate;
}

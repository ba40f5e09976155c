import { useEffect, useState } from 'react';
import { useReading, type Live, type Measurand } from '../instruments/live';
import type { RunState } from '../api/types';
import { useNow } from '../shop/clock';
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
  const live = { gauge: useAttached('gauge-pressure'), air: useAttached('air-temperature'), weather: useAttached('barometer') };
  const byGauge = gauge.trim() === '' && live.gauge !== null;
  const keep = () => {
    desk.happened({
      kind: 'pressure',
      stepId,
      value: byGauge ? live.gauge!.value : kept(gauge, pressure),
      airC: kept(air, temperature) ?? live.air?.value ?? null,
      barometerKpa: kept(weather, barometer) ?? live.weather?.value ?? null,
      resolution: byGauge ? live.gauge!.step : null,
    });
    setGauge('');
  };
  const ready = byGauge || number(gauge) !== null;
  const shown = (reading: Live | null, quantity: typeof pressure, otherwise: string) =>
    reading?.value == null ? otherwise : String(quantity.shown(reading.value, units));
  const field = 'numeral h-16 w-full min-w-0 rounded-sm border-2 border-strong-line bg-sheet px-3 text-2xl';
  return (
    <section aria-label={say`Readings`} className="flex flex-col gap-3">
      <form
        className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) keep();
        }}
      >
        <label>
          <span className="lettering block">{say`Gauge, ${pressure.unit(units)}`}</span>
          <input
            className={field}
            inputMode="decimal"
            placeholder={shown(live.gauge, pressure, '')}
            value={gauge}
            onChange={(event) => setGauge(event.target.value)}
          />
        </label>
        <label>
          <span className="lettering block">{say`Air, ${temperature.unit(units)}`}</span>
          <input
            className={field}
            inputMode="decimal"
            placeholder={shown(live.air, temperature, say`bench`)}
            value={air}
            onChange={(event) => setAir(event.target.value)}
          />
        </label>
        <label>
          <span className="lettering block">{say`Barometer, ${barometer.unit(units)}`}</span>
          <input
            className={field}
            inputMode="decimal"
            placeholder={shown(live.weather, barometer, say`usual here`)}
            value={weather}
            onChange={(event) => setWeather(event.target.value)}
          />
        </label>
        <Button type="submit" className="min-h-16" disabled={!ready || desk.busy}>{say`Save reading`}</Button>
      </form>
      {live.gauge ? <ByItself gauge={live.gauge} keep={keep} busy={desk.busy} /> : null}
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

/** A reading of an instrument that is attached now. */
function useAttached(what: Measurand): Live | null {
  const live = useReading(what);
  return live?.instrument.isAttached ? live : null;
}

/** Minutes between readings that are saved by themselves. */
const everyMin = 2;

/** Saves a reading of the gauge every few minutes, for as long as this page is open. */
function ByItself({ gauge, keep, busy }: { gauge: Live; keep: () => void; busy: boolean }) {
  const now = useNow();
  const [since, setSince] = useState<number | null>(null);
  const due = since !== null && now - since >= everyMin * 60_000;
  useEffect(() => {
    if (!due || busy) return;
    keep();
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what was saved counts from now
    setSince(now);
  }, [due, busy, keep, now]);
  return (
    <label className="flex min-h-14 items-center gap-3 text-lg">
      <input
        type="checkbox"
        className="size-7 accent-(--act)"
        checked={since !== null}
        onChange={(event) => {
          if (event.target.checked) keep();
          setSince(event.target.checked ? now : null);
        }}
      />
      {say`Save what ${gauge.instrument.name} shows every ${everyMin} minutes while this page is open`}
    </label>
  );
}

function sofar(hold: Hold): string {
  if (hold.lossPercentPerHour === null || hold.bandPercentPerHour === null) {
    return say`Readings: ${hold.given}, past the first ${Math.round(hold.settleMin)} minutes: ${hold.used}. In those minutes cloth creeps and the pump’s heat leaves; two readings after them are the least, and a day apart is best.`;
  }
  const rate = say`It loses ${hold.lossPercentPerHour.toFixed(2)} % an hour, give or take ${hold.bandPercentPerHour.toFixed(2)}, with warmth and weather taken out; ${hold.mattersPercentPerHour.toFixed(2)} % is allowed.`;
  return hold.verdict === 'not-yet' ? `${rate} ${say`Too close to tell: hold it longer.`}` : rate;
}

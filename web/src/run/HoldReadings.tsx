import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { heard } from '../api/heard';
import { mendQuery } from '../api/queries';
import type { Front, RunState } from '../api/types';
import { Curve } from '../drawing/Curve';
import { useReading, type Live, type Measurand } from '../instruments/live';
import { when } from '../measures/time';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { Notice, Problems } from '../ui/Notice';
import { barometer, pressure, temperature } from '../measures/units';
import { say } from '../words/say';

type Hold = NonNullable<RunState['hold']>;

const tones = { pass: 'good', fail: 'late', 'not-yet': 'early' } as const;
const words = { pass: say`It holds.`, fail: say`It leaks.`, 'not-yet': say`Not yet.` };

/**
 * Readings of a hold test: gauge, air and barometer. The regression takes warmth and weather out and says when it can tell. They are
 * taken while it is left to hold, and judged when that is over.
 */
export function HoldReadings({ hold, trace, judged, stepId, desk }: { hold: Hold; trace: Front['trace']; judged: boolean; stepId: string; desk: MendDesk }) {
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
      {live.gauge ? <ByItself gauge={live.gauge} reads={trace?.gauge ?? null} stepId={stepId} desk={desk} /> : null}
      <Notice tone={tones[hold.verdict]} word={words[hold.verdict]}>
        {sofar(hold)}
      </Notice>
      {trace ? <Trace trace={trace} desk={desk} /> : null}
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

/** Has the shop read the gauge by itself from now on, whether this page is open or not; or no more. */
function ByItself({ gauge, reads, stepId, desk }: { gauge: Live; reads: string | null; stepId: string; desk: MendDesk }) {
  return (
    <label className="flex min-h-14 items-center gap-3 text-lg">
      <input
        type="checkbox"
        className="size-7 accent-(--act)"
        checked={reads === gauge.instrument.id}
        disabled={desk.busy}
        onChange={(event) => desk.happened({ kind: 'gauge', stepId, text: event.target.checked ? gauge.instrument.id : null })}
      />
      {say`Read ${gauge.instrument.name} by itself, whether this page is open or not`}
    </label>
  );
}

/** The readings drawn, and the way in and out as a table. */
function Trace({ trace, desk }: { trace: NonNullable<Front['trace']>; desk: MendDesk }) {
  const now = useNow();
  const zone = useZone();
  const queryClient = useQueryClient();
  const read = useMutation({
    mutationFn: async (file: File) =>
      ask(api.POST('/api/mends/{id}/hold-trace', { params: { path: { id: desk.mend.id }, query: { damage: desk.number } }, body: { csv: await file.text() } })),
    onSuccess: (view) => heard(queryClient, mendQuery(view.id).queryKey, view),
  });
  return (
    <>
      {trace.knownAt ? <p>{say`If it goes on like this, the answer is known ${when(trace.knownAt, now, zone)}.`}</p> : null}
      <Curve
        label={say`Air inside against time`}
        points={trace.points.map((each) => ({ atMs: Date.parse(each.at), value: each.airPercent, counts: each.isUsed }))}
        expected={trace.knownAt ? { atMs: Date.parse(trace.knownAt), fromMs: Date.parse(trace.knownAt), toMs: Date.parse(trace.knownAt) } : null}
        show={(percent) => `${percent.toFixed(1)} %`}
      />
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
        {trace.points.length > 0 ? (
          <a
            className="inline-flex min-h-11 items-center underline underline-offset-4"
            href={`/api/mends/${desk.mend.id}/hold-trace.csv?damage=${desk.number}`}
            download
          >
            {say`Readings as a table (CSV)`}
          </a>
        ) : null}
        <label className="inline-flex min-h-11 cursor-pointer items-center underline underline-offset-4">
          {say`Take readings in from a table`}
          <input
            type="file"
            accept=".csv,text/csv"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) read.mutate(file);
            }}
          />
        </label>
      </div>
      <Problems problems={problemsIn(read.error)} />
    </>
  );
}

function sofar(hold: Hold): string {
  if (hold.lossPercentPerHour === null || hold.bandPercentPerHour === null) {
    return say`Readings: ${hold.given}, past the first ${Math.round(hold.settleMin)} minutes: ${hold.used}. In those minutes cloth creeps and the pump’s heat leaves; two readings after them are the least, and a day apart is best.`;
  }
  const rate = say`It loses ${hold.lossPercentPerHour.toFixed(2)} % an hour, give or take ${hold.bandPercentPerHour.toFixed(2)}, with warmth and weather taken out; ${hold.mattersPercentPerHour.toFixed(2)} % is allowed.`;
  return hold.verdict === 'not-yet' ? `${rate} ${say`Too close to tell: hold it longer.`}` : rate;
}

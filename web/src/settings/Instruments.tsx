import { useState } from 'react';
import { api, ask } from '../api/client';
import { useInstruments, type InstrumentView, type Measurand } from '../instruments/live';
import { digitsIn } from '../instruments/digits';
import { measure } from '../measures/units';
import { when } from '../measures/time';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { say } from '../words/say';

const names: Record<Measurand, string> = {
  mass: say`On the pan`,
  'gauge-pressure': say`Gauge pressure`,
  'air-temperature': say`Air at the bench`,
  'surface-temperature': say`Surface`,
  humidity: say`Humidity`,
  barometer: say`Barometer`,
  ultraviolet: say`Ultraviolet`,
  labels: say`Labels left`,
};

/** What a simulated instrument knows how to do, as it is told. */
const tricks: Partial<Record<Measurand, readonly string[]>> = {
  mass: ['put 8', 'pour 20', 'pour 5', 'pour 1', 'take 1', 'clear'],
  'gauge-pressure': ['inflate 100', 'leak 0', 'leak 1', 'speed 60', 'open'],
  'air-temperature': ['mean 20', 'mean 12', 'swing 3', 'speed 60'],
  ultraviolet: ['cloud 0', 'cloud 90'],
  labels: ['roll 200', 'empty'],
};

/** The shop's instruments as they read now. Nothing of it is a setting: whatever connects is here. */
export function Instruments() {
  const instruments = useInstruments();
  return (
    <section className="lg:col-span-2" aria-label={say`Instruments`}>
      <h2 className="text-xl">{say`Instruments`}</h2>
      {instruments.length === 0 ? (
        <p className="mt-1 text-faint">{say`None is attached. A scale, a gauge or a probe connects by itself; how is told in the read-me.`}</p>
      ) : (
        <ul className="mt-1 grid gap-x-10 md:grid-cols-2">
          {instruments.map((each) => (
            <OneInstrument key={each.id} instrument={each} />
          ))}
        </ul>
      )}
    </section>
  );
}

function OneInstrument({ instrument }: { instrument: InstrumentView }) {
  const { units } = useUnits();
  const now = useNow();
  const zone = useZone();
  const isScale = instrument.readings.some((each) => each.what === 'mass');
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <strong>{instrument.name}</strong>
        <span className={instrument.isAttached ? 'text-good' : 'font-bold text-late'}>
          {instrument.isAttached ? say`attached` : instrument.leftAt ? say`gone since ${when(instrument.leftAt, now, zone)}` : say`not attached`}
        </span>
      </div>
      <dl className="flex flex-wrap gap-x-6">
        {instrument.readings.map((reading) => (
          <div key={reading.what}>
            <dt className="lettering">{names[reading.what]}</dt>
            <dd className={`numeral text-2xl ${instrument.isAttached ? '' : 'text-faint line-through'}`}>
              {reading.value === null ? say`nothing yet` : measure(reading.value, reading.unit, digitsIn(reading.step), units)}
            </dd>
          </div>
        ))}
      </dl>
      <div className="flex flex-wrap items-center gap-2 pt-1">
        {isScale ? (
          <Button
            disabled={!instrument.isAttached}
            onClick={() => void ask(api.POST('/api/instruments/{id}/tare', { params: { path: { id: instrument.id } }, parseAs: 'text' }))}
          >{say`Tare`}</Button>
        ) : null}
        {instrument.isSimulated ? <Tricks instrument={instrument} /> : null}
      </div>
    </li>
  );
}

/** Tells a stand-in what to show: there is no hand at its pan. */
function Tricks({ instrument }: { instrument: InstrumentView }) {
  const known = [...instrument.readings.flatMap((each) => tricks[each.what] ?? []), 'unplug 10'];
  const [words, setWords] = useState(known[0]!);
  return (
    <label className="flex items-center gap-2 text-sm">
      {say`Simulated; tell it`}
      <input
        list={`tricks-${instrument.id}`}
        maxLength={80}
        className="h-11 w-36 rounded-sm border-2 border-line bg-sheet px-2 text-base"
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <datalist id={`tricks-${instrument.id}`}>
        {known.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <Button
        disabled={!instrument.isAttached || words.trim() === ''}
        onClick={() => void ask(api.POST('/api/instruments/{id}/do', { params: { path: { id: instrument.id } }, body: { words }, parseAs: 'text' }))}
      >{say`Do it`}</Button>
    </label>
  );
}

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, problemsIn, Refused } from '../api/client';
import { heard } from '../api/heard';
import { catalogueQuery, shopQuery } from '../api/queries';
import type { Catalogue, Schemas } from '../api/types';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { MeasureField } from '../ui/MeasureField';
import { Notice, Problems } from '../ui/Notice';
import { length, temperature } from '../measures/units';
import { toolWords } from '../ui/words';
import { DeviceFields, DeviceKind } from './Device';
import { Devices } from './Devices';
import { Dropper } from './Dropper';
import { MaybeField } from './MaybeField';
import { Hands } from './Hands';
import { Instruments } from './Instruments';
import { Money } from './Money';
import { Offcuts } from './Offcuts';
import { Products } from './Products';
import { merge } from '../outbox/merge';
import { say } from '../words/say';

type Settings = Schemas['ShopSettings'];

/** What the shop is and works with: hours, hands, measuring device, grits, tools, products. Every new mend starts from it. */
export function SettingsPage() {
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  if (!shop.data || !catalogue.data) return <p className="p-5">{say`Loading …`}</p>;
  return <SettingsForm shop={shop.data} catalogue={catalogue.data} />;
}

function SettingsForm({ shop, catalogue }: { shop: Schemas['ShopView']; catalogue: Catalogue }) {
  // What is written here keeps the version that it was made from: what comes in meanwhile must not go out under it.
  const [base, setBase] = useState(shop);
  const [mine, setMine] = useState(shop.settings);
  const [theirs, setTheirs] = useState<Schemas['ShopView'] | null>(null);
  const queryClient = useQueryClient();
  const startFrom = (view: Schemas['ShopView']) => {
    setBase(view);
    setMine(view.settings);
    setTheirs(null);
  };
  const put = (settings: Settings, version: number) => ask(api.PUT('/api/shop', { params: { header: { 'If-Match': version } }, body: settings }));
  const keep = useMutation({
    mutationFn: async ({ settings, version }: { settings: Settings; version: number }) => {
      try {
        return await put(settings, version);
      } catch (error) {
        if (!(error instanceof Refused) || error.status !== 409) throw error;
        const fresh = await ask(api.GET('/api/shop'));
        const merged = merge(base.settings, settings, fresh.settings);
        if (!merged.collides) return await put(merged.value, fresh.version);
        setTheirs(fresh);
        setMine(merged.value);
        throw error;
      }
    },
    onSuccess: (view) => {
      heard(queryClient, shopQuery.queryKey, view);
      startFrom(view);
    },
  });
  const changed = JSON.stringify(mine) !== JSON.stringify(base.settings);
  if (!changed && !keep.isPending && shop.version > base.version) startFrom(shop);
  return (
    <form
      className="mx-auto grid max-w-[1500px] gap-x-10 gap-y-6 px-5 py-5 lg:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ settings: mine, version: base.version });
      }}
    >
      <div className="flex items-end justify-between gap-4 lg:col-span-2">
        <h1 className="text-3xl">{say`Shop and tools`}</h1>
        <Button type="submit" look="main" disabled={!changed || keep.isPending}>{say`Save`}</Button>
      </div>
      <div className="lg:col-span-2">
        {theirs ? (
          <div role="alert">
            <Notice tone="late" word={say`Changed elsewhere.`}>
              {say`Somebody else changed the same settings first. Their change was saved; yours is still on this page.`}
              <span className="mt-2 flex flex-wrap gap-2">
                <Button onClick={() => startFrom(theirs)}>{say`Use theirs`}</Button>
                <Button look="stop" onClick={() => keep.mutate({ settings: mine, version: theirs.version })}>{say`Keep mine instead`}</Button>
              </span>
            </Notice>
          </div>
        ) : (
          <Problems problems={problemsIn(keep.error)} />
        )}
        {keep.isSuccess && !changed ? <Notice tone="good" word={say`Saved.`}>{say`New mends start from these settings.`}</Notice> : null}
      </div>
      <Shop mine={mine} setMine={setMine} />
      <Drawer mine={mine} setMine={setMine} catalogue={catalogue} />
      <Hands mine={mine} setMine={setMine} />
      <Instruments />
      <Money mine={mine} setMine={setMine} />
      <Offcuts mine={mine} setMine={setMine} catalogue={catalogue} />
      <Products mine={mine} setMine={setMine} catalogue={catalogue} />
    </form>
  );
}

interface PartProps {
  mine: Settings;
  setMine: (settings: Settings) => void;
}

function Shop({ mine, setMine }: PartProps) {
  const { units } = useUnits();
  const { bench } = mine;
  const setBench = (change: Partial<Schemas['BenchFacts']>) => setMine({ ...mine, bench: { ...bench, ...change } });
  const field = 'h-11 w-full rounded-sm border-2 border-line bg-sheet px-3';
  return (
    <section className="grid content-start gap-3 sm:grid-cols-2">
      <h2 className="text-xl sm:col-span-2">{say`The shop`}</h2>
      <label>
        <span className="lettering block">{say`Name`}</span>
        <input className={field} value={mine.name} onChange={(event) => setMine({ ...mine, name: event.target.value })} />
      </label>
      <label>
        <span className="lettering block">{say`Time zone`}</span>
        <input className={field} value={bench.zone} onChange={(event) => setBench({ zone: event.target.value })} />
      </label>
      <MeasureField label={say`Open from`} path="bench.opensHour" value={bench.opensHour} step={1} onChange={(opensHour) => setBench({ opensHour })} />
      <MeasureField label={say`until`} path="bench.closesHour" value={bench.closesHour} step={1} onChange={(closesHour) => setBench({ closesHour })} />
      <MeasureField
        label={say`Bench by day`}
        path="bench.temperatureC"
        value={bench.temperatureC}
        step={1}
        onChange={(temperatureC) => setBench({ temperatureC })}
      />
      <MeasureField
        label={say`Bench by night`}
        path="bench.nightTemperatureC"
        value={bench.nightTemperatureC ?? bench.temperatureC}
        step={1}
        onChange={(nightTemperatureC) => setBench({ nightTemperatureC })}
      />
      <MeasureField
        label={say`Humidity`}
        path="bench.relativeHumidityPercent"
        value={bench.relativeHumidityPercent}
        step={1}
        onChange={(relativeHumidityPercent) => setBench({ relativeHumidityPercent })}
      />
      <MeasureField
        label={say`Air changes`}
        path="bench.airChangesPerHour"
        value={bench.airChangesPerHour}
        step={0.5}
        onChange={(airChangesPerHour) => setBench({ airChangesPerHour })}
      />
      <MaybeField label={say`Latitude, north +`} path="bench.latitudeDeg" value={bench.latitudeDeg} onChange={(latitudeDeg) => setBench({ latitudeDeg })} />
      <MaybeField
        label={say`Longitude, east +`}
        path="bench.longitudeDeg"
        value={bench.longitudeDeg}
        onChange={(longitudeDeg) => setBench({ longitudeDeg })}
        hint={say`With both, light-cured resin goes by the sun of the hour.`}
      />
      <MeasureField
        label={say`Altitude`}
        path="bench.altitudeM"
        value={bench.altitudeM}
        step={{ metric: 50, us: 100 }}
        onChange={(altitudeM) => setBench({ altitudeM })}
      />
      <MaybeField
        key={units}
        label={say`Room`}
        path="bench.roomM3"
        value={bench.roomM3}
        onChange={(roomM3) => setBench({ roomM3 })}
        hint={say`With it, vapour is estimated.`}
      />
      <MaybeField
        label={say`UV lamp at the work`}
        path="bench.lampMwPerCm2"
        value={bench.lampMwPerCm2}
        onChange={(lampMwPerCm2) => setBench({ lampMwPerCm2 })}
        hint={say`Empty: as much as full daylight.`}
      />
      <Choice
        label={say`Units of a new device`}
        value={mine.units}
        options={[
          ['metric', `${length.unit('metric')}, ${temperature.unit('metric')}`],
          ['us', `${length.unit('us')}, ${temperature.unit('us')}`],
        ]}
        onPick={(chosen) => setMine({ ...mine, units: chosen })}
      />
    </section>
  );
}

function Drawer({ mine, setMine, catalogue }: PartProps & { catalogue: Catalogue }) {
  const { tools } = mine;
  const setMeasure = (next: Schemas['MeasuringDevice']) => setMine({ ...mine, tools: { ...tools, measure: next } });
  const has = tools.has ?? catalogue.tools;
  const toggleTool = (tool: string) =>
    setMine({ ...mine, tools: { ...tools, has: has.includes(tool) ? has.filter((each) => each !== tool) : [...has, tool] } });
  const toggle = (grit: string) =>
    setMine({ ...mine, tools: { ...tools, grits: tools.grits.includes(grit) ? tools.grits.filter((each) => each !== grit) : [...tools.grits, grit] } });
  return (
    <section className="flex flex-col gap-3">
      <h2 className="text-xl">{say`Measuring`}</h2>
      <DeviceKind label={say`Two-part resin is usually measured with`} device={tools.measure} onChange={setMeasure} />
      <DeviceFields device={tools.measure} onChange={setMeasure} />
      <Devices devices={mine.devices ?? []} onChange={(devices) => setMine({ ...mine, devices })} />
      <Dropper tools={tools} onChange={(next) => setMine({ ...mine, tools: next })} />
      <h2 className="mt-2 text-xl">{say`Grits in the drawer`}</h2>
      <div className="flex flex-wrap gap-1.5">
        {catalogue.grits
          .filter((grit) => grit.startsWith('P'))
          .map((grit) => (
            <button
              key={grit}
              type="button"
              aria-pressed={tools.grits.includes(grit)}
              onClick={() => toggle(grit)}
              className="min-h-11 rounded-sm border-2 border-line bg-sheet px-3 font-medium aria-pressed:border-act aria-pressed:bg-act aria-pressed:text-on-act"
            >
              {grit}
            </button>
          ))}
      </div>
      <h2 className="mt-2 text-xl">{say`Tools at hand`}</h2>
      <div className="flex flex-wrap gap-1.5">
        {catalogue.tools.map((tool) => (
          <button
            key={tool}
            type="button"
            aria-pressed={has.includes(tool)}
            onClick={() => toggleTool(tool)}
            className="min-h-11 rounded-sm border-2 border-line bg-sheet px-3 font-medium aria-pressed:border-act aria-pressed:bg-act aria-pressed:text-on-act"
          >
            {toolWords[tool] ?? tool}
          </button>
        ))}
      </div>
    </section>
  );
}

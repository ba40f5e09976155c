import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { catalogueQuery, shopQuery } from '../api/queries';
import type { Catalogue, Schemas } from '../api/types';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { NumberField } from '../ui/NumberField';
import { Notice, Problems } from '../ui/Notice';
import { altitude, room, temperature } from '../measures/units';
import { toolWords } from '../ui/words';
import { Offcuts } from './Offcuts';
import { Products } from './Products';

type Settings = Schemas['ShopSettings'];

/** What the shop has: measuring device, grits, materials, hours, zone. Every new mend starts from it. */
export function ShelfPage() {
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  if (!shop.data || !catalogue.data) return <p className="p-5">Loading …</p>;
  return <ShelfForm shop={shop.data} catalogue={catalogue.data} />;
}

function ShelfForm({ shop, catalogue }: { shop: Schemas['ShopView']; catalogue: Catalogue }) {
  const { settings, version } = shop;
  const [mine, setMine] = useState(settings);
  const queryClient = useQueryClient();
  const keep = useMutation({
    mutationFn: () => ask(api.PUT('/api/shop', { params: { header: { 'If-Match': version } }, body: mine })),
    onSuccess: (view) => {
      queryClient.setQueryData(shopQuery.queryKey, view);
      // What came back is what is kept; what another window changed meanwhile never replaces what is written here.
      setMine(view.settings);
    },
  });
  const changed = JSON.stringify(mine) !== JSON.stringify(settings);
  return (
    <form
      className="mx-auto grid max-w-[1500px] gap-x-10 gap-y-6 px-5 py-5 lg:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      <div className="flex items-end justify-between gap-4 lg:col-span-2">
        <h1 className="text-3xl">Shelf and tools</h1>
        <Button type="submit" look="main" disabled={!changed || keep.isPending}>
          Save
        </Button>
      </div>
      <div className="lg:col-span-2">
        <Problems problems={problemsIn(keep.error)} />
        {keep.isSuccess && !changed ? (
          <Notice tone="good" word="Saved.">
            New mends start from these settings.
          </Notice>
        ) : null}
      </div>
      <Shop mine={mine} setMine={setMine} />
      <Drawer mine={mine} setMine={setMine} catalogue={catalogue} />
      <Shelf mine={mine} setMine={setMine} catalogue={catalogue} shop={shop} />
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
      <h2 className="text-xl sm:col-span-2">The shop</h2>
      <label>
        <span className="lettering block">Name</span>
        <input className={field} value={mine.name} onChange={(event) => setMine({ ...mine, name: event.target.value })} />
      </label>
      <label>
        <span className="lettering block">Time zone</span>
        <input className={field} value={bench.zone} onChange={(event) => setBench({ zone: event.target.value })} />
      </label>
      <NumberField label="Open from" value={bench.opensHour} unit="h" step={1} onChange={(opensHour) => setBench({ opensHour })} />
      <NumberField label="until" value={bench.closesHour} unit="h" step={1} onChange={(closesHour) => setBench({ closesHour })} />
      <NumberField
        label="Bench by day"
        value={temperature.shown(bench.temperatureC, units)}
        unit={temperature.unit(units)}
        step={1}
        onChange={(value) => setBench({ temperatureC: temperature.kept(value, units) })}
      />
      <NumberField
        label="Bench by night"
        value={temperature.shown(bench.nightTemperatureC ?? bench.temperatureC, units)}
        unit={temperature.unit(units)}
        step={1}
        onChange={(value) => setBench({ nightTemperatureC: temperature.kept(value, units) })}
      />
      <NumberField
        label="Humidity"
        value={bench.relativeHumidityPercent}
        unit="%"
        step={1}
        onChange={(relativeHumidityPercent) => setBench({ relativeHumidityPercent })}
      />
      <NumberField label="Air changes" value={bench.airChangesPerHour} unit="/h" step={0.5} onChange={(airChangesPerHour) => setBench({ airChangesPerHour })} />
      <MaybeNumber label="Latitude, north +" value={bench.latitudeDeg} unit="°" onChange={(latitudeDeg) => setBench({ latitudeDeg })} />
      <MaybeNumber
        label="Longitude, east +"
        value={bench.longitudeDeg}
        unit="°"
        onChange={(longitudeDeg) => setBench({ longitudeDeg })}
        hint="With both, light-cured resin goes by the sun of the hour."
      />
      <NumberField
        label="Altitude"
        value={altitude.shown(bench.altitudeM, units)}
        unit={altitude.unit(units)}
        step={units === 'us' ? 100 : 50}
        onChange={(value) => setBench({ altitudeM: altitude.kept(value, units) })}
      />
      <MaybeNumber
        key={units}
        label="Room"
        value={bench.roomM3 == null ? null : room.shown(bench.roomM3, units)}
        unit={room.unit(units)}
        onChange={(value) => setBench({ roomM3: value === null ? null : room.kept(value, units) })}
        hint="With it, vapour is estimated."
      />
      <MaybeNumber
        label="UV lamp at the work"
        value={bench.lampMwPerCm2}
        unit="mW/cm²"
        onChange={(lampMwPerCm2) => setBench({ lampMwPerCm2 })}
        hint="Empty: as much as full daylight."
      />
      <Choice
        label="Units of a new device"
        value={mine.units}
        options={[
          ['metric', 'mm, °C'],
          ['us', 'inch, °F'],
        ]}
        onPick={(chosen) => setMine({ ...mine, units: chosen })}
      />
    </section>
  );
}

/** A number that may be left open. */
function MaybeNumber({
  label,
  value,
  unit,
  hint,
  onChange,
}: {
  label: string;
  value: number | null | undefined;
  unit: string;
  hint?: string;
  onChange: (value: number | null) => void;
}) {
  const [text, setText] = useState(value === null || value === undefined ? '' : String(value));
  return (
    <label>
      <span className="lettering block">
        {label}, {unit}
      </span>
      <input
        inputMode="decimal"
        className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          onChange(event.target.value.trim() === '' ? null : Number(event.target.value.replace(',', '.')));
        }}
      />
      {hint ? <span className="block text-sm text-faint">{hint}</span> : null}
    </label>
  );
}

function Drawer({ mine, setMine, catalogue }: PartProps & { catalogue: Catalogue }) {
  const { tools } = mine;
  const measure = tools.measure;
  const setMeasure = (next: Schemas['Tools']['measure']) => setMine({ ...mine, tools: { ...tools, measure: next } });
  const has = tools.has ?? catalogue.tools;
  const toggleTool = (tool: string) =>
    setMine({ ...mine, tools: { ...tools, has: has.includes(tool) ? has.filter((each) => each !== tool) : [...has, tool] } });
  const toggle = (grit: string) =>
    setMine({ ...mine, tools: { ...tools, grits: tools.grits.includes(grit) ? tools.grits.filter((each) => each !== grit) : [...tools.grits, grit] } });
  return (
    <section className="flex flex-col gap-3">
      <h2 className="text-xl">Measuring</h2>
      <Choice
        label="Two-part resin is measured with"
        value={measure.kind}
        options={[
          ['cup', 'A cup with lines'],
          ['scale', 'A scale'],
        ]}
        onPick={(kind) => setMeasure(kind === 'cup' ? { kind, lineEveryMl: 5, lineErrorMl: 0.5, holdsMl: 60 } : { kind, stepG: 1 })}
      />
      {measure.kind === 'cup' ? (
        <div className="grid gap-3 sm:grid-cols-3">
          <NumberField
            label="Lines every"
            value={measure.lineEveryMl}
            unit="mL"
            step={0.5}
            onChange={(lineEveryMl) => setMeasure({ ...measure, lineEveryMl })}
          />
          <NumberField
            label="Off a line by up to"
            value={measure.lineErrorMl}
            unit="mL"
            step={0.1}
            onChange={(lineErrorMl) => setMeasure({ ...measure, lineErrorMl })}
          />
          <NumberField label="Holds" value={measure.holdsMl} unit="mL" step={10} onChange={(holdsMl) => setMeasure({ ...measure, holdsMl })} />
        </div>
      ) : (
        <NumberField label="Smallest step" value={measure.stepG} unit="g" step={0.1} onChange={(stepG) => setMeasure({ ...measure, stepG })} />
      )}
      <h2 className="mt-2 text-xl">Grits in the drawer</h2>
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
      <h2 className="mt-2 text-xl">Tools at hand</h2>
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

function Shelf({ mine, setMine, catalogue, shop }: PartProps & { catalogue: Catalogue; shop: Schemas['ShopView'] }) {
  const all = [...catalogue.materials, ...(mine.products ?? [])];
  const shelf = mine.shelf ?? all.map((material) => ({ material: material.id, useBefore: null, openedOn: null }));
  const has = (id: string) => shelf.find((entry) => entry.material === id);
  const set = (next: Schemas['OnShelf'][]) => setMine({ ...mine, shelf: next });
  const kept = (entry: Schemas['OnShelf']) =>
    shop.settings.shelf?.some((each) => each.material === entry.material && each.openedOn === entry.openedOn && each.useBefore === entry.useBefore);
  return (
    <section className="lg:col-span-2">
      <h2 className="text-xl">On the shelf</h2>
      <ul className="mt-1 grid gap-x-10 md:grid-cols-2">
        {all
          .filter((material) => material.role !== 'cloth' && material.role !== 'filler')
          .map((material) => {
            const entry = has(material.id);
            return (
              <li key={material.id} className="flex min-h-14 items-center justify-between gap-3 border-b border-line">
                <label className="flex min-h-11 flex-1 items-center gap-3">
                  <input
                    type="checkbox"
                    className="size-6 accent-(--act)"
                    checked={entry !== undefined}
                    onChange={(event) =>
                      set(
                        event.target.checked
                          ? [...shelf, { material: material.id, useBefore: null, openedOn: null }]
                          : shelf.filter((each) => each.material !== material.id),
                      )
                    }
                  />
                  <span className="leading-tight font-medium">{material.name}</span>
                </label>
                {entry ? (
                  <span className="flex flex-wrap justify-end gap-x-3 text-sm">
                    <Day
                      label="opened"
                      value={entry.openedOn}
                      onChange={(openedOn) => set(shelf.map((each) => (each === entry ? { ...each, openedOn } : each)))}
                    />
                    <Day
                      label="use before"
                      value={entry.useBefore}
                      onChange={(useBefore) => set(shelf.map((each) => (each === entry ? { ...each, useBefore } : each)))}
                    />
                    {entry.openedOn ? (
                      <span className="w-full text-right text-faint">
                        {kept(entry) ? goodUntil(shop.lastDays[entry.material]) : 'save to see how long it keeps'}
                      </span>
                    ) : null}
                  </span>
                ) : null}
              </li>
            );
          })}
      </ul>
    </section>
  );
}

const goodUntil = (day: string | undefined) => (day ? `good until ${day}` : 'shelf life once opened is not known');

function Day({ label, value, onChange }: { label: string; value: string | null | undefined; onChange: (value: string | null) => void }) {
  return (
    <label>
      <span className="lettering mr-1">{label}</span>
      <input
        type="date"
        className="h-10 w-36 rounded-sm border-2 border-line bg-sheet px-1"
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value || null)}
      />
    </label>
  );
}

import { useState } from 'react';
import { problemsIn } from '../api/client';
import type { Schemas } from '../api/types';
import { typedAmount, unitName } from '../measures/stock';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { isDay, type Lot } from './shelfView';
import type { usePutLot } from './usePutLot';

const field = 'h-11 w-full rounded-sm border-2 border-line bg-sheet px-3 aria-invalid:border-late';
const kinds: readonly Lot['unit'][] = ['ml', 'g', 'kit', 'piece', 'cm2', 'mm'];

const numberIn = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
const isAmount = (text: string) => numberIn(text) === null || Number.isFinite(numberIn(text));

interface Props {
  start: Lot;
  /** Name of the material, or the materials to pick from. */
  title: string | readonly Schemas['ShelfMaterial'][];
  /** Whether it has its name already. */
  fixed?: boolean;
  put: ReturnType<typeof usePutLot>;
  onClose: () => void;
}

/** What a label says of one tin, written down. */
export function LotForm({ start, title, fixed, put, onClose }: Props) {
  const { units } = useUnits();
  const [lot, setLot] = useState(start);
  const [had, setHad] = useState(start.had ? String(typedAmount(start.unit).shown(start.had, units)) : '');
  const [price, setPrice] = useState(start.price === null ? '' : String(start.price));
  const set = (change: Partial<Lot>) => setLot({ ...lot, ...change });
  const wrong = ![lot.openedOn ?? '', lot.useBefore ?? ''].every(isDay) || !isAmount(had) || !isAmount(price) || !lot.id?.trim() || lot.material === '';
  const materials = typeof title === 'string' ? null : title;
  const text = (label: string, value: string | null, change: (text: string) => void, valid = true, placeholder = '') => (
    <label>
      <span className="lettering block">{label}</span>
      <input className={field} value={value ?? ''} placeholder={placeholder} aria-invalid={!valid} onChange={(event) => change(event.target.value)} />
    </label>
  );
  return (
    <form
      aria-label={say`A lot`}
      className="border-2 border-ink bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        const kept = numberIn(had);
        put.mutate({ ...lot, id: lot.id?.trim() ?? null, had: kept === null ? null : typedAmount(lot.unit).kept(kept, units), price: numberIn(price) });
      }}
    >
      <h2 className="text-2xl">{typeof title === 'string' ? title : say`Put a lot on the shelf`}</h2>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        {materials ? (
          <label className="sm:col-span-2">
            <span className="lettering block">{say`What it is`}</span>
            <select
              className={field}
              value={lot.material}
              onChange={(event) => set({ material: event.target.value, unit: materials.find((each) => each.id === event.target.value)?.unit ?? lot.unit })}
            >
              <option value="">{say`Pick one`}</option>
              {materials.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.title}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        {fixed ? null : text(say`Write on it`, lot.id, (id) => set({ id }))}
        {text(say`Batch number`, lot.batch, (batch) => set({ batch: batch || null }))}
        <div className="grid grid-cols-[1fr_6rem] gap-2">
          {text(say`Held when new`, had, setHad, isAmount(had))}
          <label>
            <span className="lettering block">{say`in`}</span>
            <select className={field} value={lot.unit} onChange={(event) => set({ unit: event.target.value as Lot['unit'] })}>
              {kinds.map((kind) => (
                <option key={kind} value={kind}>
                  {unitName(kind, units) || say`pieces`}
                </option>
              ))}
            </select>
          </label>
        </div>
        {text(say`Price`, price, setPrice, isAmount(price))}
        {text(say`Opened on`, lot.openedOn, (day) => set({ openedOn: day || null }), isDay(lot.openedOn ?? ''), '2026-05-31')}
        {text(say`Use before`, lot.useBefore, (day) => set({ useBefore: day || null }), isDay(lot.useBefore ?? ''), '2026-05-31')}
        {text(say`Stands at`, lot.standsAt, (standsAt) => set({ standsAt: standsAt || null }))}
      </div>
      <div className="mt-3 flex gap-2">
        <Button type="submit" look="main" disabled={wrong || put.isPending}>{say`Keep it`}</Button>
        <Button onClick={onClose}>{say`Leave it`}</Button>
      </div>
      <Problems problems={problemsIn(put.error)} />
    </form>
  );
}

import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { isCollision, problemsIn } from '../api/client';
import { shelfQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { typedAmount, unitName } from '../measures/stock';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { isDay, whole, type Lot } from './shelfView';
import type { usePutLot } from './usePutLot';

const field = 'h-11 w-full rounded-sm border-2 border-line bg-sheet px-3 aria-invalid:border-late';
const kinds: readonly Lot['unit'][] = ['ml', 'g', 'kit', 'piece', 'cm2', 'mm'];

const numberIn = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
const isAmount = (text: string) => numberIn(text) === null || Number.isFinite(numberIn(text));

interface Props {
  start: Lot;
  /** The lot as it is on the shelf; null for one that is put there. */
  was: Lot | null;
  /** Name of the material, or the materials to pick from. */
  title: string | readonly Schemas['ShelfMaterial'][];
  /** Whether it has its name already. */
  fixed?: boolean;
  put: ReturnType<typeof usePutLot>;
  onClose: () => void;
}

/** What a label says of one tin, written down. */
export function LotForm({ start, was, title, fixed, put, onClose }: Props) {
  const { units } = useUnits();
  // What was not touched here is as it was when the form was opened, or as it is since a change of somebody else collided with this one.
  const [seen, setSeen] = useState(start);
  const [changed, setChanged] = useState<Partial<Lot>>({});
  const lot = { ...seen, ...changed };
  const [typedHad, setHad] = useState<string | null>(null);
  const [typedPrice, setPrice] = useState<string | null>(null);
  const had = typedHad ?? (lot.had ? String(typedAmount(lot.unit).shown(lot.had, units)) : '');
  const price = typedPrice ?? (lot.price === null ? '' : String(lot.price));
  const set = (change: Partial<Lot>) => setChanged({ ...changed, ...change });
  const queryClient = useQueryClient();
  const keep = () => {
    const filled = numberIn(had);
    const kept = typedHad === null ? lot.had : filled === null ? null : typedAmount(lot.unit).kept(filled, units);
    const change = { ...lot, id: lot.id?.trim() ?? null, had: kept, price: numberIn(price) };
    const lookAgain = (error: unknown) => {
      const shelf = isCollision(error) && was ? queryClient.getQueryData(shelfQuery.queryKey) : undefined;
      const now = shelf && [...shelf.lots, ...shelf.gone].find((each) => each.name === (was?.id ?? was?.material));
      if (now) setSeen(whole(now.lot));
    };
    put.mutate({ lot: change, was: was && seen }, { onError: lookAgain });
  };
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
        keep();
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
      <div className="mt-3 empty:mt-0">
        <Problems problems={problemsIn(put.error)} />
      </div>
    </form>
  );
}

import { useQuery } from '@tanstack/react-query';
import { useNavigate, useSearch } from '@tanstack/react-router';
import { useState } from 'react';
import { problemsIn } from '../api/client';
import { shelfQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { lotIn } from '../scan/address';
import { Scan } from '../scan/Scan';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { LotForm } from './LotForm';
import { LotPanel } from './LotPanel';
import { Needs } from './Needs';
import { Pieces } from './Pieces';
import { boards, found, isCounted, nextName, whole, type LotView } from './shelfView';
import { Tables } from './Tables';
import { Tin } from './Tin';
import { usePutLot } from './usePutLot';

/** The shelf, read as a shelf: how full, how old, how long still good, and what the bench still takes. */
export function ShelfPage() {
  const shelf = useQuery(shelfQuery);
  if (!shelf.data) return <div className="p-5">{shelf.error ? <Problems problems={problemsIn(shelf.error)} /> : say`Loading …`}</div>;
  return <Shelf view={shelf.data} />;
}

function Shelf({ view }: { view: Schemas['ShelfView'] }) {
  const { units } = useUnits();
  const [words, setWords] = useState('');
  const { lot: picked = null } = useSearch({ from: '/shelf' });
  const navigate = useNavigate();
  const setPicked = (name: string | null) => void navigate({ to: '/shelf', search: name === null ? {} : { lot: name }, replace: true, resetScroll: false });
  const [adding, setAdding] = useState(false);
  const all = [...view.lots, ...view.gone];
  const lot = all.find((each) => each.name === picked);
  const shown = found(view.lots, lotIn(words));
  const [counted, said] = [shown.filter(isCounted), shown.filter((each) => !isCounted(each))];
  const show = (name: string | null) => {
    setAdding(false);
    setPicked(name);
  };
  const pick = (name: string) => show(name === picked ? null : name);
  const scanned = (code: string) => {
    const name = lotIn(code).trim();
    const known = all.find((each) => each.name.toLowerCase() === name.toLowerCase());
    if (!known) return say`There is no lot ${name} here.`;
    show(known.name);
    return null;
  };
  const put = usePutLot(() => setAdding(false));
  return (
    <div className="mx-auto max-w-[1500px] px-5 py-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-3xl">{say`Shelf`}</h1>
        <div className="flex min-w-0 flex-1 items-end gap-3 max-sm:order-last max-sm:basis-full sm:max-w-lg">
          <label className="min-w-0 flex-1">
            <span className="lettering block">{say`Scan or type a name, a material, a batch`}</span>
            <input
              className="h-14 w-full rounded-sm border-2 border-line bg-sheet px-3"
              value={words}
              onChange={(event) => setWords(event.target.value)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter') return;
                const exact = scanned(words) === null;
                if (!exact && counted[0]) show(counted[0].name);
                // What was scanned makes room for the next; what was typed is still being read.
                if (exact) setWords('');
              }}
            />
          </label>
          <Scan title={say`Scan the label of a lot`} onRead={scanned} />
        </div>
        <Button
          look="main"
          className="min-h-14"
          onClick={() => {
            setPicked(null);
            setAdding(true);
          }}
        >{say`Put a lot on the shelf`}</Button>
      </div>
      {picked !== null && !lot ? <p role="status" className="mt-2 text-lg">{say`There is no lot ${picked} here.`}</p> : null}
      <Needs needs={view.needs} units={units} />
      <div className={`mt-4 grid items-start gap-6 ${adding || lot ? 'lg:grid-cols-[1fr_26rem]' : ''}`}>
        <div className={adding || lot ? 'order-1 lg:sticky lg:top-4 lg:order-2' : 'hidden'}>
          {adding ? (
            <LotForm was={null} start={whole({ material: '', id: nextName(all) })} title={view.materials} put={put} onClose={() => setAdding(false)} />
          ) : null}
          {lot && !adding ? <LotPanel key={lot.name} lot={lot} today={view.today} onClose={() => setPicked(null)} /> : null}
        </div>
        <div className="order-2 min-w-0 lg:order-1">
          {boards(counted).map((board) => (
            <Board key={board.place ?? ''} place={board.place} lots={board.lots} picked={picked} onPick={pick} />
          ))}
          <Pieces pieces={view.pieces} words={words} />
          <Said lots={said} picked={picked} onPick={pick} heading={say`There, and nobody counts it`} />
          <Said lots={found(view.gone, words).filter((each) => each.lot.id)} picked={picked} onPick={pick} heading={say`Used up or thrown away`} />
          <Tables />
        </div>
      </div>
    </div>
  );
}

interface LotsProps {
  lots: readonly LotView[];
  picked: string | null;
  onPick: (name: string) => void;
}

function Board({ place, lots, picked, onPick }: LotsProps & { place: string | null }) {
  const name = place ?? say`No place given`;
  return (
    <section aria-label={name} className="mb-6">
      <div className="flex flex-wrap items-stretch gap-y-4">
        {lots.map((lot) => (
          <Tin key={lot.name} lot={lot} picked={lot.name === picked} onPick={() => onPick(lot.name)} />
        ))}
        <span className="flex-1 border-b-8 border-strong-line" />
      </div>
      <h2 className="lettering mt-1">{name}</h2>
    </section>
  );
}

function Said({ lots, picked, onPick, heading }: LotsProps & { heading: string }) {
  if (lots.length === 0) return null;
  return (
    <section aria-label={heading} className="mb-6">
      <h2 className="text-xl">{heading}</h2>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {lots.map((lot) => (
          <button
            key={lot.name}
            type="button"
            aria-pressed={lot.name === picked}
            onClick={() => onPick(lot.name)}
            className="min-h-11 rounded-sm border-2 border-line bg-sheet px-3 text-left font-medium aria-pressed:border-act aria-pressed:bg-act aria-pressed:text-on-act"
          >
            {lot.lot.id ? <span className="numeral mr-2">{lot.name}</span> : null}
            {lot.title}
          </button>
        ))}
      </div>
    </section>
  );
}

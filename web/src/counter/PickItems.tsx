import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { catalogueQuery, itemsQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { found } from '../intake/find';
import { NewItem } from '../intake/NewItem';
import { tagIn } from '../scan/address';
import { Scan } from '../scan/Scan';
import { Button } from '../ui/Button';
import { say } from '../words/say';
import { field } from './TicketFields';

type Item = Schemas['ItemView'];

/** So many are shown below what was typed. */
const shown = 5;

/** An item by any word, by a scan, or one that was not here before. */
export function PickItems({ picked, onAdd }: { picked: readonly Item[]; onAdd: (item: Item) => void }) {
  const items = useQuery(itemsQuery);
  const catalogue = useQuery(catalogueQuery);
  const [typed, setTyped] = useState('');
  const [isNew, setIsNew] = useState(false);
  const queryClient = useQueryClient();
  const words = tagIn(typed).trim();
  const hitsIn = (all: readonly Item[]) =>
    (words === '' ? [] : found(all, words, (item) => [item.tag, item.name])).filter((item) => !picked.some((each) => each.id === item.id));
  const hits = hitsIn(items.data ?? []);
  // A scanner is quicker than the list of a large fleet.
  const entered = async () => {
    const all = hitsIn(items.data ?? (await queryClient.query(itemsQuery)));
    const exact = all.find((item) => item.tag.toLowerCase() === words.toLowerCase()) ?? (all.length === 1 ? all[0] : undefined);
    if (exact) take(exact);
  };
  const scanned = async (code: string) => {
    const tag = tagIn(code);
    if (picked.some((each) => each.tag === tag)) return say`${tag} is on the ticket already.`;
    const item = (items.data ?? (await queryClient.query(itemsQuery))).find((each) => each.tag === tag);
    if (!item) return say`There is no item ${tag} here.`;
    onAdd(item);
    return null;
  };
  const take = (item: Item) => {
    onAdd(item);
    // What was typed meanwhile stays.
    setTyped((now) => (now === typed ? '' : now));
  };
  const added = (item: Item) => {
    take(item);
    setIsNew(false);
  };
  return (
    <div className="mt-4">
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void entered();
        }}
      >
        <label className="min-w-0 flex-1">
          <span className="lettering block">{say`Type or scan a tag`}</span>
          <input type="search" className={`${field} min-h-14`} value={typed} onChange={(event) => setTyped(event.target.value)} />
        </label>
        <Scan title={say`Scan the label of an item`} onRead={scanned} />
      </form>
      <ul aria-label={say`Found`}>
        {hits.slice(0, shown).map((item) => (
          <li key={item.id} className="border-b border-line">
            <button type="button" className="grid min-h-12 w-full grid-cols-[6.5rem_1fr] items-center text-left hover:bg-sheet" onClick={() => take(item)}>
              <span className="numeral text-xl">{item.tag}</span>
              <span>{item.name}</span>
            </button>
          </li>
        ))}
      </ul>
      <p role="status" className="min-h-6 text-faint">
        {hits.length > shown
          ? say`and ${hits.length - shown} more: type another word`
          : words !== '' && items.data && hits.length === 0
            ? say`Nothing here is called that.`
            : ''}
      </p>
      {isNew ? (
        <NewItem ready={catalogue.data !== undefined} words={say`Add it to the ticket`} onAdded={added} />
      ) : (
        <Button look="quiet" onClick={() => setIsNew(true)}>{say`It was never here before`}</Button>
      )}
    </div>
  );
}

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { useOnce } from '../api/once';
import { catalogueQuery, itemsQuery, ticketQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { found } from '../intake/find';
import { NewItem } from '../intake/NewItem';
import { fromLocalField } from '../measures/time';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { tagIn } from '../intake/tag';

type Item = Schemas['ItemView'];

/** So many are shown below what was typed. */
const shown = 5;

const field = 'h-12 w-full rounded-sm border-2 border-strong-line bg-sheet px-3 text-lg';

/** A customer, and what they bring. */
export function TakeIn() {
  const zone = useZone();
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const once = useOnce();
  const [name, setName] = useState('');
  const [reach, setReach] = useState('');
  const [note, setNote] = useState('');
  const [due, setDue] = useState('');
  const [items, setItems] = useState<readonly Item[]>([]);
  const open = useMutation({
    mutationFn: () => {
      const body = {
        customer: { name, reach: reach || null },
        items: items.map((item) => item.id),
        note: note || null,
        dueAt: due ? fromLocalField(due, zone) : null,
      };
      return ask(api.POST('/api/tickets', { params: { header: once(JSON.stringify(body)) }, body }));
    },
    onSuccess: async (ticket) => {
      queryClient.setQueryData(ticketQuery(ticket.id).queryKey, ticket);
      void queryClient.invalidateQueries({ queryKey: ['tickets'], exact: true });
      void queryClient.invalidateQueries({ queryKey: ['bench'] });
      await navigate({ to: '/tickets/$id', params: { id: String(ticket.id) } });
    },
  });
  const add = (item: Item) => setItems((before) => (before.some((each) => each.id === item.id) ? before : [...before, item]));
  return (
    <section aria-label={say`Take in`} className="border-l-2 border-ink pl-6 max-lg:border-l-0 max-lg:pl-0">
      <h2 className="text-2xl">{say`Take in`}</h2>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        <label>
          <span className="lettering block">{say`Who brings it`}</span>
          <input className={field} value={name} autoComplete="off" onChange={(event) => setName(event.target.value)} />
        </label>
        <label>
          <span className="lettering block">{say`How to reach them`}</span>
          <input className={field} value={reach} autoComplete="off" onChange={(event) => setReach(event.target.value)} />
        </label>
        <label>
          <span className="lettering block">{say`Needed by`}</span>
          <input type="datetime-local" className={field} value={due} onChange={(event) => setDue(event.target.value)} />
        </label>
        <label>
          <span className="lettering block">{say`What they say`}</span>
          <input className={field} value={note} autoComplete="off" onChange={(event) => setNote(event.target.value)} />
        </label>
      </div>
      <PickItems picked={items} onAdd={add} />
      <ul aria-label={say`What they bring`} className="mt-2">
        {items.map((item) => (
          <li key={item.id} className="flex items-center justify-between border-b border-line">
            <span>
              <span className="numeral mr-3 text-2xl">{item.tag}</span>
              {item.name}
            </span>
            <Button look="quiet" onClick={() => setItems(items.filter((each) => each.id !== item.id))}>
              {say`Take off`}
              <span className="sr-only"> {item.tag}</span>
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-4">
        <Problems problems={problemsIn(open.error)} />
        <Button look="main" size="hand" className="w-full" disabled={!name.trim() || items.length === 0 || open.isPending} onClick={() => open.mutate()}>
          {items.length > 1 ? say`Take ${items.length} items in` : say`Take it in`}
        </Button>
      </div>
    </section>
  );
}

/** An item by any word, by a scan, or one that was not here before. */
function PickItems({ picked, onAdd }: { picked: readonly Item[]; onAdd: (item: Item) => void }) {
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
        onSubmit={(event) => {
          event.preventDefault();
          void entered();
        }}
      >
        <label>
          <span className="lettering block">{say`Type or scan a tag`}</span>
          <input type="search" className={field} value={typed} onChange={(event) => setTyped(event.target.value)} />
        </label>
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

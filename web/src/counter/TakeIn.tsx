import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { useOnce } from '../api/once';
import { ticketQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { fromLocalField } from '../measures/time';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { PickItems } from './PickItems';
import { TicketFields, type TicketWords } from './TicketFields';

type Item = Schemas['ItemView'];

/** A customer, and what they bring. */
export function TakeIn() {
  const zone = useZone();
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const once = useOnce();
  const [words, setWords] = useState<TicketWords>({ name: '', reach: '', due: '', note: '' });
  const { name, reach, due, note } = words;
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
      <div className="mt-2">
        <TicketFields words={words} onType={setWords} />
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

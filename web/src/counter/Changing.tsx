import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { heard } from '../api/heard';
import { useOnce } from '../api/once';
import { itemsQuery, ticketQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { fromLocalField, toLocalField } from '../measures/time';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { PickItems } from './PickItems';
import { TicketFields, type TicketWords } from './TicketFields';

type Ticket = Schemas['TicketView'];

/** What a customer says later: another time, another number, one item more. */
export function Changing({ ticket }: { ticket: Ticket }) {
  const [open, setOpen] = useState<'words' | 'item' | null>(null);
  if (ticket.collectedAt) return null;
  return (
    <section aria-label={say`Change the ticket`} className="py-3">
      {open === 'words' ? (
        <Words key={ticket.version} ticket={ticket} close={() => setOpen(null)} />
      ) : open === 'item' ? (
        <OneMore ticket={ticket} close={() => setOpen(null)} />
      ) : (
        <p className="flex flex-wrap gap-3">
          <Button onClick={() => setOpen('words')}>{say`Change who, when, what`}</Button>
          <Button onClick={() => setOpen('item')}>{say`One item more`}</Button>
        </p>
      )}
    </section>
  );
}

function Words({ ticket, close }: { ticket: Ticket; close: () => void }) {
  const zone = useZone();
  const queryClient = useQueryClient();
  const [words, setWords] = useState<TicketWords>({
    name: ticket.customer.name,
    reach: ticket.customer.reach ?? '',
    due: ticket.dueAt ? toLocalField(ticket.dueAt, zone) : '',
    note: ticket.note ?? '',
  });
  const { name, reach, due, note } = words;
  const key = ticketQuery(ticket.id).queryKey;
  const put = useMutation({
    mutationFn: () =>
      ask(
        api.PUT('/api/tickets/{id}', {
          params: { path: { id: ticket.id }, header: { 'If-Match': ticket.version } },
          body: { customer: { name, reach: reach || null }, note: note || null, dueAt: due ? fromLocalField(due, zone) : null, collected: false },
        }),
      ),
    onSuccess: (view) => {
      heard(queryClient, key, view);
      for (const each of ['tickets', 'bench', 'days', 'mend']) void queryClient.invalidateQueries({ queryKey: [each] });
      close();
    },
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        put.mutate();
      }}
    >
      <TicketFields words={words} onType={setWords} />
      <Problems problems={problemsIn(put.error)} />
      <p className="mt-3 flex flex-wrap gap-3">
        <Button type="submit" look="main" disabled={!name.trim() || put.isPending}>{say`Save`}</Button>
        <Button onClick={close}>{say`Never mind`}</Button>
      </p>
    </form>
  );
}

function OneMore({ ticket, close }: { ticket: Ticket; close: () => void }) {
  const once = useOnce();
  const queryClient = useQueryClient();
  const items = queryClient.getQueryData(itemsQuery.queryKey) ?? [];
  const add = useMutation({
    mutationFn: (itemId: number) => {
      const body = { itemId, case: null, ticketId: ticket.id };
      return ask(api.POST('/api/mends', { params: { header: once(JSON.stringify(body)) }, body }));
    },
    onSuccess: () => {
      for (const each of ['tickets', 'bench', 'days']) void queryClient.invalidateQueries({ queryKey: [each] });
      close();
    },
  });
  return (
    <>
      <PickItems picked={items.filter((item) => ticket.mends.some((mend) => mend.tag === item.tag))} onAdd={(item) => add.mutate(item.id)} />
      <Problems problems={problemsIn(add.error)} />
      <Button onClick={close}>{say`Never mind`}</Button>
    </>
  );
}

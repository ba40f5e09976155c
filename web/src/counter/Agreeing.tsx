import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { useOnce } from '../api/once';
import type { Schemas } from '../api/types';
import { money } from '../measures/money';
import { dayAndClock } from '../measures/time';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';

interface Props {
  customer: string;
  ticketId: number;
  mend: Schemas['TicketMendView'];
}

/** What was said yes to, or what has to be told before it is. */
export function Agreeing({ customer, ticketId, mend }: Props) {
  const zone = useZone();
  const { yes } = mend;
  const isOpen = mend.status === 'draft' || mend.status === 'running';
  const said = yes ? (
    <p>
      {say`${yes.by} said yes ${dayAndClock(yes.at, zone)}`}
      {yes.upTo !== null ? say`, up to ${money(yes.upTo, yes.currency)}` : ''}
      {yes.heardBy ? say`, to ${yes.heardBy}` : ''}.
    </p>
  ) : null;
  if (!isOpen || mend.problems.length > 0 || mend.isAgreed) {
    return (
      <>
        {said}
        {yes ? <Told heading={say`What they were told`} lines={yes.told} /> : null}
      </>
    );
  }
  return (
    <>
      {said}
      {yes ? <p className="font-semibold text-late">{say`It costs more than that now: ask again.`}</p> : null}
      {mend.toTell.length > 0 ? (
        <>
          <Told heading={say`Tell them`} lines={mend.toTell} open />
          <YesForm key={mend.estimate?.most} customer={customer} ticketId={ticketId} mend={mend} />
        </>
      ) : (
        <p className="text-faint">{say`It is not mended here: there is nothing to agree. Log it and send it on.`}</p>
      )}
    </>
  );
}

function Told({ heading, lines, open = false }: { heading: string; lines: readonly string[]; open?: boolean }) {
  return (
    <details open={open}>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-act">{heading}</summary>
      <ul className="list-disc pb-2 pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </details>
  );
}

const field = 'h-11 w-full rounded-sm border-2 border-strong-line bg-sheet px-3 aria-invalid:border-late';

function YesForm({ customer, ticketId, mend }: Props) {
  const queryClient = useQueryClient();
  const once = useOnce();
  const [by, setBy] = useState(customer);
  const [heardBy, setHeardBy] = useState('');
  const [upTo, setUpTo] = useState(mend.estimate ? mend.estimate.most.toFixed(2) : '');
  const most = upTo.trim() === '' ? null : Number(upTo.replace(',', '.'));
  const agree = useMutation({
    mutationFn: () => {
      const body = { by, heardBy: heardBy || null, upTo: most };
      return ask(api.POST('/api/mends/{id}/agreements', { params: { path: { id: mend.id }, header: once(JSON.stringify(body)) }, body }));
    },
    onSuccess: () => {
      void queryClient.invalidateQueries({ queryKey: ['tickets', ticketId] });
      void queryClient.invalidateQueries({ queryKey: ['tickets'], exact: true });
    },
  });
  return (
    <form
      aria-label={say`A yes to ${mend.tag}`}
      className="grid items-end gap-3 sm:grid-cols-[1fr_1fr_9rem_auto]"
      onSubmit={(event) => {
        event.preventDefault();
        agree.mutate();
      }}
    >
      <label>
        <span className="lettering block">{say`Who says yes`}</span>
        <input className={field} value={by} onChange={(event) => setBy(event.target.value)} />
      </label>
      <label>
        <span className="lettering block">{say`Who heard it`}</span>
        <input className={field} value={heardBy} onChange={(event) => setHeardBy(event.target.value)} />
      </label>
      {mend.estimate ? (
        <label>
          <span className="lettering block">{say`Up to, ${mend.estimate.currency}`}</span>
          <input
            className={field}
            inputMode="decimal"
            value={upTo}
            aria-invalid={most !== null && !Number.isFinite(most)}
            onChange={(event) => setUpTo(event.target.value)}
          />
        </label>
      ) : (
        <span />
      )}
      <Button type="submit" look="main" disabled={!by.trim() || (most !== null && !Number.isFinite(most)) || agree.isPending}>{say`They said yes`}</Button>
      <div className="sm:col-span-4">
        <Problems problems={problemsIn(agree.error)} />
      </div>
    </form>
  );
}

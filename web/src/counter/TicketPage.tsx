import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import { api, ask, problemsIn } from '../api/client';
import { heard } from '../api/heard';
import { ticketQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { money } from '../measures/money';
import { dayAndClock, when } from '../measures/time';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { Agreeing } from './Agreeing';
import { Changing } from './Changing';
import { ItemLabels } from './ItemLabels';
import { mendStates, standings } from './standing';
import { useReady } from './useReady';

type Ticket = Schemas['TicketView'];
type TicketMend = Schemas['TicketMendView'];

const linkLook = 'inline-flex min-h-11 items-center font-semibold text-act underline underline-offset-4';

/** One ticket: who, what, what it costs, what was agreed, and whether it was collected. */
export function TicketPage() {
  const { id } = useParams({ from: '/tickets/$id' });
  const { data: ticket, error } = useQuery(ticketQuery(Number(id)));
  if (!ticket) return <div className="p-5">{error ? <Problems problems={problemsIn(error)} /> : say`Loading …`}</div>;
  return (
    <div className="mx-auto max-w-5xl px-5 py-5">
      <Head ticket={ticket} />
      <ul>
        {ticket.mends.map((mend) => (
          <OnTicket key={mend.id} ticket={ticket} mend={mend} />
        ))}
      </ul>
      {ticket.mends.length === 0 ? <p className="py-4 text-lg text-faint">{say`Nothing is on this ticket any more.`}</p> : null}
      <Changing ticket={ticket} />
      <Collecting ticket={ticket} />
    </div>
  );
}

function Head({ ticket }: { ticket: Ticket }) {
  const zone = useZone();
  const { words, mark, tone } = standings[ticket.standing];
  const id = String(ticket.id);
  return (
    <header className="border-b-2 border-ink pb-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-3xl">
          <span className="numeral">{ticket.id}</span> {ticket.customer.name}
        </h1>
        <p className={`text-lg font-semibold ${tone}`}>
          <span aria-hidden>{mark} </span>
          {words}
        </p>
      </div>
      <p className="text-faint">
        {[
          ticket.customer.reach,
          say`taken in ${dayAndClock(ticket.takenInAt, zone)}`,
          ticket.dueAt ? say`due ${dayAndClock(ticket.dueAt, zone)}` : say`no due time`,
        ]
          .filter(Boolean)
          .join(', ')}
      </p>
      {ticket.note ? <p className="mt-1 text-lg">{ticket.note}</p> : null}
      <nav aria-label={say`Papers`} className="flex flex-wrap gap-x-6">
        <Link to="/tickets/$id/paper" params={{ id }} className={linkLook}>{say`Ticket and item labels`}</Link>
        <Link to="/tickets/$id/bill" params={{ id }} className={linkLook}>{say`Bill`}</Link>
        <Link to="/counter" className={linkLook}>{say`All tickets`}</Link>
      </nav>
      <ItemLabels ticket={ticket} />
    </header>
  );
}

function OnTicket({ ticket, mend }: { ticket: Ticket; mend: TicketMend }) {
  const now = useNow();
  const zone = useZone();
  const readyAt = useReady()(mend);
  const isOpen = mend.status === 'draft' || mend.status === 'running';
  const late = isOpen && readyAt !== null && ticket.dueAt !== null && Date.parse(readyAt) > Date.parse(ticket.dueAt);
  const stage = mend.status === 'draft' ? 'look' : mend.status === 'running' ? 'mend' : 'prove';
  return (
    <li className="border-b border-line py-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="text-xl">
          <Link to="/mends/$id/$stage" params={{ id: String(mend.id), stage }} className="inline-flex min-h-11 items-center underline underline-offset-4">
            <span className="numeral mr-2 text-2xl">{mend.tag}</span> {mend.itemName}
          </Link>
        </h2>
        <p>
          {mendStates[mend.status]}
          {isOpen && readyAt ? (
            <span className={late ? 'font-semibold text-late' : ''}>
              {late ? say`, ready only ${when(readyAt, now, zone)}` : say`, ready ${when(readyAt, now, zone)}`}
            </span>
          ) : null}
        </p>
      </div>
      <Problems problems={mend.problems} />
      {mend.estimate ? (
        <p>
          {mend.status === 'handed-back'
            ? say`It came to ${money(mend.estimate.actual?.total ?? mend.estimate.planned.total, mend.estimate.currency)}. Asked for: ${money(mend.askedFor, mend.estimate.currency)}.`
            : say`Estimate ${money(mend.estimate.planned.total, mend.estimate.currency)}: from ${money(mend.estimate.least, mend.estimate.currency)} to ${money(mend.estimate.most, mend.estimate.currency)}.`}
        </p>
      ) : null}
      <Agreeing customer={ticket.customer.name} ticketId={ticket.id} mend={mend} />
    </li>
  );
}

function Collecting({ ticket }: { ticket: Ticket }) {
  const queryClient = useQueryClient();
  const zone = useZone();
  const key = ticketQuery(ticket.id).queryKey;
  const put = useMutation({
    mutationFn: (collected: boolean) =>
      ask(
        api.PUT('/api/tickets/{id}', {
          params: { path: { id: ticket.id }, header: { 'If-Match': ticket.version } },
          body: { customer: ticket.customer, note: ticket.note, dueAt: ticket.dueAt, collected },
        }),
      ),
    onSuccess: (view) => {
      heard(queryClient, key, view);
      void queryClient.invalidateQueries({ queryKey: ['tickets'], exact: true });
    },
    onError: () => void queryClient.invalidateQueries({ queryKey: key }),
  });
  return (
    <footer className="flex flex-wrap items-center justify-between gap-4 py-4">
      {ticket.currency ? <p className="text-2xl font-bold">{say`In all ${money(ticket.total, ticket.currency)}`}</p> : <span />}
      {ticket.collectedAt ? (
        <p>
          {say`Collected ${dayAndClock(ticket.collectedAt, zone)}`} <Button look="quiet" onClick={() => put.mutate(false)}>{say`Undo`}</Button>
        </p>
      ) : ticket.standing === 'to-collect' ? (
        <Button look="main" size="hand" disabled={put.isPending} onClick={() => put.mutate(true)}>{say`Collected`}</Button>
      ) : null}
      <Problems problems={problemsIn(put.error)} />
    </footer>
  );
}

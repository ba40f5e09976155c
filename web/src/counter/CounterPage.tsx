import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { problemsIn } from '../api/client';
import { ticketsQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { money } from '../measures/money';
import { when } from '../measures/time';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { Problems } from '../ui/Notice';
import { LooksDue } from '../prove/LooksDue';
import { say } from '../words/say';
import { standings } from './standing';
import { TakeIn } from './TakeIn';
import { useReady } from './useReady';

type Ticket = Schemas['TicketView'];

/** Who brought what, where it stands, and taking in the next. */
export function CounterPage() {
  const tickets = useQuery(ticketsQuery);
  return (
    <div className="mx-auto grid max-w-[1500px] gap-8 px-5 py-5 lg:grid-cols-[minmax(0,1fr)_30rem]">
      <section aria-label={say`Tickets`} className="max-lg:order-last">
        <h1 className="text-3xl">{say`Counter`}</h1>
        {tickets.data ? null : <Problems problems={problemsIn(tickets.error)} />}
        {tickets.data?.length === 0 ? <p className="mt-3 text-lg text-faint">{say`Nothing was taken in yet.`}</p> : null}
        <ul className="mt-2">
          {tickets.data?.map((ticket) => (
            <Row key={ticket.id} ticket={ticket} />
          ))}
        </ul>
        <LooksDue />
      </section>
      <TakeIn />
    </div>
  );
}

function Row({ ticket }: { ticket: Ticket }) {
  const now = useNow();
  const zone = useZone();
  const { words, mark, tone } = standings[ticket.standing];
  const ready = ticket.mends.map(useReady());
  const last = ready.every((at) => at !== null) && ready.length > 0 ? ready.reduce((a, b) => (Date.parse(a) > Date.parse(b) ? a : b)) : null;
  const late =
    last !== null && ticket.dueAt !== null && ticket.collectedAt === null && ticket.standing !== 'to-collect' && Date.parse(last) > Date.parse(ticket.dueAt);
  return (
    <li className="border-b border-line">
      <Link
        to="/tickets/$id"
        params={{ id: String(ticket.id) }}
        className="grid min-h-16 grid-cols-[4rem_1fr] items-center gap-x-3 py-2 hover:bg-sheet sm:grid-cols-[4rem_1fr_14rem_8rem]"
      >
        <span className="numeral text-3xl">{ticket.id}</span>
        <span className="leading-tight">
          <span className="block text-lg font-semibold">{ticket.customer.name}</span>
          <span className="block text-faint">{ticket.mends.map((mend) => mend.tag).join(', ') || say`nothing on it`}</span>
        </span>
        <span className="leading-tight max-sm:col-start-2">
          <span className={`block font-semibold ${tone}`}>
            <span aria-hidden>{mark} </span>
            {words}
          </span>
          <span className={`block ${late ? 'font-semibold text-late' : 'text-faint'}`}>
            {ticket.collectedAt ? when(ticket.collectedAt, now, zone) : ticket.dueAt ? say`due ${when(ticket.dueAt, now, zone)}` : say`no due time`}
            {late ? say`, ready only ${when(last, now, zone)}` : ''}
          </span>
        </span>
        <span className="numeral text-xl max-sm:col-start-2 sm:text-right">
          {ticket.currency && ticket.mends.length > 0 ? money(ticket.total, ticket.currency) : ''}
        </span>
      </Link>
    </li>
  );
}

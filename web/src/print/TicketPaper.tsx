import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { problemsIn } from '../api/client';
import { shopQuery, ticketQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { CodeLabel } from '../label/CodeLabel';
import { addressOf } from '../scan/address';
import { money } from '../measures/money';
import { dayAndClock } from '../measures/time';
import { useZone } from '../shop/zone';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { Sheet } from './Paper';

type Ticket = Schemas['TicketView'];

/** A paper of a ticket. */
export function OfTicket({ children }: { children: (ticket: Ticket) => ReactNode }) {
  const { id = '' } = useParams({ strict: false });
  const { data, error } = useQuery(ticketQuery(Number(id)));
  if (!data) return <div className="p-5">{error ? <Problems problems={problemsIn(error)} /> : say`Loading …`}</div>;
  return (
    <Sheet
      back={<Link to="/tickets/$id" params={{ id }} className="inline-flex min-h-11 items-center underline underline-offset-4">{say`Back to the ticket`}</Link>}
    >
      {children(data)}
    </Sheet>
  );
}

/** Head of a paper of a ticket. */
export function TicketHead({ ticket, title }: { ticket: Ticket; title: string }) {
  const zone = useZone();
  const shop = useQuery(shopQuery);
  return (
    <header className="flex items-end justify-between border-b-2 border-ink pb-1">
      <h1 className="text-3xl">
        {title} <span className="numeral">{ticket.id}</span>
      </h1>
      <p className="text-right">
        {shop.data?.settings.name}
        <br />
        {say`Taken in ${dayAndClock(ticket.takenInAt, zone)}`}
      </p>
    </header>
  );
}

/** What the customer takes home, and a label for each item. */
export const TicketPaper = () => (
  <OfTicket>
    {(ticket) => (
      <>
        <TicketHead ticket={ticket} title={say`Ticket`} />
        <Receipt ticket={ticket} />
        <Labels ticket={ticket} />
      </>
    )}
  </OfTicket>
);

function Receipt({ ticket }: { ticket: Ticket }) {
  const zone = useZone();
  return (
    <section className="pt-3 text-lg">
      <p>
        <strong>{ticket.customer.name}</strong>
        {ticket.customer.reach ? `, ${ticket.customer.reach}` : ''}. {ticket.dueAt ? say`Needed by ${dayAndClock(ticket.dueAt, zone)}.` : say`No due time.`}
      </p>
      {ticket.note ? <p>{ticket.note}</p> : null}
      <ul className="mt-2">
        {ticket.mends.map((mend) => (
          <li key={mend.id} className="border-b border-line py-2">
            <div className="flex justify-between gap-4">
              <span>
                <span className="numeral mr-2 text-xl">{mend.tag}</span>
                {mend.itemName}
              </span>
              <span className="whitespace-nowrap">
                {mend.yes
                  ? mend.yes.upTo === null
                    ? say`agreed`
                    : say`agreed up to ${money(mend.yes.upTo, mend.yes.currency)}`
                  : mend.estimate
                    ? say`estimate ${money(mend.estimate.least, mend.estimate.currency)} to ${money(mend.estimate.most, mend.estimate.currency)}`
                    : ''}
              </span>
            </div>
            <ul className="list-disc pl-5 text-base">
              {(mend.yes?.told ?? mend.toTell).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      <p className="mt-8 w-1/2 border-t border-dotted border-ink">{say`Agreed, by whoever brought it`}</p>
    </section>
  );
}

function Labels({ ticket }: { ticket: Ticket }) {
  const zone = useZone();
  return (
    <ul aria-label={say`Item labels`} className="mt-8 grid gap-4 sm:grid-cols-2 print:grid-cols-2">
      {ticket.mends.map((mend) => (
        <CodeLabel
          key={mend.id}
          code={addressOf(mend.tag)}
          name={mend.tag}
          lines={[mend.itemName, say`Ticket ${ticket.id}, ${ticket.customer.name}`, ticket.dueAt ? say`due ${dayAndClock(ticket.dueAt, zone)}` : null]}
        />
      ))}
    </ul>
  );
}

import { useQuery } from '@tanstack/react-query';
import { catalogueQuery, shopQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { money } from '../measures/money';
import { BillLines } from '../plan/BillLines';
import { say } from '../words/say';
import { OfTicket, TicketHead } from './TicketPaper';

/** What is asked for a ticket, item by item and line by line. */
export const BillPaper = () => (
  <OfTicket>
    {(ticket) => (
      <>
        <TicketHead ticket={ticket} title={say`Bill`} />
        <p className="pt-3 text-lg">
          <strong>{ticket.customer.name}</strong>
          {ticket.customer.reach ? `, ${ticket.customer.reach}` : ''}
        </p>
        {ticket.currency ? null : <p className="pt-3 text-lg">{say`The shop has not said what it asks for an hour. Write it down under Shop.`}</p>}
        {ticket.mends.map((mend) => (
          <Billed key={mend.id} mend={mend} />
        ))}
        {ticket.currency ? (
          <p className="flex justify-between border-t-2 border-ink pt-2 text-2xl font-bold">
            <span>{say`In all`}</span>
            <span className="numeral">{money(ticket.total, ticket.currency)}</span>
          </p>
        ) : null}
      </>
    )}
  </OfTicket>
);

function Billed({ mend }: { mend: Schemas['TicketMendView'] }) {
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  const { estimate } = mend;
  if (!shop.data || !catalogue.data) return null;
  const done = mend.status === 'handed-back';
  const bill = estimate && (done ? (estimate.actual ?? estimate.planned) : estimate.planned);
  const spared = bill ? bill.total - mend.askedFor : 0;
  return (
    <section className="break-inside-avoid pt-4">
      <h2 className="text-xl">
        <span className="numeral mr-2">{mend.tag}</span>
        {mend.itemName}
      </h2>
      {mend.status === 'sent-on' ? <p>{say`Not mended here: nothing is asked for it.`}</p> : null}
      {bill && mend.status !== 'sent-on' ? (
        <>
          {done ? null : <p className="text-faint">{say`It is not done yet: this is the estimate.`}</p>}
          <BillLines bill={bill} currency={estimate.currency} unknown={say`not charged`} />
          {spared > 0.004 ? (
            <p className="flex justify-between">
              <span>{say`Above what was agreed, and not asked for`}</span>
              <span className="numeral">−{money(spared, estimate.currency)}</span>
            </p>
          ) : null}
        </>
      ) : null}
    </section>
  );
}

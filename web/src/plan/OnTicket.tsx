import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { ticketQuery } from '../api/queries';
import { money } from '../measures/money';
import { say } from '../words/say';

/** Whose it is, and whether they have said yes to it. */
export function OnTicket({ mendId, ticketId }: { mendId: number; ticketId: number }) {
  const { data: ticket } = useQuery(ticketQuery(ticketId));
  const mend = ticket?.mends.find((each) => each.id === mendId);
  if (!ticket || !mend) return <div className="min-h-11" />;
  const upTo = mend.yes?.upTo ?? null;
  return (
    <p className={`flex min-h-11 flex-wrap items-center gap-x-2 border-l-8 pl-3 ${mend.isAgreed ? 'border-line' : 'border-early'}`}>
      <Link
        to="/tickets/$id"
        params={{ id: String(ticket.id) }}
        className="inline-flex min-h-11 items-center font-semibold text-act underline underline-offset-4"
      >
        {say`Ticket ${ticket.id}, ${ticket.customer.name}`}
      </Link>
      <span className={mend.isAgreed ? '' : 'font-semibold'}>
        {!mend.isAgreed
          ? mend.yes
            ? say`It costs more than was agreed: ask again.`
            : say`Not agreed yet.`
          : upTo === null
            ? say`Agreed.`
            : say`Agreed up to ${money(upTo, mend.yes!.currency)}.`}
      </span>
    </p>
  );
}

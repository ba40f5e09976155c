import { problemsIn } from '../api/client';
import type { Schemas } from '../api/types';
import { useLabelPrinter } from '../instruments/labelPrinter';
import { addressOf } from '../scan/address';
import { dayAndClock } from '../measures/time';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';

/** A label for each item of a ticket out of the shop's label printer, with the code that opens it; nothing where none is attached. */
export function ItemLabels({ ticket }: { ticket: Schemas['TicketView'] }) {
  const zone = useZone();
  const { printer, left, send } = useLabelPrinter();
  if (!printer || ticket.mends.length === 0) return null;
  const labels = ticket.mends.map((mend) => ({
    lines: [mend.tag, mend.itemName, say`Ticket ${ticket.id}, ${ticket.customer.name}`, ticket.dueAt ? say`due ${dayAndClock(ticket.dueAt, zone)}` : ''],
    code: addressOf(mend.tag),
  }));
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <Button disabled={send.isPending} onClick={() => send.mutate(labels)}>
        {labels.length === 1 ? say`Print the item's label` : say`Print ${labels.length} item labels`}
      </Button>
      <span className="text-faint" role="status">
        {send.isSuccess ? say`Printed.` : ''} {say`${printer.name}: ${left} labels left`}
      </span>
      {send.isError ? <Problems problems={problemsIn(send.error)} /> : null}
    </div>
  );
}

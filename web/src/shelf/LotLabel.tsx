import { problemsIn } from '../api/client';
import { useLabelPrinter } from '../instruments/labelPrinter';
import { lotLines } from '../label/lotLines';
import { addressOfLot } from '../scan/address';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import type { LotView } from './shelfView';

/** The label of a lot out of the shop's label printer; nothing where none is attached, or where the lot has no name. */
export function LotLabel({ lot }: { lot: LotView }) {
  const { printer, left, send } = useLabelPrinter();
  if (!printer || !lot.lot.id) return null;
  return (
    <div className="mt-3">
      <Button disabled={send.isPending} onClick={() => send.mutate([{ lines: [lot.name, ...lotLines(lot)], code: addressOfLot(lot.name) }])}>
        {say`Print its label`}
      </Button>
      <span className="ml-3 text-faint" role="status">
        {send.isSuccess ? say`Printed.` : ''} {say`${printer.name}: ${left} labels left`}
      </span>
      {send.isError ? <Problems problems={problemsIn(send.error)} /> : null}
    </div>
  );
}

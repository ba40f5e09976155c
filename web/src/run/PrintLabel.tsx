import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { problemsIn } from '../api/client';
import { useLabelPrinter } from '../instruments/labelPrinter';
import { CupLabel } from '../label/CupLabel';
import { cupLabels, linesOf, type LabelledMend } from '../label/cupLabels';
import { clock } from '../measures/time';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

interface Props {
  mend: LabelledMend;
  /** The step that the cup is mixed at. */
  stepId: string;
}

/**
 * Prints the label of one cup from where hands are: on the shop's label printer where one is attached, else by this device; the bench stays as
 * it is behind the printer's own question.
 */
export function PrintLabel({ mend, stepId }: Props) {
  const { units } = useUnits();
  const zone = useZone();
  const [prints, setPrints] = useState(false);
  const { printer, left, send } = useLabelPrinter();
  const label = cupLabels(mend, units).find((each) => each.stepId === stepId);
  const print = () => (printer && label ? send.mutate([{ lines: linesOf(label, mend, (iso) => clock(iso, zone)), code: null }]) : setPrints(true));
  useKeys(['l'], print);
  useEffect(() => {
    if (!prints) return;
    const done = () => setPrints(false);
    window.addEventListener('afterprint', done);
    window.print();
    return () => window.removeEventListener('afterprint', done);
  }, [prints]);
  if (!label) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <Button className="min-h-14" disabled={send.isPending} onClick={print}>
        {say`Print its label`} <kbd className="opacity-80">L</kbd>
      </Button>
      {printer ? (
        <span className="text-faint" role="status">
          {send.isSuccess ? say`Printed.` : ''} {say`${printer.name}: ${left} labels left`}
        </span>
      ) : null}
      {send.isError ? (
        <>
          <Problems problems={problemsIn(send.error)} />
          <Button className="min-h-14" onClick={() => setPrints(true)}>{say`Print it with this device`}</Button>
        </>
      ) : null}
      {prints
        ? createPortal(
            <div className="print-alone max-w-md">
              <CupLabel label={label} mend={mend} />
            </div>,
            document.body,
          )
        : null}
    </div>
  );
}

import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { api, ask, problemsIn } from '../api/client';
import { useReading } from '../instruments/live';
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
  const roll = useReading('labels');
  const printer = roll?.instrument.isAttached ? roll.instrument : null;
  const label = cupLabels(mend, units).find((each) => each.stepId === stepId);
  const send = useMutation({
    mutationFn: ({ id, lines }: { id: string; lines: string[] }) =>
      ask(api.POST('/api/instruments/{id}/print', { params: { path: { id } }, body: { lines }, parseAs: 'text' })),
  });
  const print = () => (printer && label ? send.mutate({ id: printer.id, lines: linesOf(label, mend, (iso) => clock(iso, zone)) }) : setPrints(true));
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
      {printer && roll ? (
        <span className="text-faint" role="status">
          {send.isSuccess ? say`Printed.` : ''} {say`${printer.name}: ${roll.value ?? 0} labels left`}
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

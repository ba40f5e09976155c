import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { CupLabel } from '../label/CupLabel';
import { cupLabels, type LabelledMend } from '../label/cupLabels';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

interface Props {
  mend: LabelledMend;
  /** The step that the cup is mixed at. */
  stepId: string;
}

/** Prints the label of one cup from where hands are: the bench stays as it is behind the printer's own question. */
export function PrintLabel({ mend, stepId }: Props) {
  const { units } = useUnits();
  const [prints, setPrints] = useState(false);
  const label = cupLabels(mend, units).find((each) => each.stepId === stepId);
  useKeys(['l'], () => setPrints(true));
  useEffect(() => {
    if (!prints) return;
    const done = () => setPrints(false);
    window.addEventListener('afterprint', done);
    print();
    return () => window.removeEventListener('afterprint', done);
  }, [prints]);
  if (!label) return null;
  return (
    <>
      <Button className="min-h-14 self-start" onClick={() => setPrints(true)}>
        {say`Print its label`} <kbd className="opacity-80">L</kbd>
      </Button>
      {prints
        ? createPortal(
            <div className="print-alone max-w-md">
              <CupLabel label={label} mend={mend} />
            </div>,
            document.body,
          )
        : null}
    </>
  );
}

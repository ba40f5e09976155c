import { useState } from 'react';
import type { Front, Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { asRead } from '../measures/read';
import { typedIn } from '../measures/units';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';
import { ComparedReadings } from './ComparedReadings';
import { TestLasts } from './TestLasts';

interface Props {
  test: Schemas['ProofTest'];
  /** Most that passes, as the plan has it. */
  limit: number | null;
  stand: Front['test'];
  stepId: string;
  desk: MendDesk;
}

/** A test that could fail: measured where it can be, else by touch. */
export function ProofForm({ test, limit, stand, stepId, desk }: Props) {
  const [byHand, setByHand] = useState(false);
  const result = (value: number | null, passed: boolean) => desk.happened({ kind: 'proof', stepId, text: null, value, passed });
  const compares = !!test.tool?.readings && !!stand;
  return (
    <div className="flex flex-col gap-3">
      {test.tool?.needs ? (
        <p className="text-lg afar:hidden">
          <span className="lettering">{say`At hand`}</span> {test.tool.needs}
        </p>
      ) : null}
      {compares && !byHand ? (
        <ComparedReadings test={test} limit={limit} stand={stand} stepId={stepId} desk={desk} />
      ) : test.measures ? (
        <Measured test={test} limit={limit} busy={desk.busy} onResult={result} />
      ) : (
        <ByTouch test={test} stand={stand} stepId={stepId} desk={desk} onResult={result} />
      )}
      {compares ? (
        <button type="button" className="min-h-11 self-start text-act underline underline-offset-4" onClick={() => setByHand(!byHand)}>
          {byHand ? say`Read it twice here` : say`Only the difference is known`}
        </button>
      ) : null}
    </div>
  );
}

interface MeasuredProps extends Pick<Props, 'test' | 'limit'> {
  busy: boolean;
  onResult: (value: number | null, passed: boolean) => void;
}

/** What is measured at once. */
function Measured({ test, limit, busy, onResult }: MeasuredProps) {
  const { units } = useUnits();
  const [measured, setMeasured] = useState('');
  const quantity = typedIn(test.unit ?? '');
  const value = Number(measured.replace(',', '.'));
  const ready = measured.trim() !== '' && Number.isFinite(value);
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) onResult(quantity.kept(value, units), true);
      }}
    >
      <label>
        <span className="lettering block">{say`${test.measures}, ${quantity.unit(units)} (passes up to ${asRead(limit ?? 0, test.unit ?? '', units)})`}</span>
        <input
          inputMode="decimal"
          className="numeral h-20 w-44 rounded-sm border-2 border-strong-line bg-sheet px-4 text-4xl"
          value={measured}
          onChange={(event) => setMeasured(event.target.value)}
        />
      </label>
      <Button type="submit" size="hand" look="main" className="min-h-20 flex-1 text-2xl" disabled={!ready || busy}>{say`Save the result`}</Button>
    </form>
  );
}

/** What a hand, an eye or an ear decides; it may have to last before it passes. */
function ByTouch({ test, stand, stepId, desk, onResult }: Pick<Props, 'test' | 'stand' | 'stepId' | 'desk'> & Pick<MeasuredProps, 'onResult'>) {
  const now = useNow();
  const lasts = !!stand?.until && Date.parse(stand.until) > now;
  useKeys(['y', 'x'], (key) => !desk.busy && (key === 'x' || !lasts) && onResult(null, key === 'y'));
  return (
    <>
      {stand ? <TestLasts test={test} until={stand.until} stepId={stepId} desk={desk} isNext={!stand.until} /> : null}
      <div className="grid gap-3 sm:grid-cols-2">
        <Button
          size="hand"
          look={stand && !stand.until ? 'plain' : 'main'}
          className="min-h-20 text-2xl"
          disabled={desk.busy || lasts}
          onClick={() => onResult(null, true)}
        >
          {say`Yes, it passes`} <kbd className="text-base opacity-80">Y</kbd>
        </Button>
        <Button size="hand" look="stop" className="min-h-20 text-2xl" disabled={desk.busy} onClick={() => onResult(null, false)}>
          {say`No, it fails`} <kbd className="text-base opacity-80">X</kbd>
        </Button>
      </div>
    </>
  );
}

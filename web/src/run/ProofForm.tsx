import { useState } from 'react';
import type { Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { say } from '../words/say';

interface Props {
  test: Schemas['ProofTest'];
  /** Most that passes, as the plan has it. */
  limit: number | null;
  busy: boolean;
  onResult: (value: number | null, passed: boolean) => void;
}

/** A test that could fail: measured where it can be, else by touch. */
export function ProofForm({ test, limit, busy, onResult }: Props) {
  const [measured, setMeasured] = useState('');
  if (test.measures) {
    const value = Number(measured.replace(',', '.'));
    const ready = measured.trim() !== '' && Number.isFinite(value);
    return (
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) onResult(value, true);
        }}
      >
        <label>
          <span className="lettering block">{say`${test.measures}, ${test.unit} (passes up to ${Number(limit?.toFixed(2))} ${test.unit})`}</span>
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
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Button size="hand" look="main" className="min-h-20 text-2xl" disabled={busy} onClick={() => onResult(null, true)}>{say`Yes, it passes`}</Button>
      <Button size="hand" look="stop" className="min-h-20 text-2xl" disabled={busy} onClick={() => onResult(null, false)}>{say`No, it fails`}</Button>
    </div>
  );
}

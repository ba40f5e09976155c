import { useState } from 'react';
import type { Front, Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { useReading } from '../instruments/live';
import { asRead } from '../measures/read';
import { when } from '../measures/time';
import { typedIn } from '../measures/units';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';
import { TestLasts } from './TestLasts';

type Stand = NonNullable<Front['test']>;

interface Props {
  test: Schemas['ProofTest'];
  limit: number | null;
  stand: Stand;
  stepId: string;
  desk: MendDesk;
}

const tones = { passes: 'good', fails: 'late', 'too-close': 'early' } as const;
const words = { passes: say`It passes.`, fails: say`It fails.`, 'too-close': say`Too close to tell.` };

/** A test of two readings: what was read before, what is read after, and what the difference of both says. */
export function ComparedReadings({ test, limit, stand, stepId, desk }: Props) {
  const now = useNow();
  const zone = useZone();
  const { units } = useUnits();
  const { first, then, until, thenFrom, verdict } = stand;
  const { readings, forMin } = test.tool!;
  const unit = test.unit!;
  const told = (value: number) => asRead(value, unit, units);
  const save = () => desk.happened({ kind: 'proof', stepId, text: null, value: null, passed: true });
  useKeys(['d'], () => verdict && !desk.busy && save());
  return (
    <section aria-label={say`What is compared`} className="flex flex-col gap-3">
      {first ? (
        <Read label={readings!.first} at={when(first.at, now, zone)} value={told(first.value)} />
      ) : (
        <Reading {...{ unit, stepId, desk }} label={readings!.first} isNext />
      )}
      {forMin && first && !then ? <TestLasts test={test} until={until} stepId={stepId} desk={desk} isNext={!until} /> : null}
      {first && !then && thenFrom ? <p className="text-xl">{say`Read it again from ${when(thenFrom, now, zone)} on.`}</p> : null}
      {then ? <Read label={readings!.then} at={when(then.at, now, zone)} value={told(then.value)} /> : null}
      {first && !then ? <Reading {...{ unit, stepId, desk }} label={readings!.then} isNext={!forMin || !!until} /> : null}
      {verdict ? (
        <>
          <Notice tone={tones[verdict]} word={words[verdict]}>
            {say`${test.measures}: ${told(stand.difference!)}; up to ${told(limit ?? 0)} passes.`}{' '}
            {verdict === 'too-close' ? say`What it is read from may be ${told(stand.offBy ?? 0)} off: take a finer one, or do it again.` : ''}
          </Notice>
          <Button size="hand" look="main" className="min-h-20 text-2xl" disabled={desk.busy} onClick={save}>
            {say`Save the result`} <kbd className="text-base opacity-80">D</kbd>
          </Button>
        </>
      ) : null}
    </section>
  );
}

/** A reading that is there. */
function Read({ label, at, value }: { label: string; at: string; value: string }) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-4 border-b border-line pb-1">
      <span className="lettering">{label}</span>
      <strong className="numeral text-4xl leading-none">{value}</strong>
      <span className="text-faint">{at}</span>
    </p>
  );
}

interface ReadingProps extends Pick<Props, 'stepId' | 'desk'> {
  label: string;
  unit: string;
  /** Whether it is what the hand does next. */
  isNext: boolean;
}

/** A reading to be taken: from the scale, where one stands by and what is weighed is weighed on it, else typed. */
function Reading({ label, unit, stepId, desk, isNext }: ReadingProps) {
  const { units } = useUnits();
  const [typed, setTyped] = useState('');
  const scale = useReading('mass');
  const live = unit === 'g' && scale?.instrument.isAttached && scale.isStill ? scale : null;
  const quantity = typedIn(unit);
  const number = typed.trim() === '' ? null : Number(typed.replace(',', '.'));
  const value = number === null ? (live?.value ?? null) : quantity.kept(number, units);
  return (
    <form
      className="flex items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (value === null || !Number.isFinite(value)) return;
        desk.happened({ kind: 'measured', stepId, value, ...(number === null ? { resolution: live!.step } : {}) });
        setTyped('');
      }}
    >
      <label className="min-w-0 flex-1">
        <span className="lettering block">{say`${label}, ${quantity.unit(units)}`}</span>
        <input
          className="numeral h-20 w-full min-w-0 rounded-sm border-2 border-strong-line bg-sheet px-4 text-4xl"
          inputMode="decimal"
          placeholder={live?.value == null ? '' : String(quantity.shown(live.value, units))}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <Button
        type="submit"
        size="hand"
        look={isNext ? 'main' : 'plain'}
        className="min-h-20 text-2xl"
        disabled={value === null || !Number.isFinite(value) || desk.busy}
      >{say`Save it`}</Button>
    </form>
  );
}

import { useState } from 'react';
import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';
import { BenchReadings } from './BenchReadings';

const field = 'h-14 min-w-0 rounded-sm border-2 border-line bg-sheet px-3 text-lg';

/** Beside the main action: a note, a find, a reading of the bench, and taking the last one back. */
export function Extras({ desk }: { desk: MendDesk }) {
  const { happened, mend, busy } = desk;
  const finds = mend.run?.finds ?? [];
  // What the bench's own probe says, and what was learnt of a product, is nobody's to take back.
  const last = mend.events.findLast((each) => !isByItself(each));
  const canUndo = last !== undefined && last.kind !== 'undo';
  const undo = () => happened({ kind: 'undo', stepId: null, text: null, value: null, passed: null });
  useKeys(['u'], () => canUndo && !busy && undo());
  return (
    <section aria-label={say`Other actions`} className="flex flex-col gap-2 border-t border-line pt-3">
      <Line label={say`Note`} action={say`Save note`} onKeep={(text) => happened({ kind: 'note', stepId: null, text, value: null, passed: null })} />
      <Line
        label={say`Another leak or flaw, found at`}
        action={say`Save find`}
        onKeep={(text) => happened({ kind: 'find', stepId: mend.run?.currentStepId ?? null, text, value: null, passed: null })}
      />
      {finds.length > 0 ? (
        <p>
          <strong>{say`Found while working:`}</strong> {finds.join('; ')}
          {say`. On the item’s record; each needs a mend of its own.`}
        </p>
      ) : null}
      <BenchReadings desk={desk} />
      <div>
        <Button className="min-h-14" disabled={!canUndo || busy} onClick={undo}>
          {say`Undo last`} <kbd className="text-sm">U</kbd>
        </Button>
      </div>
    </section>
  );
}

const probed: readonly string[] = ['reading', 'surface', 'humidity', 'light'];

const isByItself = ({ kind, text, resolution }: MendDesk['mend']['events'][number]) =>
  kind === 'pace' || (probed.includes(kind) && resolution !== null) || (kind === 'pressure' && text !== null);

/** One line of words that is kept. */
function Line({ label, action, onKeep }: { label: string; action: string; onKeep: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) onKeep(text.trim());
        setText('');
      }}
    >
      <input aria-label={label} placeholder={label} className={`${field} flex-1`} value={text} onChange={(event) => setText(event.target.value)} />
      <Button type="submit" className="min-h-14 w-40">
        {action}
      </Button>
    </form>
  );
}

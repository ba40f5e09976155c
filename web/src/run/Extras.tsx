import { useEffect, useState } from 'react';
import type { MendDesk } from '../mend/useMend';
import { useUnits } from '../app/units';
import { Button } from '../ui/Button';
import { temperature } from '../ui/units';

/** Beside the main action: a note, a reading of the bench, and taking the last one back. */
export function Extras({ desk }: { desk: MendDesk }) {
  const { units } = useUnits();
  const [note, setNote] = useState('');
  const [reading, setReading] = useState('');
  const { happened, mend, busy } = desk;
  const last = mend.events.at(-1);
  const canUndo = last !== undefined && last.kind !== 'undo';
  useEffect(() => {
    const onKey = (press: KeyboardEvent) => {
      const typing = press.target instanceof HTMLInputElement || press.target instanceof HTMLTextAreaElement;
      if (press.key === 'u' && !typing && canUndo && !busy) happened({ kind: 'undo', stepId: null, text: null, value: null, passed: null });
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  });
  const field = 'h-14 min-w-0 rounded-sm border-2 border-line bg-sheet px-3 text-lg';
  return (
    <section aria-label="Besides" className="flex flex-col gap-2 border-t border-line pt-3">
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (note.trim()) happened({ kind: 'note', stepId: null, text: note.trim(), value: null, passed: null });
          setNote('');
        }}
      >
        <input aria-label="Note" placeholder="Note" className={`${field} flex-1`} value={note} onChange={(event) => setNote(event.target.value)} />
        <Button type="submit" className="min-h-14">
          Keep the note
        </Button>
      </form>
      <div className="flex flex-wrap gap-2">
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            happened({ kind: 'reading', stepId: null, text: null, value: temperature.kept(Number(reading.replace(',', '.')), units), passed: null });
            setReading('');
          }}
        >
          <input aria-label={`Bench now, ${temperature.unit(units)}`} placeholder={`Bench now, ${temperature.unit(units)}`} inputMode="decimal" className={`${field} w-44`} value={reading} onChange={(event) => setReading(event.target.value)} />
          <Button type="submit" className="min-h-14" disabled={reading.trim() === ''}>
            Keep the reading
          </Button>
        </form>
        <Button className="min-h-14" disabled={!canUndo || busy} onClick={() => happened({ kind: 'undo', stepId: null, text: null, value: null, passed: null })}>
          Take the last one back <kbd className="text-sm">U</kbd>
        </Button>
      </div>
    </section>
  );
}

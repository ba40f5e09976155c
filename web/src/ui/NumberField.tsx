import { Minus, Plus } from 'lucide-react';
import { useId, useState } from 'react';
import { say } from '../words/say';

interface Props {
  label: string;
  value: number;
  unit: string;
  step: number;
  onChange: (value: number) => void;
  hint?: string;
  wrong?: boolean;
  /** Least and most that it may be, in the unit that is shown: turning stops there, and typing past it is told. */
  limits?: { least: number; most: number };
}

/** What stands in the field for a number; for what is none, such as an empty field that was kept, nothing. */
const written = (value: number) => (Number.isNaN(value) ? '' : String(value));

const read = (text: string) => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));

/**
 * A number to turn or to type. What was typed stays as typed, right or wrong: the plan says what is wrong with it, and
 * nothing is corrected behind anybody's back.
 */
export function NumberField({ label, value, unit, step, onChange, hint: said, wrong, limits }: Props) {
  const id = useId();
  const [text, setText] = useState(() => written(value));
  const [shown, setShown] = useState(value);
  // A value that came from elsewhere replaces the text; the value that this very text stands for does not.
  if (!Object.is(shown, value)) {
    setShown(value);
    if (!Object.is(read(text), value)) setText(written(value));
  }
  const turn = (by: number) => {
    const next = Number((Math.round((value + by) / step) * step).toFixed(4));
    onChange(limits ? Math.min(limits.most, Math.max(limits.least, next)) : next);
  };
  const outside = limits !== undefined && (value < limits.least || value > limits.most);
  const hint = outside ? say`From ${limits.least} to ${limits.most} ${unit}` : said;
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="lettering mb-1 block">
        {label}
      </label>
      <div className={`flex h-11 items-stretch rounded-sm border-2 bg-sheet ${wrong || outside ? 'border-late' : 'border-line'} focus-within:border-act`}>
        <button type="button" aria-label={say`${label}: less`} className="w-10 shrink-0 border-r border-line" onClick={() => turn(-step)}>
          <Minus className="mx-auto size-4" aria-hidden />
        </button>
        <input
          id={id}
          inputMode="decimal"
          className="numeral w-full min-w-0 bg-transparent text-center text-lg"
          value={text}
          aria-invalid={wrong ?? outside}
          aria-describedby={hint ? `${id}-hint` : undefined}
          onChange={(event) => {
            setText(event.target.value);
            onChange(read(event.target.value));
          }}
        />
        <span className="self-center pr-2 whitespace-nowrap text-faint">{unit}</span>
        <button type="button" aria-label={say`${label}: more`} className="w-10 shrink-0 border-l border-line" onClick={() => turn(step)}>
          <Plus className="mx-auto size-4" aria-hidden />
        </button>
      </div>
      {hint ? (
        <p id={`${id}-hint`} className="mt-1 text-sm text-faint">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

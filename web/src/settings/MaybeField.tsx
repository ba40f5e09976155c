import { useState } from 'react';
import { useMeasured } from '../ui/limits';
import { say } from '../words/say';

interface Props {
  label: string;
  /** Path of the number in a case, by which its unit and its limits are known. */
  path: string;
  /** The number as it is kept, or null where it is left open. */
  value: number | null | undefined;
  hint?: string;
  onChange: (kept: number | null) => void;
}

/** A number that may be left open. */
export function MaybeField({ label, path, value, hint, onChange }: Props) {
  const { unit, shown, kept, limits } = useMeasured(path);
  const [text, setText] = useState(value === null || value === undefined ? '' : String(shown(value)));
  const typed = text.trim() === '' ? null : Number(text.replace(',', '.'));
  const outside = typed !== null && limits !== undefined && !(typed >= limits.least && typed <= limits.most);
  return (
    <label>
      <span className="lettering block">
        {label}, {unit}
      </span>
      <input
        inputMode="decimal"
        className={`h-11 w-full rounded-sm border-2 bg-sheet px-3 ${outside ? 'border-late' : 'border-line'}`}
        aria-invalid={outside}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          onChange(event.target.value.trim() === '' ? null : kept(Number(event.target.value.replace(',', '.'))));
        }}
      />
      {outside ? <span className="block text-sm text-late">{say`From ${limits.least} to ${limits.most} ${unit}`}</span> : null}
      {hint ? <span className="block text-sm text-faint">{hint}</span> : null}
    </label>
  );
}

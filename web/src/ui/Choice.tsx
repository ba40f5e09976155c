import { RadioGroup } from 'radix-ui';
import { useId } from 'react';

interface Props<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
  hideLabel?: boolean;
  /** For gloves, at the bench. */
  large?: boolean;
}

/** A few words to tap, one of them chosen. */
export function Choice<T extends string>({ label, value, options, onPick, hideLabel, large }: Props<T>) {
  const id = useId();
  return (
    <div>
      <div id={id} className={hideLabel ? 'sr-only' : 'lettering mb-1'}>
        {label}
      </div>
      <RadioGroup.Root aria-labelledby={id} value={value} onValueChange={(next) => onPick(next as T)} className="flex flex-wrap gap-1.5">
        {options.map(([option, words]) => (
          <RadioGroup.Item
            key={option}
            value={option}
            className={`${large ? 'min-h-14 px-5' : 'min-h-11 px-3'} rounded-sm border-2 border-line bg-sheet font-medium data-[state=checked]:border-act data-[state=checked]:bg-act data-[state=checked]:text-on-act`}
          >
            {words}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}

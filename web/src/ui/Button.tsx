import type { ButtonHTMLAttributes } from 'react';

type Look = 'main' | 'plain' | 'quiet' | 'stop';
type Size = 'hand' | 'desk';

const looks: Record<Look, string> = {
  main: 'bg-act text-on-act border-act',
  plain: 'bg-sheet text-ink border-strong-line',
  quiet: 'bg-transparent text-act border-transparent underline underline-offset-4',
  stop: 'bg-sheet text-late border-late',
};

const sizes: Record<Size, string> = {
  hand: 'min-h-16 px-6 text-xl',
  desk: 'min-h-11 px-4 text-base',
};

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: Look;
  size?: Size;
}

/** A button that says what the hand does. */
export function Button({ look = 'plain', size = 'desk', className = '', ...rest }: Props) {
  return (
    <button
      type="button"
      className={`inline-flex items-center justify-center gap-2 rounded-sm border-2 font-semibold disabled:opacity-50 ${looks[look]} ${sizes[size]} ${className}`}
      {...rest}
    />
  );
}

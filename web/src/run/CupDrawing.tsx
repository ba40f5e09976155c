import type { Level } from './pouring';

const [width, height, foot, top] = [150, 190, 34, 14];
const colours: Record<Level['part'], string> = {
  resin: 'var(--resin-soft)',
  hardener: 'var(--resin)',
  wax: 'var(--coat)',
  catalyst: 'var(--late)',
  filler: 'var(--foam)',
};

/** The cup as it fills: what is in it, part upon part, and the mark that the next one is poured to. */
export function CupDrawing({ levels, pouring }: { levels: readonly Level[]; pouring: Level['part'] | null }) {
  const y = (share: number) => height - 6 - share * (height - top - 6);
  // The wall leans outwards: at a height the cup is as wide as a straight line from foot to rim says.
  const half = (share: number) => (width / 2 - 8 - foot / 2) * share + foot / 2 + 8;
  const band = (from: number, to: number) => {
    const [a, b] = [half(from), half(to)];
    const middle = width / 2;
    return `M${String(middle - a)} ${String(y(from))} L${String(middle + a)} ${String(y(from))} L${String(middle + b)} ${String(y(to))} L${String(middle - b)} ${String(y(to))} Z`;
  };
  const marked = levels.find((level) => level.part === pouring);
  return (
    <svg viewBox={`0 0 ${String(width)} ${String(height)}`} className="h-32 w-25 shrink-0 sm:h-44 sm:w-36" aria-hidden>
      {levels.map((level) => (
        <path key={level.part} d={band(level.from, level.filled)} fill={colours[level.part]} />
      ))}
      <path
        d={`M${String(width / 2 - half(1))} ${String(top)} L${String(width / 2 - half(0))} ${String(height - 6)} H${String(width / 2 + half(0))} L${String(width / 2 + half(1))} ${String(top)}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
        strokeLinejoin="round"
      />
      {marked ? (
        <g stroke="var(--ink)" strokeWidth="2">
          <path d={`M2 ${String(y(marked.mark))} H${String(width - 2)}`} strokeDasharray="7 4" />
          <path d={`M2 ${String(y(marked.mark) - 5)} V${String(y(marked.mark) + 5)} l8 -5 Z`} fill="var(--ink)" stroke="none" />
        </g>
      ) : null}
    </svg>
  );
}

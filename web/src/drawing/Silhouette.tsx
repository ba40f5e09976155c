import { RadioGroup } from 'radix-ui';
import type { Construction } from '../api/types';

/** Where each place of a board lies on its silhouette, in percent of the drawing. */
const boardPlaces: Record<string, { left: number; top: number }> = {
  nose: { left: 4, top: 25 },
  deck: { left: 43, top: 25 },
  rail: { left: 64, top: 36 },
  tail: { left: 86, top: 25 },
  bottom: { left: 41, top: 75 },
  'fin-box': { left: 69, top: 75 },
};

interface Props {
  construction: Construction;
  value: string;
  onPick: (location: string) => void;
}

/** Tap the silhouette where it is hurt: deck side above, bottom side below. */
export function Silhouette({ construction, value, onPick }: Props) {
  return (
    <div className="relative">
      <svg viewBox="0 0 480 136" width="100%" aria-hidden>
        <Board y={34} words="from above" />
        <Board y={102} words="from below" fins />
      </svg>
      <RadioGroup.Root aria-label="Where is it hurt?" value={value} onValueChange={onPick}>
        {construction.locations.map((location) => {
          const place = boardPlaces[location.id] ?? { left: 0, top: 0 };
          return (
            <RadioGroup.Item
              key={location.id}
              value={location.id}
              className="absolute min-h-11 rounded-sm border-2 border-strong-line bg-sheet px-2.5 font-medium data-[state=checked]:border-late data-[state=checked]:bg-late data-[state=checked]:text-sheet"
              style={{ left: `${place.left}%`, top: `${place.top}%`, transform: 'translateY(-50%)' }}
            >
              {location.name}
            </RadioGroup.Item>
          );
        })}
      </RadioGroup.Root>
    </div>
  );
}

function Board({ y, words, fins }: { y: number; words: string; fins?: boolean }) {
  return (
    <g transform={`translate(0 ${y})`}>
      <path d="M8 0C60 -29 180 -32 290 -29C390 -26 450 -17 472 -7V7C450 17 390 26 290 29C180 32 60 29 8 0Z" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.5" />
      <path d="M8 0H472" stroke="var(--line)" strokeDasharray="6 4" />
      {fins ? <path d="M396 -14l24 -4M396 14l24 4M424 0h26" stroke="var(--ink)" strokeWidth="4" /> : null}
      <text x={96} y={4} fontSize={11} fill="var(--faint)">
        {words}
      </text>
    </g>
  );
}

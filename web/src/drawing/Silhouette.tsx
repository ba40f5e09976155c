import { RadioGroup } from 'radix-ui';
import type { Construction } from '../api/types';

/** Where each place of a board lies on its silhouette, in percent of the drawing. */
const boardPlaces: Record<string, { left: number; top: number }> = {
  nose: { left: 3, top: 17 },
  deck: { left: 40, top: 17 },
  rail: { left: 57, top: 36 },
  tail: { left: 84, top: 17 },
  bottom: { left: 36, top: 68 },
  'fin-box': { left: 72, top: 68 },
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
      <svg viewBox="0 0 480 176" width="100%" aria-hidden>
        <Board y={44} words="from above" />
        <Board y={134} words="from below" fins />
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
      <path d="M8 0C60 -38 180 -42 290 -38C390 -34 450 -22 472 -9V9C450 22 390 34 290 38C180 42 60 38 8 0Z" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.5" />
      <path d="M8 0H472" stroke="var(--line)" strokeDasharray="6 4" />
      {fins ? <path d="M386 -20l26 -5M386 20l26 5M420 0h28" stroke="var(--ink)" strokeWidth="4" /> : null}
      <text x={150} y={-24} fontSize={11} fill="var(--faint)">
        {words}
      </text>
    </g>
  );
}

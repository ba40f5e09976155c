import { RadioGroup } from 'radix-ui';
import type { Construction } from '../api/types';
import { silhouettes } from './silhouettes';
import { say } from '../words/say';

interface Props {
  construction: Construction;
  value: string;
  onPick: (location: string) => void;
}

/** Tap the silhouette where it is hurt. Each place lies where the catalogue puts it. */
export function Silhouette({ construction, value, onPick }: Props) {
  const art = silhouettes[construction.silhouette];
  return (
    <div className="relative">
      <svg viewBox="0 0 480 136" width="100%" aria-hidden>
        {art.outline.map((path) => (
          <path key={path} d={path} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.5" strokeLinejoin="round" />
        ))}
        {art.lines.map((path) => (
          <path key={path} d={path} fill="none" stroke="var(--strong-line)" strokeDasharray="6 4" />
        ))}
        {art.words.map(([x, y, words]) => (
          <text key={words} x={x} y={y} fontSize={11} fill="var(--faint)" stroke="var(--sheet)" strokeWidth={4} paintOrder="stroke">
            {words}
          </text>
        ))}
      </svg>
      <RadioGroup.Root aria-label={say`Where is the damage?`} value={value} onValueChange={onPick}>
        {construction.locations.map((location) => (
          <RadioGroup.Item
            key={location.id}
            value={location.id}
            className="absolute min-h-11 rounded-sm border-2 border-strong-line bg-sheet px-2.5 font-medium data-[state=checked]:border-late data-[state=checked]:bg-late data-[state=checked]:text-sheet"
            style={{ left: `${location.xPercent}%`, top: `${location.yPercent}%`, transform: 'translateY(-50%)' }}
          >
            {location.name}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}

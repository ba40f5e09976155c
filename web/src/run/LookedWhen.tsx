import { useNow } from '../shop/clock';
import { say } from '../words/say';

const minutesAgo = [0, 5, 10, 20, 40, 60, 120, 240] as const;

/** When somebody looked: what was found an hour ago is told as of an hour ago. Nothing before the wait began is offered. */
export function LookedWhen({ since, ago, onPick }: { since: string; ago: number; onPick: (minutes: number) => void }) {
  const now = useNow();
  const waited = (now - Date.parse(since)) / 60_000;
  return (
    <label className="flex min-h-14 items-center gap-3 text-lg">
      {say`Looked`}
      <select className="min-h-14 rounded-sm border-2 border-line bg-sheet px-3" value={ago} onChange={(event) => onPick(Number(event.target.value))}>
        {minutesAgo
          .filter((minutes) => minutes === 0 || minutes < waited)
          .map((minutes) => (
            <option key={minutes} value={minutes}>
              {minutes === 0 ? say`just now` : minutes < 60 ? say`${minutes} min ago` : say`${minutes / 60} h ago`}
            </option>
          ))}
      </select>
    </label>
  );
}

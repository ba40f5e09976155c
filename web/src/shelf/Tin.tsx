import { amount } from '../measures/stock';
import { useUnits } from '../shop/units';
import { say } from '../words/say';
import { freshness, fullness, type Freshness, whole, type LotView } from './shelfView';

const bands: Record<Freshness, string> = {
  good: 'bg-good-soft text-good',
  soon: 'bg-resin-soft text-ink',
  past: 'bg-late-soft text-late',
  endless: 'bg-early-soft text-ink',
};

/** A lot as it stands there: as full as it is, with its name, what it is, and how long it is good. */
export function Tin({ lot, picked, onPick }: { lot: LotView; picked: boolean; onPick: () => void }) {
  const { units } = useUnits();
  const full = fullness(lot);
  const { unit, had, openedOn } = whole(lot.lot);
  return (
    <span className="flex w-42 items-end border-b-8 border-strong-line px-1 max-sm:w-1/2">
      <button
        type="button"
        aria-pressed={picked}
        onClick={onPick}
        className="flex w-full flex-col rounded-t-md border-2 border-b-0 border-strong-line bg-sheet text-left aria-pressed:border-act aria-pressed:outline-3 aria-pressed:outline-act"
      >
        <span className={`relative block h-24 w-full overflow-hidden border-b border-line ${full === null ? 'hatch-early' : ''}`}>
          {full === null ? null : <span className="absolute inset-x-0 bottom-0 bg-resin-soft" style={{ height: `${full * 100}%` }} />}
          <span className="relative flex h-full flex-col justify-between p-2">
            <span className="flex items-baseline justify-between gap-2">
              <strong className="numeral min-w-0 truncate text-xl leading-tight">{lot.name}</strong>
              <span className="text-sm">{openedOn ? say`open` : say`sealed`}</span>
            </span>
            <span className="font-bold">
              {lot.left === null ? say`not counted` : lot.left <= 0 ? say`should be empty` : amount(lot.left, unit, units)}
              {lot.left !== null && had ? <span className="sr-only"> {say`of ${amount(had, unit, units)}`}</span> : null}
            </span>
          </span>
        </span>
        <span className="block min-h-14 px-2 py-1 text-sm leading-tight font-medium">{lot.title}</span>
        <span className={`block px-2 py-1 text-sm leading-tight font-semibold ${bands[freshness(lot)]}`}>{goodFor(lot)}</span>
      </button>
    </span>
  );
}

/** From here on nobody counts the days. */
const longDays = 90;
const daysInMonth = 30.4;

/** How long it is good, in words. */
export function goodFor(lot: LotView): string {
  const { daysLeft } = lot;
  if (daysLeft === null) return say`keeps`;
  if (daysLeft < 0) return daysLeft === -1 ? say`past since yesterday` : say`past for ${-daysLeft} days`;
  if (daysLeft === 0) return say`good today, and no longer`;
  if (daysLeft > longDays) return say`good ${Math.floor(daysLeft / daysInMonth)} more months`;
  return daysLeft === 1 ? say`good 1 more day` : say`good ${daysLeft} more days`;
}

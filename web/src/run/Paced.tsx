import type { Schemas } from '../api/types';
import { lookWords, paceWords } from '../measures/pace';
import { when } from '../measures/time';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { say } from '../words/say';

/** What touch has taught of what is waited for, and what that makes of the window. */
export function Paced({ pace, name }: { pace: Schemas['PacedWindow']; name: string }) {
  const now = useNow();
  const zone = useZone();
  const at = (iso: string | null | undefined) => when(iso, now, zone);
  return (
    <p className="border-l-4 border-early pl-3">
      <strong>
        {name} {paceWords(pace.rate)}
      </strong>{' '}
      ({lookWords(pace.looks)}).{' '}
      {pace.byLabel
        ? say`It bears load, so its label counts: ${at(pace.labelAt)}.`
        : pace.isReckonedWith
          ? say`Expect it between ${at(pace.earliestAt)} and ${at(pace.latestAt)}; by the label it would be ${at(pace.labelAt)}.`
          : say`Too little is known to go by it: this is the label’s time.`}
    </p>
  );
}

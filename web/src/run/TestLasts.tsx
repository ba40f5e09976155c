import type { Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { clock, countdown } from '../measures/time';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

interface Props {
  test: Schemas['ProofTest'];
  /** When it has lasted long enough; null before it was begun. */
  until: string | null;
  stepId: string;
  desk: MendDesk;
  /** Whether beginning it is what the hand does next. */
  isNext: boolean;
}

/** The time that a test lasts: begun by a tap, counted by the shop and not by the page, so that it goes on while that is closed. */
export function TestLasts({ test, until, stepId, desk, isNext }: Props) {
  const now = useNow();
  const zone = useZone();
  const tool = test.tool!;
  const begin = () => desk.happened({ kind: 'begin', stepId, text: null, value: null, passed: null });
  const canBegin = isNext && !until && !desk.busy;
  useKeys(['d'], () => canBegin && begin());
  if (!until)
    return (
      <Button size="hand" look={isNext ? 'main' : 'plain'} className="min-h-20 text-2xl" disabled={desk.busy} onClick={begin}>
        {say`${tool.begins}: count ${tool.forMin} minutes`} {isNext ? <kbd className="text-base opacity-80">D</kbd> : null}
      </Button>
    );
  const left = Date.parse(until) - now;
  return (
    <p className={`border-l-8 px-4 py-2 text-2xl font-bold ${left > 0 ? 'border-early bg-early-soft' : 'border-good bg-good-soft'}`} role="status">
      {left > 0 ? (
        <>
          {say`Leave it until ${clock(until, zone)}:`}{' '}
          <span className="numeral text-5xl leading-none afar:text-(length:--one-from-afar)">{countdown(left)}</span>
        </>
      ) : (
        say`Its ${tool.forMin} minutes are over. ${tool.ends}`
      )}
    </p>
  );
}

import { useState, type ReactNode } from 'react';
import type { Front, PlanStep } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { useReading } from '../instruments/live';
import { Button } from '../ui/Button';
import { say } from '../words/say';
import { CupCoach } from './CupCoach';
import { OtherDevice } from './OtherDevice';
import { PrintLabel } from './PrintLabel';

interface Props {
  cup: NonNullable<Front['cup']>;
  step: PlanStep;
  desk: MendDesk;
  /** How the step is done, with its figures. */
  details: ReactNode;
  /** What the hand says of the step itself; it is told whether the cup beside it leads. */
  children: (measured: boolean) => ReactNode;
}

/**
 * The cup that belongs to a step: open where something was poured already or a scale stands by, else one tap away, for many a hand measures
 * as it always did.
 */
export function CupAtStep({ cup, step, desk, details, children }: Props) {
  const scale = useReading('mass');
  const [asked, setAsked] = useState<boolean | null>(null);
  const isSpread = cup.stepId !== step.id;
  const begun = cup.parts.some((part) => part.poured > 0);
  const open = begun || (asked ?? (scale?.instrument.isAttached === true && !isSpread));
  // While a cup is spread, what the hand does is spread it: the next cup stands below.
  const leads = open && !isSpread;
  const coach = open ? (
    <CupCoach cup={cup} desk={desk} isSpread={isSpread} />
  ) : (
    <Button className="min-h-14 self-start" onClick={() => setAsked(true)}>
      {isSpread ? say`Measure in the next cup` : say`Measure it in, part by part`}
    </Button>
  );
  // Drops are drops, whatever the resin is measured with; a cup that was begun stays with its device.
  const isOpenToOthers = cup.parts.some((part) => part.part === 'hardener') && desk.mend.run?.steps.find((each) => each.stepId === step.id)?.phase === 'next';
  const label = desk.plan ? <PrintLabel mend={{ ...desk.mend, plan: desk.plan }} stepId={cup.stepId} /> : null;
  return isSpread ? (
    <>
      {details}
      {children(open)}
      {coach}
      {label}
    </>
  ) : (
    <>
      {leads ? null : details}
      {coach}
      {cup.turn === 'stir' && begun ? null : children(leads)}
      {isOpenToOthers && !begun ? <OtherDevice desk={desk} /> : null}
      {label}
      {leads ? details : null}
    </>
  );
}

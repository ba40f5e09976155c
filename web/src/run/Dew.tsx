import type { PlanStep } from '../api/types';
import { useSweating } from '../instruments/live';
import { measure } from '../measures/units';
import { useUnits } from '../shop/units';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

/** Stages at which a film of dew spoils what is done. */
const stages: readonly PlanStep['stage'][] = ['prepare', 'mix', 'apply'];

const degrees = '°C';
const apart = '°C apart';

/** Whether the item sweats, as the probes read it now: said before it is wiped, glued or coated. */
export function Dew({ step, mend }: { step: PlanStep; mend: number }) {
  const sweating = useSweating(mend);
  const { units } = useUnits();
  if (!sweating || !stages.includes(step.stage)) return null;
  const told = (celsius: number) => measure(celsius, degrees, 1, units);
  const what = sweating.isAir ? say`The air is at ${told(sweating.surfaceC)}` : say`The item is at ${told(sweating.surfaceC)}`;
  return sweating.isDry ? (
    <p className="text-faint">
      {what}, {say`dew falls at ${told(sweating.dewPointC)}: it stays dry.`} {sweating.isAir ? say`What came in from the cold is colder than the air.` : ''}
    </p>
  ) : (
    <Notice tone="late" word={say`It sweats.`}>
      {what}, {say`dew falls at ${told(sweating.dewPointC)}: only ${measure(Math.max(0, sweating.apartK), apart, 1, units)} between them.`}{' '}
      {say`Bring it to ${told(sweating.leastSurfaceC)} before it is wiped, glued or coated.`}
    </Notice>
  );
}

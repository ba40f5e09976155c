import { useState } from 'react';
import type { PlanStep } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { damagesOf } from '../desk/reached';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

/** A failed test is not an end: it is gone back from, or tested again. */
export function FailedTest({ desk, step, leadsBackTo }: { desk: MendDesk; step: PlanStep; leadsBackTo: string | null }) {
  const plan = desk.plan!;
  const tested = damagesOf(step);
  const before = plan.steps.slice(0, plan.steps.indexOf(step) + 1).filter((each) => tested.includes(each.timing.damage));
  const [target, setTarget] = useState(leadsBackTo ?? before[0]!.id);
  return (
    <div className="flex flex-col gap-3">
      <Notice
        tone="late"
        word={say`The test failed.`}
      >{say`Find out why before it goes on. Everything from the step that you go back to is done again.`}</Notice>
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex-1">
          <span className="lettering block">{say`Go back to`}</span>
          <select
            className="h-16 w-full rounded-sm border-2 border-strong-line bg-sheet px-3 text-lg"
            value={target}
            onChange={(event) => setTarget(event.target.value)}
          >
            {before.map((each, i) => (
              <option key={each.id} value={each.id}>
                {tested.length > 1 ? `[${damagesOf(each).join(', ')}] ` : `${i + 1}. `}
                {each.title}
              </option>
            ))}
          </select>
        </label>
        <Button
          size="hand"
          look="main"
          disabled={desk.busy}
          onClick={() => desk.happened({ kind: 'redo', stepId: target, text: null, value: null, passed: null })}
        >{say`Go back there`}</Button>
      </div>
    </div>
  );
}

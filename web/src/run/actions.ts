import type { NewEvent, PlanStep, RunState } from '../api/types';
import { say } from '../words/say';

/** What the hand can say at a step: its words, its key, and what is kept. */
export interface RunAction {
  kind: NewEvent['kind'];
  words: string;
  key: string;
}

export function actionsFor(step: Pick<PlanStep, 'stage' | 'useWithinMin'>, phase: RunState['phase']): readonly RunAction[] {
  switch (phase) {
    case 'next':
      // The pot clock runs from the first drop, so mixing has a beginning of its own.
      return step.stage === 'mix' && step.useWithinMin !== null
        ? [{ kind: 'begin', words: say`Mix it now`, key: 'd' }]
        : [{ kind: 'hands-done', words: say`Done`, key: 'd' }];
    case 'hands':
      return [{ kind: 'hands-done', words: step.stage === 'mix' ? say`Mixed` : say`Done`, key: 'd' }];
    case 'waiting':
      return [
        { kind: 'ready', words: say`Ready`, key: 'r' },
        { kind: 'not-yet', words: say`Not yet`, key: 'n' },
      ];
    default:
      return [];
  }
}

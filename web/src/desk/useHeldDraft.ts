import { useCallback, useEffect, useRef } from 'react';
import { claim, draftsUnsent, dropDraft, keepDraft, type UnsentDraft } from '../outbox/drafts';
import { keyOfThisPage } from '../outbox/page';
import type { LeftBehind } from './leftBehind';

type Held = LeftBehind['held'];

/** How often it is looked whether another page left a change of this mend unsent, in milliseconds. */
const everyMs = 5000;

/**
 * The change of a draft that this device holds for the desk until the server has it. What an earlier page or a closed tab left
 * unsent is taken up as if it had been written here.
 */
export function useHeldDraft(mendId: number, isDraft: boolean, takeUp: (left: UnsentDraft, answers: () => void) => 'taken' | 'busy' | 'stale') {
  const held = useRef<Held>({ desk: '', stamp: '' });
  const hold = useCallback(
    (draft: Omit<UnsentDraft, 'mendId' | 'stamp'>) => {
      held.current = { desk: held.current.desk || keyOfThisPage(), stamp: crypto.randomUUID() };
      return keepDraft(held.current.desk, { ...draft, mendId, stamp: held.current.stamp });
    },
    [mendId],
  );
  const adopt = useCallback((other: Held) => (held.current = other), []);
  /** What is held, which another desk answers for from now on. */
  const give = useCallback(() => {
    const given = held.current;
    held.current = { desk: '', stamp: '' };
    return given;
  }, []);
  const letGo = useCallback(() => {
    if (held.current.stamp) dropDraft(held.current.desk, held.current.stamp);
    held.current = { desk: '', stamp: '' };
  }, []);
  useEffect(() => {
    if (!isDraft) return;
    let over = false;
    const look = async () => {
      for (const one of await draftsUnsent()) {
        const ours = one[1].mendId === mendId ? await claim(one) : null;
        if (over || !ours) continue;
        const [desk, left] = ours;
        const taken = takeUp(left, () => (held.current = { desk, stamp: left.stamp }));
        if (taken === 'stale') dropDraft(desk, left.stamp);
      }
    };
    void look();
    const again = setInterval(() => void look(), everyMs);
    return () => {
      over = true;
      clearInterval(again);
    };
  }, [mendId, isDraft, takeUp]);
  return { hold, letGo, give, adopt };
}

import { useDebouncer } from '@tanstack/react-pacer/debouncer';
import { useMutation } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { api, ask, isCollision, isOutOfReach, problemsIn } from '../api/client';
import type { MendView, Problem, RepairCase, RepairPlan } from '../api/types';

const saveAfterMs = 500;

/** Sent at once and one after another, whatever the browser thinks of the network: a shop's server is often on the same machine. */
export const inTurn = (id: number) => ({ scope: { id: `mend ${id}` }, networkMode: 'always' }) as const;

/** What became of the case that is on the page. */
export type Keeping =
  { state: 'kept'; at: string | null } | { state: 'keeping' } | { state: 'waiting' } | { state: 'faulty' } | { state: 'conflict'; mine: RepairCase };

/** What became of the case, and a promise that is kept once nothing of it is on its way any more, however it went. */
export function useKeeping() {
  const [keeping, show] = useState<Keeping>({ state: 'kept', at: null });
  const known = useRef(keeping);
  const askers = useRef<(() => void)[]>([]);
  const setKeeping = useCallback((next: Keeping) => {
    known.current = next;
    show(next);
    if (next.state !== 'keeping') askers.current.splice(0).forEach((answer) => answer());
  }, []);
  const decided = useCallback(() => (known.current.state === 'keeping' ? new Promise<void>((answer) => askers.current.push(answer)) : Promise.resolve()), []);
  return { keeping, setKeeping, decided };
}

/** Why a case was not planned: something in it is wrong, or nobody answered. */
export type Unplanned = 'faulty' | 'waiting';

/** Plans the newest case. One request is under way at a time; while it is, only the newest of the waiting ones is remembered. */
export function useReplan(setPreview: (plan: RepairPlan) => void, setProblems: (problems: readonly Problem[]) => void) {
  const running = useRef(false);
  const waiting = useRef<{ repairCase: RepairCase; done: (planned: true | Unplanned) => void } | null>(null);
  return useCallback(
    (repairCase: RepairCase, done: (planned: true | Unplanned) => void) => {
      const go = async (next: RepairCase, then: (planned: true | Unplanned) => void): Promise<void> => {
        running.current = true;
        try {
          setPreview(await ask(api.POST('/api/plans', { body: next })));
          setProblems([]);
          then(true);
        } catch (error) {
          if (!isOutOfReach(error)) setProblems(problemsIn(error));
          then(isOutOfReach(error) ? 'waiting' : 'faulty');
        } finally {
          running.current = false;
          const queued = waiting.current;
          waiting.current = null;
          if (queued) void go(queued.repairCase, queued.done);
        }
      };
      if (running.current) waiting.current = { repairCase, done };
      else void go(repairCase, done);
    },
    [setPreview, setProblems],
  );
}

/**
 * Keeps the newest case, half a second after the last change, or at once when the desk is left. What is sent to one mend is
 * sent one after another, so that each takes the version that the one before it made.
 */
export function useSaver(id: number, version: { current: number }, footing: { current: number }, { settle, onSent, onKept, onUnsaved, onConflict }: Answers) {
  const { mutate } = useMutation({
    ...inTurn(id),
    mutationFn: async ({ next, on }: Made) => {
      // It waited in turn, and meanwhile it was put together with somebody else's: under the version of that it would undo theirs.
      if (on !== footing.current) return null;
      onSent(next);
      return ask(api.PUT('/api/mends/{id}/case', { params: { header: { 'If-Match': version.current }, path: { id } }, body: next }));
    },
    onSuccess: (view, { next }) => {
      if (!view) return;
      settle(view);
      onKept(next);
    },
    onError: (error) => (isCollision(error) ? onConflict() : onUnsaved(isOutOfReach(error) ? 'waiting' : 'faulty')),
  });
  return useDebouncer((made: Made) => mutate(made), { wait: saveAfterMs, onUnmount: (waiting) => waiting.flush() });
}

/** A case as it was made on the page, and what the page stood on then. */
interface Made {
  next: RepairCase;
  on: number;
}

/** What is done with a case that is sent, and with what came of it. */
interface Answers {
  settle: (view: MendView) => void;
  onSent: (sent: RepairCase) => void;
  onKept: (kept: RepairCase) => void;
  onUnsaved: (why: Unplanned) => void;
  onConflict: () => Promise<void>;
}

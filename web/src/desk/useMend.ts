import { useDebouncer } from '@tanstack/react-pacer/debouncer';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, ask, problemsIn, Refused } from '../api/client';
import { mendQuery } from '../api/queries';
import type { MendView, NewEvent, Problem, RepairCase, RepairPlan } from '../api/types';
import { shopNow } from '../shop/clock';
import { useUnits } from '../shop/units';

const saveAfterMs = 500;

/** Sent at once and one after another, whatever the browser thinks of the network: a shop's server is often on the same machine. */
const inTurn = (id: number) => ({ scope: { id: `mend ${id}` }, networkMode: 'always' }) as const;

type Keeping = { state: 'kept'; at: string | null } | { state: 'keeping' } | { state: 'faulty' } | { state: 'conflict'; mine: RepairCase };

export interface MendState {
  mend: MendView;
  /** The case as it is on the page, kept or not. */
  repairCase: RepairCase;
  /** The last plan that could be made, which stays on the page while a number is wrong. */
  plan: RepairPlan | null;
  problems: readonly Problem[];
  keeping: Keeping;
  change: (next: RepairCase) => void;
  /** Changes the case as it is at that moment; stays the same function, so that what holds it need not be drawn again. */
  edit: (how: (repairCase: RepairCase) => RepairCase) => void;
  takeTheirs: () => void;
  keepMine: () => void;
  start: () => void;
  sendOn: () => void;
  discard: () => void;
  happened: (event: NewEvent) => void;
  busy: boolean;
  refused: readonly Problem[];
}

/**
 * One mend on the desk. Every change of a draft is planned at once and kept half a second later; a change that cannot be
 * planned stays on the page with what is wrong, and what was kept before stays kept.
 */
export function useMend(id: number, onGone: () => void): { desk: MendState | null; error: unknown } {
  const queryClient = useQueryClient();
  const query = useQuery({ ...mendQuery(id), refetchInterval: (q) => (q.state.data?.status === 'running' ? 10_000 : false) });
  const [draft, setDraft] = useState<RepairCase | null>(null);
  const [preview, setPreview] = useState<RepairPlan | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [keeping, setKeeping] = useState<Keeping>({ state: 'kept', at: null });
  const versionRef = useRef(0);
  const mend = query.data;
  useEffect(() => {
    if (mend) versionRef.current = Math.max(versionRef.current, mend.version);
  }, [mend]);

  const settle = useCallback(
    (view: MendView) => {
      versionRef.current = view.version;
      queryClient.setQueryData(mendQuery(id).queryKey, view);
      void queryClient.invalidateQueries({ queryKey: ['bench'] });
    },
    [id, queryClient],
  );

  const replan = useReplan(setPreview, setProblems);
  const newest = useRef<RepairCase | null>(null);
  const clear = useCallback(() => {
    newest.current = null;
    setDraft(null);
    setPreview(null);
  }, []);
  // A case that was kept only clears the page when nothing newer has been written on it meanwhile.
  const onKept = useCallback(
    (kept: RepairCase) => {
      if (newest.current !== kept) return;
      clear();
      setKeeping({ state: 'kept', at: new Date(shopNow()).toISOString() });
    },
    [clear],
  );
  const saver = useSaver(id, versionRef, settle, onKept, setKeeping);
  const change = useCallback(
    (next: RepairCase) => {
      newest.current = next;
      setDraft(next);
      setKeeping({ state: 'keeping' });
      replan(next, (planned) => (planned ? saver.maybeExecute(next) : setKeeping({ state: 'faulty' })));
    },
    [replan, saver],
  );
  const shown = useRef<RepairCase | null>(null);
  useEffect(() => {
    shown.current = draft ?? mend?.case ?? null;
  });
  // What is on the page is said anew when the units of the page change.
  const { units } = useUnits();
  useEffect(() => {
    if (newest.current) change(newest.current);
  }, [units, change]);
  const edit = useCallback<MendState['edit']>((how) => shown.current && change(how(shown.current)), [change]);

  const act = useMutation({
    ...inTurn(id),
    mutationFn: (action: (version: number) => Promise<MendView>) => action(versionRef.current),
    onSuccess: settle,
    onError: (error) => {
      if (error instanceof Refused && error.status === 409) void query.refetch();
    },
  });
  const send = (action: (version: number) => Promise<MendView>, onSuccess?: () => void) => {
    saver.flush();
    act.mutate(action, { onSuccess });
  };
  const header = (version: number) => ({ header: { 'If-Match': version }, path: { id } });
  if (!mend) return { desk: null, error: query.error };
  return {
    error: null,
    desk: {
      mend,
      repairCase: draft ?? mend.case,
      plan: preview ?? mend.plan,
      problems: draft ? problems : mend.problems,
      keeping,
      change,
      edit,
      takeTheirs: () => {
        clear();
        setProblems([]);
        setKeeping({ state: 'kept', at: null });
        versionRef.current = 0;
        void query.refetch();
      },
      keepMine: () => {
        if (keeping.state !== 'conflict') return;
        const { mine } = keeping;
        void query.refetch().then((fresh) => {
          versionRef.current = fresh.data?.version ?? versionRef.current;
          change(mine);
        });
      },
      start: () => send((version) => ask(api.POST('/api/mends/{id}/start', { params: header(version) }))),
      sendOn: () => send((version) => ask(api.POST('/api/mends/{id}/send-on', { params: header(version) }))),
      discard: () => send((version) => ask(api.DELETE('/api/mends/{id}', { params: header(version) })), onGone),
      happened: (event) => send((version) => ask(api.POST('/api/mends/{id}/events', { params: header(version), body: event }))),
      busy: act.isPending,
      refused: problemsIn(act.error),
    },
  };
}

/** Plans the newest case. One request is under way at a time; while it is, only the newest of the waiting ones is remembered. */
function useReplan(setPreview: (plan: RepairPlan) => void, setProblems: (problems: readonly Problem[]) => void) {
  const running = useRef(false);
  const waiting = useRef<{ repairCase: RepairCase; done: (planned: boolean) => void } | null>(null);
  return useCallback(
    (repairCase: RepairCase, done: (planned: boolean) => void) => {
      const go = async (next: RepairCase, then: (planned: boolean) => void): Promise<void> => {
        running.current = true;
        try {
          setPreview(await ask(api.POST('/api/plans', { body: next })));
          setProblems([]);
          then(true);
        } catch (error) {
          setProblems(problemsIn(error));
          then(false);
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
function useSaver(
  id: number,
  version: { current: number },
  settle: (view: MendView) => void,
  onKept: (kept: RepairCase) => void,
  setKeeping: (keeping: Keeping) => void,
) {
  const { mutate } = useMutation({
    ...inTurn(id),
    mutationFn: (next: RepairCase) => ask(api.PUT('/api/mends/{id}/case', { params: { header: { 'If-Match': version.current }, path: { id } }, body: next })),
    onSuccess: (view, kept) => {
      settle(view);
      onKept(kept);
    },
    onError: (error, mine) => setKeeping(error instanceof Refused && error.status === 409 ? { state: 'conflict', mine } : { state: 'faulty' }),
  });
  return useDebouncer((next: RepairCase) => mutate(next), { wait: saveAfterMs, onUnmount: (waiting) => waiting.flush() });
}

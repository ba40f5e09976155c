import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { api, ask, isCollision, isOutOfReach, problemsIn, Refused } from '../api/client';
import { heard } from '../api/heard';
import { mendQuery } from '../api/queries';
import type { MendView, NewEvent, Problem, RepairCase, RepairPlan } from '../api/types';
import { leaveBehind, takeOver, type LeftBehind } from './leftBehind';
import { inTurn, useKeeping, useReplan, useSaver, type Keeping, type Unplanned } from './saving';
import { useHeldDraft } from './useHeldDraft';
import { ahead } from '../outbox/ahead';
import { merge } from '../outbox/merge';
import { waitsStill } from '../outbox/drafts';
import { put, useOutbox, useStuck } from '../outbox/outbox';
import { shopNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { say } from '../words/say';

/** How much that was sent without an answer is remembered: it is sent only once it was planned, and so the server is there for most of it. */
const mostUnheard = 10;

/** How soon a change that the server did not answer is sent again, in milliseconds. */
const againAfterMs = 2000;

const notSaved: Problem = {
  code: 'not-saved',
  field: '',
  message: say`Your last change is not saved yet.`,
  remedy: say`Wait until it is saved, or settle what was changed elsewhere; then go on.`,
};

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
  /** Lets go of what is on the page and not on the server. */
  takeSaved: () => void;
  keepMine: () => void;
  start: () => void;
  sendOn: () => void;
  discard: () => void;
  happened: (event: NewEvent) => void;
  /** Things that happened and that the server has not acknowledged yet. */
  waiting: number;
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
  const { keeping, setKeeping, decided } = useKeeping();
  const versionRef = useRef(0);
  const newest = useRef<RepairCase | null>(null);
  /** The case that the draft on the page was made from. */
  const base = useRef<RepairCase | null>(null);
  /** What was sent without an answer being heard: the server may have it. */
  const unheard = useRef<readonly RepairCase[]>([]);
  const { refetch } = query;
  const served = query.data;
  const outbox = useOutbox();
  const waiting = useMemo(() => outbox.filter((each) => each.mendId === id && !each.refused).map((each) => each.event), [outbox, id]);
  const stuck = useStuck();
  // As long as the server answers, the page shows what it says; hands go on ahead of it only while it does not.
  const mend = useMemo(() => (served && stuck ? ahead(served, waiting) : served), [served, stuck, waiting]);
  useEffect(() => {
    // A draft keeps the version that it was made from: what comes in meanwhile must not go out under it.
    if (mend && !newest.current) versionRef.current = mend.version;
  }, [mend]);

  const settle = useCallback(
    (view: MendView) => {
      versionRef.current = view.version;
      heard(queryClient, mendQuery(id).queryKey, view);
      void queryClient.invalidateQueries({ queryKey: ['bench'] });
    },
    [id, queryClient],
  );

  const replan = useReplan(setPreview, setProblems);
  const servedCase = useRef<RepairCase | null>(null);
  const openedAt = useRef('');
  const changeRef = useRef<(next: RepairCase) => void>(() => undefined);
  // What an earlier page left here unsent goes on where it was.
  const takeUp = useCallback((left: LeftBehind['draft'], answers: () => void) => {
    if (newest.current) return 'busy';
    if (left.openedAt !== openedAt.current) return 'stale';
    answers();
    base.current = left.base;
    // What was left here may be on its way from the background at this moment.
    unheard.current = [...(left.unheard ?? []), left.mine];
    versionRef.current = left.version;
    changeRef.current(left.mine);
    return 'taken';
  }, []);
  const isDraft = mend?.status === 'draft';
  const { hold, letGo, give, adopt } = useHeldDraft(id, isDraft, takeUp);
  const onTheWay = useCallback(
    (mine: RepairCase, from: RepairCase) => ({ openedAt: openedAt.current, base: from, version: versionRef.current, mine, unheard: unheard.current }),
    [],
  );
  // What is on the page and not on the server is held on this device, however soon the page ends.
  const holdOn = useCallback(() => (newest.current && base.current ? hold(onTheWay(newest.current, base.current)) : Promise.resolve()), [hold, onTheWay]);
  /** Another number whenever what the page stands on was put together anew or let go of: what was made on it before is not sent any more. */
  const footing = useRef(0);
  const clear = useCallback(() => {
    footing.current++;
    newest.current = null;
    base.current = null;
    unheard.current = [];
    setDraft(null);
    setPreview(null);
    letGo();
  }, [letGo]);
  // A case that was kept only clears the page when nothing newer has been written on it meanwhile.
  const onKept = useCallback(
    (kept: RepairCase) => {
      if (newest.current !== kept) {
        // What was written meanwhile stands on what the server has now.
        if (newest.current) base.current = kept;
        unheard.current = [];
        void holdOn();
        return;
      }
      clear();
      setKeeping({ state: 'kept', at: new Date(shopNow()).toISOString() });
    },
    [clear, holdOn, setKeeping],
  );
  // What the server did not answer, or did not take, waits on this device, whether the page is still looked at or not.
  const onUnsaved = useCallback(
    (why: Unplanned) => {
      // What was kept meanwhile is not unsaved, and what was written meanwhile is what is kept.
      const mine = newest.current;
      if (!mine) return;
      // Nothing is said to be kept before it is.
      void holdOn().then(() => {
        if (newest.current === mine) setKeeping({ state: why });
      });
    },
    [holdOn, setKeeping],
  );
  // Somebody else was first: both changes are put together, and only where they collide is it asked which one is meant.
  const onConflict = useCallback(async () => {
    // Whoever came back meanwhile settles it.
    const inHand = () => newest.current;
    if (!inHand()) return;
    const { data: fresh, error } = await refetch();
    const ours = inHand();
    if (!ours) return;
    if (error && isOutOfReach(error)) {
      // What is known of theirs is from before: it is asked again.
      onUnsaved('waiting');
      return;
    }
    if (!fresh || !base.current) {
      setKeeping({ state: 'conflict', mine: ours });
      return;
    }
    const merged = merge(base.current, ours, fresh.case, unheard.current);
    if (merged.collides || fresh.status !== 'draft') {
      setKeeping({ state: 'conflict', mine: merged.value });
      return;
    }
    footing.current++;
    versionRef.current = fresh.version;
    base.current = fresh.case;
    unheard.current = [];
    changeRef.current(merged.value);
  }, [refetch, onUnsaved, setKeeping]);
  const onSent = useCallback(
    (sent: RepairCase) => {
      if (!unheard.current.includes(sent)) unheard.current = [...unheard.current, sent].slice(-mostUnheard);
      void holdOn();
    },
    [holdOn],
  );
  const saver = useSaver(id, versionRef, footing, { settle, onSent, onKept, onUnsaved, onConflict });
  const change = useCallback(
    (next: RepairCase) => {
      base.current ??= servedCase.current;
      newest.current = next;
      setDraft(next);
      setKeeping({ state: 'keeping' });
      void holdOn();
      const on = footing.current;
      replan(next, (planned) => {
        if (on !== footing.current) return;
        if (planned === true) saver.maybeExecute({ next, on });
        else onUnsaved(planned);
      });
    },
    [replan, saver, holdOn, onUnsaved, setKeeping],
  );
  const shown = useRef<RepairCase | null>(null);
  useEffect(() => {
    shown.current = draft ?? mend?.case ?? null;
    servedCase.current = mend?.case ?? null;
    openedAt.current = mend?.createdAt ?? '';
    changeRef.current = change;
  });
  // What is on its way when the desk is left goes on from there, until somebody comes back to the mend and goes on with it.
  useEffect(() => {
    const left = isDraft ? takeOver(id) : null;
    if (left) takeUp(left.draft, () => adopt(left.held));
  }, [id, isDraft, takeUp, adopt]);
  useEffect(
    () => () => {
      if (!newest.current) return;
      leaveBehind(id, () => {
        const mine = newest.current;
        if (!mine || !base.current) return null;
        // Even what was not sent yet may be on its way by now.
        const draft = onTheWay(mine, base.current);
        footing.current++;
        newest.current = null;
        const held = give();
        return waitsStill(held.stamp) ? { draft: { ...draft, unheard: [...draft.unheard, mine] }, held } : null;
      });
    },
    [id, onTheWay, give],
  );
  useEffect(() => {
    if (keeping.state !== 'waiting') return;
    const again = setTimeout(() => newest.current && changeRef.current(newest.current), againAfterMs);
    const leaving = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', leaving);
    return () => {
      clearTimeout(again);
      window.removeEventListener('beforeunload', leaving);
    };
  }, [keeping]);
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
      if (isCollision(error)) void query.refetch();
    },
  });
  const send = (action: (version: number) => Promise<MendView>, onSuccess?: () => void) => {
    saver.flush();
    act.mutate(action, { onSuccess });
  };
  // What is started is what is on the page: a change that is on its way is waited for, and while one is not saved, nothing is started.
  const onceSaved = useMutation({
    networkMode: 'always',
    mutationFn: async (action: (version: number) => Promise<MendView>) => {
      saver.flush();
      await decided();
      return act.mutateAsync((version) => (newest.current ? Promise.reject(new Refused(409, [notSaved])) : action(version)));
    },
  });
  const header = (version: number) => ({ header: { 'If-Match': version }, path: { id } });
  const once = (version: number, key: string) => ({ header: { 'If-Match': version, 'Idempotency-Key': key }, path: { id } });
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
      takeSaved: () => {
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
          footing.current++;
          versionRef.current = fresh.data?.version ?? versionRef.current;
          base.current = fresh.data?.case ?? base.current;
          change(mine);
        });
      },
      start: () => {
        const key = crypto.randomUUID();
        onceSaved.mutate((version) => ask(api.POST('/api/mends/{id}/start', { params: once(version, key) })));
      },
      sendOn: () => {
        const key = crypto.randomUUID();
        onceSaved.mutate((version) => ask(api.POST('/api/mends/{id}/send-on', { params: once(version, key) })));
      },
      discard: () => send((version) => ask(api.DELETE('/api/mends/{id}', { params: header(version) })), onGone),
      // It happens now, whenever it is sent, unless an instrument saw when.
      happened: (event) => void put({ key: crypto.randomUUID(), mendId: id, event: { ...event, at: event.at ?? new Date(shopNow()).toISOString() } }),
      waiting: waiting.length,
      // On the way to a server that answers, a second tap waits for the first; to one that does not, hands go on.
      busy: act.isPending || onceSaved.isPending || (waiting.length > 0 && !stuck),
      refused: problemsIn(act.error),
    },
  };
}

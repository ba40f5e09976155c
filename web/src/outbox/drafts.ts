import { createStore, entries, promisifyRequest } from 'idb-keyval';
import type { RepairCase } from '../api/types';
import { isOfThisPage, keyOfThisPage, openPages } from './page';
import { quietly } from './quietly';

/** A change of a draft that the server has not had yet. */
export interface UnsentDraft {
  mendId: number;
  /** When the mend was opened: after a backup was brought back, its number may be another mend's. */
  openedAt: string;
  /** The case that it was made from. */
  base: RepairCase;
  /** The version of that case. */
  version: number;
  /** The case as it was left on the page. */
  mine: RepairCase;
  /** What was sent without an answer being heard: the server may have it. */
  unheard?: readonly RepairCase[];
  /** Tells one writing from the next, so that what was written meanwhile is not dropped with what was sent. */
  stamp: string;
}

/** What is held on this device, under the key of the desk on which it was written: two tabs on one mend hold one each. */
export type HeldDraft = readonly [desk: string, draft: UnsentDraft];

const store = createStore('able-mend-drafts', 'drafts');

/**
 * Keeps a change on this device until the server has it: once this is over it outlives the page. It is committed at once, so that it does even
 * where the page is closed or loaded anew in the same breath.
 */
export const keepDraft = (desk: string, draft: UnsentDraft) =>
  quietly(
    store('readwrite', (drafts) => {
      drafts.put(draft, desk);
      drafts.transaction.commit();
      return promisifyRequest(drafts.transaction);
    }),
  );

/** Every change that waits on this device and that no other page is at: those of this one, and of pages that are gone. */
export async function draftsUnsent(): Promise<readonly HeldDraft[]> {
  const all = await quietly(entries<string, UnsentDraft>(store));
  if (!all || all.length === 0) return [];
  const isOpen = await openPages();
  return all.filter(([desk]) => isOfThisPage(desk) || !isOpen(desk));
}

/** What was dropped here: whoever read it a moment before that does not take it up any more. */
const dropped = new Set<string>();

/** Whether a change that was held here under a stamp waits still, as far as this page knows. */
export const waitsStill = (stamp: string) => !dropped.has(stamp);

/**
 * A change as this page's own, or nothing where it does not wait any more. Of what a page that is gone has left only one other has it:
 * two that send one change take each other for somebody else.
 */
export async function claim([desk, draft]: HeldDraft): Promise<HeldDraft | null> {
  const ours = isOfThisPage(desk) ? desk : keyOfThisPage();
  const isOurs = ours === desk || (await quietly(moved(desk, draft.stamp, ours)));
  return isOurs && waitsStill(draft.stamp) ? [ours, draft] : null;
}

/** Puts what one page held under a key of another; whether it was still there. */
const moved = (from: string, stamp: string, to: string) =>
  store('readwrite', async (drafts) => {
    const there = await promisifyRequest<UnsentDraft | undefined>(drafts.get(from));
    if (there?.stamp !== stamp) return false;
    await promisifyRequest(drafts.put(there, to));
    await promisifyRequest(drafts.delete(from));
    return true;
  });

/** Drops what the server has, or what is no longer wanted; what the same desk has written since then stays. */
export function dropDraft(desk: string, stamp: string): void {
  dropped.add(stamp);
  void quietly(
    store('readwrite', async (drafts) => {
      const there = await promisifyRequest<UnsentDraft | undefined>(drafts.get(desk));
      if (there?.stamp === stamp) await promisifyRequest(drafts.delete(desk));
    }),
  );
}

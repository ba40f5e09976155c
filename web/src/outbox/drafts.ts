import { createStore, entries, promisifyRequest, set } from 'idb-keyval';
import type { RepairCase } from '../api/types';
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

/** Keeps a change on this device until the server has it: once this is over it outlives the page. */
export const keepDraft = (desk: string, draft: UnsentDraft) => quietly(set(desk, draft, store));

/** Every change that waits on this device. */
export const draftsUnsent = async (): Promise<readonly HeldDraft[]> => (await quietly(entries<string, UnsentDraft>(store))) ?? [];

/** The changes of one mend that wait on this device. */
export const draftsOf = async (mendId: number) => (await draftsUnsent()).filter(([, draft]) => draft.mendId === mendId);

/** What was dropped here: whoever read it a moment before that does not take it up any more. */
const dropped = new Set<string>();

/** Whether a change that was read waits still, as far as this page knows. */
export const waitsStill = ({ stamp }: UnsentDraft) => !dropped.has(stamp);

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

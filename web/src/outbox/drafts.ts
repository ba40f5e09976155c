import { createStore, del, entries, get, set } from 'idb-keyval';
import type { RepairCase } from '../api/types';
import { quietly } from './quietly';

/** A change of a draft that the server has not had yet. */
export interface UnsentDraft {
  /** When the mend was opened: after a backup was brought back, its number may be another mend's. */
  openedAt: string;
  /** The case that it was made from. */
  base: RepairCase;
  /** The version of that case. */
  version: number;
  /** The case as it was left on the page. */
  mine: RepairCase;
}

const store = createStore('able-mend-drafts', 'drafts');

/** Keeps a change on this device until the server has it: once this is over it outlives the page. */
export const keepDraft = (mendId: number, draft: UnsentDraft) => quietly(set(mendId, draft, store));

export const draftOf = (mendId: number) => quietly(get<UnsentDraft>(mendId, store));

export const dropDraft = (mendId: number) => void quietly(del(mendId, store));

/** Every change that waits on this device, by the number of its mend. */
export const draftsUnsent = async () => (await quietly(entries<number, UnsentDraft>(store))) ?? [];

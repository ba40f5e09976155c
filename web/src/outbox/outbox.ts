import { get, update } from 'idb-keyval';
import { useSyncExternalStore } from 'react';
import type { NewEvent, Problem } from '../api/types';

/** Something that happened and that the server has not acknowledged yet. */
export interface Waiting {
  /** Key by which the server knows it again, so that sending it twice does not do it twice. */
  key: string;
  mendId: number;
  event: NewEvent;
  /** Why the server refused it; null while it waits to be sent. */
  refused: readonly Problem[] | null;
}

const place = 'outbox';
const listeners = new Set<() => void>();
const otherTabs = new BroadcastChannel('able-mend-outbox');
let waiting: readonly Waiting[] = [];
let stuck = false;

function show(next: readonly Waiting[]): void {
  waiting = next;
  for (const listener of listeners) listener();
}

/**
 * Changes what waits, in the browser's own database: whatever was tapped is there after a reload, a crash or a flat battery. Where a
 * browser lends no database, it is kept for as long as the page lives.
 */
async function change(how: (before: readonly Waiting[]) => readonly Waiting[]): Promise<void> {
  show(how(waiting));
  try {
    let kept = waiting;
    await update<readonly Waiting[]>(place, (before) => (kept = how(before ?? [])));
    show(kept);
    otherTabs.postMessage(null);
  } catch {
    // Nothing to be done: it stays on the page.
  }
}

async function load(): Promise<void> {
  try {
    show((await get<readonly Waiting[]>(place)) ?? []);
  } catch {
    // No database is lent.
  }
}

otherTabs.addEventListener('message', () => void load());
void load();

/** Keeps something that happened until the server has acknowledged it. */
export function put(entry: Omit<Waiting, 'refused'>): Promise<void> {
  const one = { ...entry, refused: null };
  return change((before) => (before.some((each) => each.key === one.key) ? before : [...before, one]));
}

export const acknowledged = (key: string) => change((before) => before.filter((each) => each.key !== key));

export const refuse = (key: string, problems: readonly Problem[]) =>
  change((before) => before.map((each) => (each.key === key ? { ...each, refused: problems } : each)));

/** The first that waits to be sent. */
export const next = (): Waiting | undefined => waiting.find((each) => each.refused === null);

/** Says whether the server is out of reach. */
export function setStuck(is: boolean): void {
  if (stuck === is) return;
  stuck = is;
  for (const listener of listeners) listener();
}

export function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Everything that waits, in the order in which it happened. */
export const useOutbox = () => useSyncExternalStore(subscribe, () => waiting);

/** Whether the server is out of reach, so that what happens is kept here. */
export const useStuck = () => useSyncExternalStore(subscribe, () => stuck);

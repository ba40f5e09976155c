import { useSyncExternalStore } from 'react';
import type { NewEvent, Problem } from '../api/types';
import { crossOut, leftBehind, note } from './journal';
import { keptList } from './keptList';

/** Something that happened and that the server has not acknowledged yet. */
export interface Waiting {
  /** Key by which the server knows it again, so that sending it twice does not do it twice. */
  key: string;
  mendId: number;
  event: NewEvent;
  /** Why the server refused it; null while it waits to be sent. */
  refused: readonly Problem[] | null;
}

const kept = keptList<Waiting>('outbox');
const listeners = new Set<() => void>();
let stuck = false;

/** Until the page knows what an earlier one, or another tab, has left to be sent. */
export async function openOutbox(): Promise<void> {
  await kept.load();
  const left = leftBehind()
    .filter(isWaiting)
    .toSorted((a, b) => Date.parse(a.event.at ?? '') - Date.parse(b.event.at ?? ''));
  for (const entry of left) await put(entry);
}

/** Whatever else stands there is not this page's. */
const isWaiting = (left: unknown): left is Waiting =>
  typeof left === 'object' && left !== null && 'key' in left && 'mendId' in left && 'event' in left && typeof left.event === 'object' && left.event !== null;

/** Keeps something that happened until the server has acknowledged it. */
export async function put(entry: Omit<Waiting, 'refused'>): Promise<void> {
  const one = { ...entry, refused: null };
  note(one.key, one);
  const isWritten = await kept.change((before) => (before.some((each) => each.key === one.key) ? before : [...before, one]));
  if (isWritten) crossOut(one.key);
}

export async function acknowledged(key: string): Promise<void> {
  crossOut(key);
  await kept.change((before) => before.filter((each) => each.key !== key));
}

export const refuse = (key: string, problems: readonly Problem[]) =>
  kept.change((before) => before.map((each) => (each.key === key ? { ...each, refused: problems } : each)));

/** The first that waits to be sent. */
export const next = (): Waiting | undefined => kept.get().find((each) => each.refused === null);

/** Says whether the server is out of reach. */
export function setStuck(is: boolean): void {
  if (stuck === is) return;
  stuck = is;
  for (const listener of listeners) listener();
}

/** Everything that waits, in the order in which it happened. */
export const useOutbox = kept.use;

export const subscribe = kept.subscribe;

/** Whether the server is out of reach, so that what happens is kept here. */
export const useStuck = () =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => stuck,
  );

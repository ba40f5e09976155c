import { get, update } from 'idb-keyval';
import { useSyncExternalStore } from 'react';

type Change<Entry> = (before: readonly Entry[]) => readonly Entry[];

/**
 * A list in the browser's own database, shared by its tabs: whatever was put into it is there after a reload, a crash or a flat battery.
 * What is being written counts at once, and goes on counting where a browser lends no database, for as long as the page lives.
 */
export function keptList<Entry>(place: string) {
  const listeners = new Set<() => void>();
  const otherTabs = new BroadcastChannel(`able-mend-${place}`);
  let written: readonly Entry[] = [];
  let onTheWay: readonly Change<Entry>[] = [];
  let list: readonly Entry[] = [];

  function show(): void {
    list = onTheWay.reduce((before, how) => how(before), written);
    for (const listener of listeners) listener();
  }

  async function load(): Promise<void> {
    try {
      written = (await get<readonly Entry[]>(place)) ?? [];
      show();
    } catch {
      // No database is lent.
    }
  }

  /** Resolves once the change is written, to whether it was. */
  async function change(how: Change<Entry>): Promise<boolean> {
    onTheWay = [...onTheWay, how];
    show();
    try {
      await update<readonly Entry[]>(place, (before) => (written = how(before ?? [])));
    } catch {
      return false;
    }
    onTheWay = onTheWay.filter((each) => each !== how);
    show();
    otherTabs.postMessage(null);
    return true;
  }

  function subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }

  otherTabs.addEventListener('message', () => void load());
  return { get: () => list, load, change, subscribe, use: () => useSyncExternalStore(subscribe, () => list) };
}

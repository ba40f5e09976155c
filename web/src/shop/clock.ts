import { useSyncExternalStore } from 'react';

/** The shop's clock: the browser's, moved to agree with the server's. Every countdown on the page reads this one. */
let moved = 0;
let now = Date.now();
const listeners = new Set<() => void>();

export function setServerNow(iso: string): void {
  moved = Date.parse(iso) - Date.now();
  tick();
}

export function shopNow(): number {
  return Date.now() + moved;
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function tick(): void {
  now = shopNow();
  for (const listener of listeners) listener();
}

setInterval(tick, 1000);

export function useNow(): number {
  return useSyncExternalStore(subscribe, () => now);
}

/** The present to the minute, for what only asks which day it is: a long page is not drawn again every second. */
export function useMinute(): number {
  return useSyncExternalStore(subscribe, () => now - (now % 60_000));
}

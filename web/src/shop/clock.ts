import { useSyncExternalStore } from 'react';

/** The shop's clock: the browser's, moved to agree with the server's. Every countdown on the page reads this one. */
let moved = 0;
let now = Date.now();
const listeners = new Set<() => void>();

/** Takes the server's time, as it was heard at an instant of the browser's clock. */
export function setServerNow(iso: string, heardAtMs: number): void {
  moved = Date.parse(iso) - heardAtMs;
  tick();
}

export function shopNow(): number {
  return onShopClock(Date.now());
}

/** An instant of the browser's clock as the shop's shows it. */
export function onShopClock(browserMs: number): number {
  return browserMs + moved;
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

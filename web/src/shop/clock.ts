import { useSyncExternalStore } from 'react';

/** The shop's clock: the browser's, moved to agree with the server's. Every countdown on the page reads this one. */
let moved = 0;
let now = Date.now();
const listeners = new Set<() => void>();

/** How far the browser's clock may stray from the time that really passes before it was set, in milliseconds. */
const strayMs = 1000;

/** When the browser would have begun to count the time that passes, by its own clock. */
let begun = Date.now() - performance.now();
const setListeners = new Set<() => void>();

/**
 * Notices that the browser's clock was set. Set back, the shop's goes on as if it had not been; ahead, it may just as well be a device
 * that slept, whose count of the time that passes stood still: then its clock is right.
 */
function watch(): void {
  const jumped = Date.now() - performance.now() - begun;
  if (Math.abs(jumped) < strayMs) return;
  begun += jumped;
  if (jumped < 0) moved -= jumped;
  for (const listener of setListeners) listener();
}

/** Tells when the browser's clock was set or its device slept: how old anything is has to be asked anew. */
export function onClockSet(listener: () => void): () => void {
  setListeners.add(listener);
  return () => setListeners.delete(listener);
}

/** Takes the server's time, as it was heard at an instant of the browser's clock. */
export function setServerNow(iso: string, heardAtMs: number): void {
  moved = Date.parse(iso) - heardAtMs;
  tick();
}

export function shopNow(): number {
  watch();
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

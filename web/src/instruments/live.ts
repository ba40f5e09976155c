import { useCallback, useSyncExternalStore } from 'react';
import type { Schemas } from '../api/types';

export type InstrumentView = Schemas['InstrumentView'];
type ReadingView = Schemas['ReadingView'];
export type Measurand = Schemas['Measurand'];

/** What an instrument reads now, with who reads it. */
export interface Live extends ReadingView {
  instrument: InstrumentView;
}

const address = '/api/instruments/live';
const tryAgainMs = 5000;

/**
 * What the shop's instruments read, as it comes. There is one line to the server for the whole page, open only while something on the page
 * shows a reading and somebody can see it: a browser has few lines, and another page may need one.
 */
let instruments: readonly InstrumentView[] = [];
let sweating: Schemas['Sweating'] | null = null;
let atItems: Schemas['InstrumentsView']['atItems'] = [];
let source: EventSource | null = null;
let again: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function show(next: readonly InstrumentView[], dew: Schemas['Sweating'] | null, items: typeof atItems): void {
  instruments = next;
  // The same as before stays the same object, so that a page is drawn again only when something changes.
  if (JSON.stringify(dew) !== JSON.stringify(sweating)) sweating = dew;
  if (JSON.stringify(items) !== JSON.stringify(atItems)) atItems = items;
  for (const listener of listeners) listener();
}

function open(): void {
  if (source || listeners.size === 0 || document.hidden) return;
  source = new EventSource(address);
  source.onmessage = (message: MessageEvent<string>) => {
    const view = JSON.parse(message.data) as Schemas['InstrumentsView'];
    show(view.instruments, view.sweating, view.atItems);
  };
  source.onerror = () => {
    // Whoever cannot be asked reads nothing: an old number that stands still is worse than none.
    show(
      instruments.map((each) => (each.isAttached ? { ...each, isAttached: false } : each)),
      null,
      [],
    );
    // The browser tries again by itself, unless it was turned away.
    if (source?.readyState === EventSource.CLOSED) {
      close();
      again = setTimeout(open, tryAgainMs);
    }
  };
}

function close(): void {
  clearTimeout(again);
  source?.close();
  source = null;
}

document.addEventListener('visibilitychange', () => (document.hidden ? close() : open()));

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  open();
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) close();
  };
}

export const useInstruments = () => useSyncExternalStore(subscribe, () => instruments);

/** How far the item of a mend is from where dew falls on it, as it is read now: by the probe that lies on it, else by one that lies on none. */
export const useSweating = (mend: number) => useSyncExternalStore(subscribe, () => atItems.find((each) => each.mend === mend)?.sweating ?? sweating);

const readings = new WeakMap<InstrumentView, Map<Measurand, Live>>();

/** The reading of an instrument, the same object for as long as it is the same reading. */
function readingOf(instrument: InstrumentView, what: Measurand): Live | null {
  const known = readings.get(instrument) ?? new Map<Measurand, Live>();
  readings.set(instrument, known);
  const reading = instrument.readings.find((each) => each.what === what);
  if (!reading) return null;
  const live = known.get(what) ?? { ...reading, instrument };
  known.set(what, live);
  return live;
}

function newest(what: Measurand): Live | null {
  const all = instruments.flatMap((each) => readingOf(each, what) ?? []).filter((each) => each.value !== null);
  return all.find((each) => each.instrument.isAttached) ?? all[0] ?? null;
}

let last = new Map<Measurand, Live | null>();

/** One reading of the shop: of the instrument that is attached, else of the one that was. A page is drawn again only when it changes. */
export function useReading(what: Measurand): Live | null {
  const snapshot = useCallback(() => {
    const now = newest(what);
    const before = last.get(what) ?? null;
    const same =
      now !== null &&
      before !== null &&
      now.instrument.id === before.instrument.id &&
      now.instrument.isAttached === before.instrument.isAttached &&
      now.value === before.value &&
      now.isStill === before.isStill;
    if (same) return before;
    if (now !== before) last = new Map(last).set(what, now);
    return now;
  }, [what]);
  return useSyncExternalStore(subscribe, snapshot);
}

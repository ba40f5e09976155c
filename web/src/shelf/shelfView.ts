import type { Schemas } from '../api/types';

export type LotView = Schemas['LotView'];
type Told = Schemas['Lot'];

/** A lot with every place of it, told or empty. */
export type Lot = { [Place in keyof Told]-?: Exclude<Told[Place], undefined> };

const empty: Omit<Lot, 'material'> = {
  useBefore: null,
  openedOn: null,
  id: null,
  batch: null,
  had: null,
  unit: 'ml',
  price: null,
  standsAt: null,
  goneOn: null,
};

/** A lot with nothing left out. */
export const whole = (lot: Told): Lot => ({ ...empty, ...lot });

/** A lot that somebody wrote a name on or counts; else it is only said to be there. */
export const isCounted = (lot: LotView) => Boolean(lot.lot.id ?? lot.lot.had);

/** How full a lot is, 0 to 1; null where nobody counts it. */
export function fullness(lot: LotView): number | null {
  if (lot.left === null || !lot.lot.had) return null;
  return Math.min(1, Math.max(0, lot.left / lot.lot.had));
}

export type Freshness = 'good' | 'soon' | 'past' | 'endless';

const soonDays = 30;

/** How long it is still good. */
export function freshness(lot: LotView): Freshness {
  if (lot.daysLeft === null) return 'endless';
  return lot.daysLeft < 0 ? 'past' : lot.daysLeft <= soonDays ? 'soon' : 'good';
}

/** The lots by where they stand, in the order of the places' names; those that stand nowhere come last. */
export function boards(lots: readonly LotView[]): { place: string | null; lots: LotView[] }[] {
  const places = [...new Set(lots.map((lot) => lot.lot.standsAt ?? null))].sort((one, other) =>
    one === null ? 1 : other === null ? -1 : one.localeCompare(other),
  );
  return places.map((place) => ({ place, lots: lots.filter((lot) => (lot.lot.standsAt ?? null) === place) }));
}

/** Lots in which every word that was typed is found: in the name, the material, the batch or the place. */
export function found(lots: readonly LotView[], words: string): LotView[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return lots.filter((lot) => {
    const text = [lot.name, lot.title, lot.lot.batch, lot.lot.standsAt].join(' ').toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}

/** The next free name: L-001, L-002 and so on. */
export function nextName(lots: readonly LotView[]): string {
  const taken = lots.map((lot) => /^L-(\d+)$/.exec(lot.name)?.[1]).map((number) => Number(number ?? 0));
  return `L-${String(Math.max(0, ...taken) + 1).padStart(3, '0')}`;
}

/** Whether a text is a day as 2026-05-31, or nothing. */
export const isDay = (text: string) => text === '' || (/^\d{4}-\d{2}-\d{2}$/.test(text) && new Date(`${text}T00:00:00Z`).toISOString().startsWith(text));

import type { Schemas } from '../api/types';

const daysPerMonth = 365.25 / 12;

/** Until when an opened tin is good, in words: its life once opened, or the date on it, whichever ends first. The plan goes by the same rule. */
export function lastDay(entry: Pick<Schemas['OnShelf'], 'openedOn' | 'useBefore'>, material: Pick<Schemas['Material'], 'shelfLife'>): string {
  if (!entry.openedOn) return '';
  if (!material.shelfLife) return 'its life once opened is not known';
  const end = new Date(`${entry.openedOn}T00:00:00Z`);
  end.setUTCDate(end.getUTCDate() + Math.trunc(material.shelfLife.openedMonths * daysPerMonth));
  const opened = end.toISOString().slice(0, 10);
  return `good until ${entry.useBefore && entry.useBefore < opened ? entry.useBefore : opened}`;
}

import type { Schemas } from '../api/types';

/** A time strip as bands: hands, too early, good, too late, each with its ends in pixels. */
export interface StripBand {
  kind: 'hands' | 'early' | 'good' | 'late';
  x: number;
  width: number;
  title: string;
}

export interface StripRange {
  fromMs: number;
  toMs: number;
  width: number;
}

type BandTimes = Pick<Schemas['Band'], 'title' | 'startsAt' | 'handsEndAt' | 'opensAt' | 'closesAt'>;

export function stripX(range: StripRange, instant: number): number {
  return ((instant - range.fromMs) / (range.toMs - range.fromMs)) * range.width;
}

/** The bands of one mend. A good window runs until hands go on, or until it closes; past that it is late. */
export function stripBands(bands: readonly BandTimes[], range: StripRange): StripBand[] {
  const found: StripBand[] = [];
  const add = (kind: StripBand['kind'], from: number, to: number, title: string) => {
    const left = Math.max(0, stripX(range, from));
    const right = Math.min(range.width, stripX(range, to));
    // Hands-on work of a minute must still be seen: two pixels at least.
    if (right > 0 && left < range.width && to > from) found.push({ kind, x: left, width: Math.max(2, right - left), title });
  };
  bands.forEach((band, i) => {
    const handsEnd = Date.parse(band.handsEndAt);
    add('hands', Date.parse(band.startsAt), handsEnd, band.title);
    if (!band.opensAt) return;
    const opens = Date.parse(band.opensAt);
    const following = bands[i + 1];
    const closes = band.closesAt ? Date.parse(band.closesAt) : Infinity;
    const next = following ? Date.parse(following.startsAt) : Number.isFinite(closes) ? closes : opens;
    add('early', handsEnd, opens, band.title);
    // What was already there while hands were on it begins when hands are free.
    add('good', Math.max(opens, handsEnd), Math.min(closes, next), band.title);
    add('late', closes, next, band.title);
  });
  return found;
}

/** Round hours to write on the axis, in the shop's zone, no closer than a label needs. */
export function stripTicks(range: StripRange, labelPx = 64): number[] {
  const hour = 3600_000;
  const perLabel = ((range.toMs - range.fromMs) / range.width) * labelPx;
  const step = [hour / 4, hour / 2, hour, 2 * hour, 3 * hour, 6 * hour, 12 * hour, 24 * hour, 48 * hour].find((each) => each >= perLabel) ?? 96 * hour;
  const first = Math.ceil(range.fromMs / step) * step;
  return Array.from({ length: Math.max(0, Math.floor((range.toMs - first) / step) + 1) }, (_, i) => first + i * step);
}

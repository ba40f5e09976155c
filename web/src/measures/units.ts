import table from './units.json';
import { phrase } from '../words/say';

/** Measures in the units that the shop shows. Everything is kept in millimetres, metres, degrees Celsius and kilopascals. */
export type Units = 'metric' | 'us';

interface UsUnit {
  symbol: string;
  factor: number;
  offset: number;
  /** Fewest digits after the point. */
  decimals: number;
  /** Digits more than the metric number has, where the unit is so much larger. */
  finer: number;
}

/** The one table of units: the server's renderer reads the same. Made by `./able-mend units`. */
const known: Readonly<Record<string, { text: string; us: UsUnit | null }>> = table;

const toUs = (us: UsUnit, metric: number) => metric * us.factor + us.offset;
const toMetric = (us: UsUnit, shown: number) => (shown - us.offset) / us.factor;

function round(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  return Math.round(value * scale) / scale;
}

/** A kind of number that is typed: its unit, the number to show and the number to keep. */
function typed(metric: string, digits: { metric: number; us: number; kept: number }) {
  const { text, us } = known[metric] ?? { text: metric, us: null };
  return {
    unit: (units: Units) => phrase(units === 'us' && us ? us.symbol : text),
    shown: (kept: number, units: Units) => (units === 'us' && us ? round(toUs(us, kept), digits.us) : round(kept, digits.metric)),
    kept: (shown: number, units: Units) => (units === 'us' && us ? round(toMetric(us, shown), digits.kept) : shown),
  };
}

const digitsTyped: Readonly<Record<string, { metric: number; us: number; kept: number }>> = {
  mm: { metric: 2, us: 3, kept: 3 },
  '°C': { metric: 1, us: 1, kept: 2 },
  m: { metric: 0, us: 0, kept: 1 },
  'm³': { metric: 1, us: 0, kept: 2 },
  kPa: { metric: 2, us: 2, kept: 3 },
  'kPa of air': { metric: 2, us: 2, kept: 3 },
};

/** A number that is typed in a unit: what to show of it, and what to keep. */
export const typedIn = (unit: string) => typed(unit, digitsTyped[unit] ?? { metric: 4, us: 3, kept: 4 });

export const length = typedIn('mm');
export const temperature = typedIn('°C');
export const altitude = typedIn('m');
export const pressure = typedIn('kPa');
export const barometer = typedIn('kPa of air');

/** No rule or caliper at a bench shows more than a thousandth. */
const mostDigits = 3;
const usDigits = (us: UsUnit, metricDigits: number) => Math.min(mostDigits, Math.max(us.decimals, metricDigits + us.finer));

/** A number that was worked out, to be set by hand: in the unit in which it is shown. */
export function byHand(unit: string, decimals: number) {
  const us = known[unit]?.us;
  return typed(unit, { metric: decimals, us: us ? usDigits(us, decimals) : decimals, kept: 4 });
}

/** From here on nobody counts a wait in minutes. */
const longMin = 180;

function inHours(minutes: number): string {
  const hours = `${Math.floor(minutes / 60)} ${phrase('h')}`;
  return minutes % 60 === 0 ? hours : `${hours} ${minutes % 60} ${phrase('min')}`;
}

/** A value with its unit, in the units that the shop shows. */
export function measure(value: number, unit: string, decimals: number, units: Units): string {
  if (value >= longMin && (unit === 'min' || unit === 'label min')) return inHours(Math.round(value));
  const { text, us } = known[unit] ?? { text: unit, us: null };
  if (units === 'us' && us) return `${toUs(us, value).toFixed(usDigits(us, decimals))} ${phrase(us.symbol)}`;
  if (unit === 'P') return `P${value.toFixed(0)}`;
  if (unit === '°') return `${value.toFixed(decimals)}°`;
  return text === '' ? value.toFixed(decimals) : `${value.toFixed(decimals)} ${phrase(text)}`;
}

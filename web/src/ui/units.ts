/** Measures in the units that the shop shows. Everything is kept in millimetres, metres, degrees Celsius and kilopascals. */
export type Units = 'metric' | 'us';

interface Conversion {
  us: string;
  toUs: (metric: number) => number;
  toMetric: (us: number) => number;
  /** Fewest digits after the point when it is written in US units. */
  decimals: number;
  /** Digits more than the metric number has, where the unit is so much larger. */
  finer: number;
}

const times = (us: string, size: number, decimals: number, finer = 0): Conversion => ({ us, decimals, finer, toUs: (metric) => metric / size, toMetric: (shown) => shown * size });

const inch = times('in', 25.4, 2, 2);
const foot = times('ft', 0.3048, 1);
const psi = times('psi', 6.894757, 1, 1);
const inchOfMercury = times('inHg', 3.38639, 2);
const fahrenheit: Conversion = { us: '°F', decimals: 0, finer: 0, toUs: (celsius) => celsius * 1.8 + 32, toMetric: (shown) => (shown - 32) / 1.8 };

/** Sizes of the units: NIST Special Publication 811, appendix B. */
const conversions: Readonly<Record<string, Conversion>> = {
  mm: inch,
  m: foot,
  'cm²': times('in²', 6.4516, 1),
  kPa: psi,
  '°C': fahrenheit,
};

function round(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  return Math.round(value * scale) / scale;
}

/** A kind of number that is typed: its unit, the number to show and the number to keep. */
function typed(metric: string, us: Conversion, digits: { metric: number; us: number; kept: number }) {
  return {
    unit: (units: Units) => (units === 'us' ? us.us : metric),
    shown: (kept: number, units: Units) => (units === 'us' ? round(us.toUs(kept), digits.us) : round(kept, digits.metric)),
    kept: (shown: number, units: Units) => (units === 'us' ? round(us.toMetric(shown), digits.kept) : shown),
  };
}

export const length = typed('mm', inch, { metric: 2, us: 3, kept: 3 });
export const temperature = typed('°C', fahrenheit, { metric: 1, us: 1, kept: 2 });
export const altitude = typed('m', foot, { metric: 0, us: 0, kept: 1 });
export const room = typed('m³', times('ft³', 0.02831685, 0), { metric: 1, us: 0, kept: 2 });
export const pressure = typed('kPa', psi, { metric: 2, us: 2, kept: 3 });
export const barometer = typed('kPa', inchOfMercury, { metric: 2, us: 2, kept: 3 });

/** No rule or caliper at a bench shows more than a thousandth. */
const mostDigits = 3;
const usDigits = (us: Conversion, metricDigits: number) => Math.min(mostDigits, Math.max(us.decimals, metricDigits + us.finer));

/** A number that was worked out, to be set by hand: in the unit in which it is shown. */
export function byHand(unit: string, decimals: number) {
  const us = conversions[unit];
  return us ? typed(unit, us, { metric: decimals, us: usDigits(us, decimals), kept: 3 }) : { unit: () => unit, shown: (kept: number) => round(kept, decimals), kept: (shown: number) => shown };
}

const measureInWords = /(-?\d+(?:\.\d+)?)(?:( to |–| × )(-?\d+(?:\.\d+)?))? (mm|°C|kPa)( above| colder| warmer)?/g;

/** A sentence of the plan with its measures in the units that the shop shows; a span of temperature is no temperature. */
export function said(text: string, units: Units): string {
  if (units === 'metric') return text;
  return text.replaceAll(measureInWords, (...[, first = '', between = '', second = '', unit = '', span = '']: string[]) => {
    const us = conversions[unit]!;
    const zero = span === '' ? 0 : us.toUs(0);
    const written = (number: string) => (number === '' ? '' : (us.toUs(Number(number)) - zero).toFixed(usDigits(us, number.split('.')[1]?.length ?? 0)));
    return `${written(first)}${between}${written(second)} ${us.us}${span}`;
  });
}

/** A value with its unit, in the units that the shop shows. */
export function measure(value: number, unit: string, decimals: number, units: Units): string {
  const us = units === 'us' ? conversions[unit] : undefined;
  if (us) return `${us.toUs(value).toFixed(usDigits(us, decimals))} ${us.us}`;
  if (unit === 'P') return `P${value.toFixed(0)}`;
  return unit === '' ? value.toFixed(decimals) : `${value.toFixed(decimals)} ${unit}`;
}

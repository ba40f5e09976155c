/** Lengths and temperatures in the units that the shop shows. Everything is kept in millimetres and degrees Celsius. */
export type Units = 'metric' | 'us';

const mmPerInch = 25.4;

function round(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  return Math.round(value * scale) / scale;
}

export const length = {
  unit: (units: Units) => (units === 'us' ? 'in' : 'mm'),
  shown: (mm: number, units: Units) => (units === 'us' ? round(mm / mmPerInch, 3) : round(mm, 2)),
  kept: (shown: number, units: Units) => (units === 'us' ? round(shown * mmPerInch, 3) : shown),
};

export const temperature = {
  unit: (units: Units) => (units === 'us' ? '°F' : '°C'),
  shown: (celsius: number, units: Units) => (units === 'us' ? round(celsius * 1.8 + 32, 1) : round(celsius, 1)),
  kept: (shown: number, units: Units) => (units === 'us' ? round((shown - 32) / 1.8, 2) : shown),
};

export function fixed(value: number, decimals: number): string {
  return value.toFixed(decimals);
}

/** A value with its unit, in the units that the shop shows. */
export function measure(value: number, unit: string, decimals: number, units: Units): string {
  if (units === 'us' && unit === 'mm') return `${(value / mmPerInch).toFixed(2)} in`;
  if (units === 'us' && unit === '°C') return `${(value * 1.8 + 32).toFixed(0)} °F`;
  if (units === 'us' && unit === 'cm²') return `${(value / 6.4516).toFixed(1)} in²`;
  if (unit === 'P') return `P${value.toFixed(0)}`;
  return unit === '' ? value.toFixed(decimals) : `${value.toFixed(decimals)} ${unit}`;
}

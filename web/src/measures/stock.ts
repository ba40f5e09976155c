import { byHand, measure, type Units } from './units';

/** What the shelf counts in. */
export type StockUnit = 'ml' | 'g' | 'kit' | 'piece' | 'cm2' | 'mm';

const symbols: Record<StockUnit, string> = { ml: 'mL', g: 'g', kit: 'kit', piece: '', cm2: 'cm²', mm: 'mm' };

/** Kits are opened by halves. */
const digits: Record<StockUnit, number> = { ml: 0, g: 0, kit: 1, piece: 0, cm2: 0, mm: 0 };

/** So much of a material, in the units of this device: less than ten to a tenth. */
export const amount = (value: number, unit: StockUnit, units: Units) =>
  measure(value, symbols[unit], Number.isInteger(value) ? 0 : Math.max(digits[unit], Math.abs(value) < 10 ? 1 : 0), units);

/** How an amount is typed: shown in the units of this device, kept in the shelf's. */
export const typedAmount = (unit: StockUnit) => byHand(symbols[unit], digits[unit] + 1);

/** The name of a unit in the units of this device; pieces have none. */
export const unitName = (unit: StockUnit, units: Units) => typedAmount(unit).unit(units);

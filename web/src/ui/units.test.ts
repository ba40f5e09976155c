import { describe, expect, it } from 'vitest';
import { length, measure, temperature } from './units';

describe('units', () => {
  // International inch, exactly 25.4 mm.
  it('shows inches and keeps millimetres', () => {
    expect(length.shown(25.4, 'us')).toBe(1);
    expect(length.kept(1.5, 'us')).toBeCloseTo(38.1);
    expect(length.kept(38, 'metric')).toBe(38);
  });

  // Water freezes at 32 °F and boils at 212 °F.
  it('shows Fahrenheit and keeps Celsius', () => {
    expect(temperature.shown(0, 'us')).toBe(32);
    expect(temperature.kept(212, 'us')).toBe(100);
  });

  it('goes there and back without drifting', () => {
    for (let mm = 0.5; mm < 600; mm += 7.3) expect(length.kept(length.shown(mm, 'us'), 'us')).toBeCloseTo(mm, 1);
  });

  it('writes a measure in the units of the shop', () => {
    expect(measure(50.8, 'mm', 0, 'us')).toBe('2.00 in');
    expect(measure(50.8, 'mm', 1, 'metric')).toBe('50.8 mm');
    expect(measure(60, 'P', 0, 'metric')).toBe('P60');
    expect(measure(15, 'mL', 1, 'us')).toBe('15.0 mL');
    expect(measure(2, '', 0, 'metric')).toBe('2');
  });
});

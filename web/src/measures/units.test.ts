import { describe, expect, it } from 'vitest';
import { altitude, barometer, byHand, length, measure, pressure, temperature } from './units';

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

  // One standard atmosphere is 101.325 kPa, 14.696 psi and 29.92 inHg; a foot is exactly 0.3048 m.
  it('shows psi, inches of mercury and feet, and keeps kilopascals and metres', () => {
    expect(pressure.shown(101.325, 'us')).toBe(14.7);
    expect(pressure.kept(14.696, 'us')).toBeCloseTo(101.325, 2);
    expect(barometer.shown(101.325, 'us')).toBe(29.92);
    expect(altitude.shown(1609.344, 'us')).toBe(5280);
    expect(altitude.kept(1000, 'us')).toBe(304.8);
    expect(pressure.unit('metric')).toBe('kPa');
    expect(measure(103.4, 'kPa', 0, 'us')).toBe('15.0 psi');
  });

  it('takes a number set by hand in the unit in which it is shown', () => {
    expect(byHand('mm', 0).shown(50.8, 'us')).toBe(2);
    expect(byHand('mm', 0).kept(2.5, 'us')).toBe(63.5);
    // An ounce is 28.35 g (NIST SP 811).
    expect(byHand('g', 1).shown(28.35, 'us')).toBe(1);
    expect(byHand('g', 1).kept(2, 'us')).toBeCloseTo(56.7, 1);
    expect(byHand('g', 1).unit('us')).toBe('oz');
    expect(byHand('%', 1).kept(12, 'us')).toBe(12);
  });

  it('goes there and back without drifting', () => {
    for (let mm = 0.5; mm < 600; mm += 7.3) expect(length.kept(length.shown(mm, 'us'), 'us')).toBeCloseTo(mm, 1);
  });

  it('counts a long wait in hours', () => {
    expect(measure(179, 'min', 0, 'metric')).toBe('179 min');
    expect(measure(447.2, 'min', 0, 'metric')).toBe('7 h 27 min');
    expect(measure(480, 'label min', 0, 'us')).toBe('8 h');
  });

  it('writes a measure in the units of the shop', () => {
    expect(measure(50.8, 'mm', 0, 'us')).toBe('2.00 in');
    expect(measure(0.25, 'mm', 2, 'us')).toBe('0.010 in');
    expect(measure(50.8, 'mm', 1, 'metric')).toBe('50.8 mm');
    expect(measure(60, 'P', 0, 'metric')).toBe('P60');
    // A US fluid ounce is 29.57 mL (NIST SP 811).
    expect(measure(29.57, 'mL', 1, 'us')).toBe('1.00 fl oz');
    expect(measure(7, '°', 0, 'us')).toBe('7°');
    expect(measure(2, '', 0, 'metric')).toBe('2');
  });
});

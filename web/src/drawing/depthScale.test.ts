import { describe, expect, it } from 'vitest';
import { depthScale } from './depthScale';

const layers = [
  { topMm: 0, thicknessMm: 0.25 },
  { topMm: 0.25, thicknessMm: 0.45 },
  { topMm: 0.7, thicknessMm: 58 },
  { topMm: 58.7, thicknessMm: 0.25 },
  { topMm: 58.95, thicknessMm: 0.25 },
];

describe('depth on the section', () => {
  const scale = depthScale(layers, 234);

  it('shows thin layers, and says that they are drawn thicker', () => {
    expect(scale.y(0.25) - scale.y(0)).toBeCloseTo(15);
    expect(scale.exaggerates).toBe(true);
  });

  it('fills the height and no more', () => {
    expect(scale.y(0)).toBe(0);
    expect(scale.y(59.2)).toBeCloseTo(234);
  });

  it('rises all the way and finds every depth again', () => {
    let before = -1;
    for (let mm = 0; mm <= 59.2; mm += 0.05) {
      const y = scale.y(mm);
      expect(y).toBeGreaterThan(before);
      expect(scale.depth(y)).toBeCloseTo(mm, 6);
      before = y;
    }
  });

  it('keeps what lies outside at its ends', () => {
    expect(scale.depth(-20)).toBe(0);
    expect(scale.depth(900)).toBeCloseTo(59.2);
  });

  it('draws equal layers to scale', () => {
    const even = depthScale(
      [
        { topMm: 0, thicknessMm: 10 },
        { topMm: 10, thicknessMm: 30 },
      ],
      200,
    );
    expect(even.exaggerates).toBe(false);
    expect(even.y(10)).toBeCloseTo(50);
  });
});

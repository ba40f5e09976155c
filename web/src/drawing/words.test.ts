import { describe, expect, it } from 'vitest';
import { apart } from './words';

describe('words on a drawing', () => {
  it('stay where they are while nothing is in their way', () => {
    const words = [{ text: 'film', x: 100, y: 50 }, { text: 'weight', x: 200, y: 50 }];
    expect(apart(words, 300)).toEqual(words);
  });

  it('give way by a line when they would lie on one another, the first keeping its place', () => {
    const heights = apart([{ text: 'patch', x: 100, y: 50 }, { text: 'urethane', x: 104, y: 52 }, { text: 'inside', x: 98, y: 50 }], 300).map((word) => word.y);
    expect(heights[0]).toBe(50);
    const [up, mid, low] = heights.toSorted((a, b) => a - b);
    expect(mid! - up!).toBeGreaterThanOrEqual(13);
    expect(low! - mid!).toBeGreaterThanOrEqual(13);
    expect(low! - up!).toBeLessThan(40);
  });

  it('give way to what is there already', () => {
    expect(apart([{ text: 'weight', x: 100, y: 20 }], 300, [{ text: '60 mm', x: 100, y: 19 }])[0]!.y).toBeGreaterThan(30);
  });

  it('are not moved out of the picture', () => {
    const pile = Array.from({ length: 12 }, () => ({ text: 'coat', x: 50, y: 20 }));
    for (const word of apart(pile, 60)) {
      expect(word.y).toBeGreaterThanOrEqual(13);
      expect(word.y).toBeLessThanOrEqual(57);
    }
  });
});

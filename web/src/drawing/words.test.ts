import { describe, expect, it } from 'vitest';
import { apart } from './words';

describe('words on a drawing', () => {
  it('stay where they are while nothing is in their way', () => {
    const words = [
      { text: 'film', x: 100, y: 50 },
      { text: 'weight', x: 200, y: 50 },
    ];
    expect(apart(words, 300)).toEqual(words);
  });

  it('give way to the left, to the right, then by a line, the first keeping its place', () => {
    const pile = apart(
      Array.from({ length: 4 }, () => ({ text: 'lap', x: 100, y: 50 })),
      300,
    );
    expect(pile[0]).toEqual({ text: 'lap', x: 100, y: 50 });
    expect(pile[1]!.x).toBeLessThan(85);
    expect(pile[2]!.x).toBeGreaterThan(115);
    expect(pile[3]).toEqual({ text: 'lap', x: 100, y: 37 });
  });

  it('give way to what is there already', () => {
    const taken = { text: 'a width of 1200 mm in all', x: 100, y: 19 };
    expect(apart([{ text: 'weight', x: 100, y: 20 }], 300, [taken])[0]!.y).toBeGreaterThan(30);
  });

  it('are not moved out of the picture', () => {
    const pile = Array.from({ length: 12 }, () => ({ text: 'coat', x: 50, y: 20 }));
    for (const word of apart(pile, 60)) {
      expect(word.y).toBeGreaterThanOrEqual(13);
      expect(word.y).toBeLessThanOrEqual(57);
    }
  });
});

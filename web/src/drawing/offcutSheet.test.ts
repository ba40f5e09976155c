import { describe, expect, it } from 'vitest';
import { offcutSheets } from './offcutSheet';

const box = (order: number, lengthMm: number, widthMm: number) => ({
  order,
  cloth: 'glass-136',
  marginMm: 10,
  areaCm2: 1,
  lengthMm,
  widthMm,
  plain: null,
  pieces: [
    [
      { x: -lengthMm / 2, y: -widthMm / 2 },
      { x: lengthMm / 2, y: -widthMm / 2 },
      { x: lengthMm / 2, y: widthMm / 2 },
      { x: -lengthMm / 2, y: widthMm / 2 },
    ],
  ],
});
const stock = [
  { id: 'blue', material: 'glass-136', lengthMm: 200, widthMm: 100 },
  { id: 'empty', material: 'glass-136', lengthMm: 50, widthMm: 50 },
];

/** Extent of a path of straight lines: left, top, right, bottom. */
function extent(path: string) {
  const numbers = path.match(/-?[\d.]+/g)!.map(Number);
  const [xs, ys] = [numbers.filter((_, i) => i % 2 === 0), numbers.filter((_, i) => i % 2 === 1)];
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

describe('offcut sheet', () => {
  it('draws only offcuts that are cut from, each as long as there is room', () => {
    const [sheet, ...others] = offcutSheets(
      [{ patch: 1, offcut: 'blue', xMm: 0, yMm: 0, turned: false, damage: 1 }],
      [{ number: 1, patches: [box(1, 80, 40)] }],
      stock,
      { width: 300, height: 300 },
    );
    expect(others).toEqual([]);
    expect([sheet!.width, sheet!.height]).toEqual([300, 150]);
    expect(extent(sheet!.patches[0]!.path)).toEqual([0, 0, 120, 60]);
    expect(sheet!.patches[0]!.at).toEqual({ x: 60, y: 30 });
  });

  it('draws all of them to the one scale at which the largest finds room', () => {
    const [blue, empty] = offcutSheets(
      [
        { patch: 1, offcut: 'blue', xMm: 0, yMm: 0, turned: false, damage: 1 },
        { patch: 2, offcut: 'empty', xMm: 0, yMm: 0, turned: false, damage: 1 },
      ],
      [{ number: 1, patches: [box(1, 80, 40), box(2, 20, 20)] }],
      stock,
      { width: 300, height: 50 },
    );
    expect([blue!.width, blue!.height, empty!.width, empty!.height]).toEqual([100, 50, 25, 25]);
  });

  it('lays a patch where the plan placed it, turned where it is turned', () => {
    const [sheet] = offcutSheets(
      [
        { patch: 1, offcut: 'blue', xMm: 0, yMm: 0, turned: false, damage: 1 },
        { patch: 2, offcut: 'blue', xMm: 120, yMm: 10, turned: true, damage: 1 },
      ],
      [{ number: 1, patches: [box(1, 80, 40), box(2, 60, 20)] }],
      stock,
      { width: 200, height: 200 },
    );
    expect(extent(sheet!.patches[1]!.path)).toEqual([120, 10, 140, 70]);
    expect(sheet!.words).toBe('blue: patch 1, patch 2');
  });
});

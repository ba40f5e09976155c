import { describe, expect, it } from 'vitest';
import type { Drawing } from '../api/types';
import { planView } from './planView';

const square = (half: number) => [
  [
    { x: -half, y: -half },
    { x: half, y: -half },
    { x: half, y: half },
    { x: -half, y: half },
  ],
];
const drawing: Drawing = {
  layers: [],
  depthMm: 3,
  halfWidthMm: 10,
  outline: square(10),
  cutOutline: square(12),
  keyOutline: square(60),
  work: null,
  marks: [],
};
const patch = (order: number, half: number) => ({
  order,
  cloth: 'a',
  marginMm: 20,
  areaCm2: half,
  lengthMm: 2 * half,
  widthMm: 2 * half,
  plain: null,
  pieces: square(half),
});
const view = (reached: string[]) =>
  planView({ drawing, patches: [patch(1, 30), patch(2, 45)], reached: new Set(reached), width: 520, height: 250, units: 'metric' });

describe('the view from above', () => {
  it('shows the damage alone before there is work', () => {
    expect(view([]).rings.map((ring) => ring.kind)).toEqual(['damage']);
  });

  it('lays larger patches under smaller ones, so that both are seen', () => {
    expect(view(['patches-dry']).rings.map((ring) => ring.words)).toEqual(['2: 90 × 90', '1: 60 × 60', '']);
  });

  it('writes only the first and the last of a stack of many plies', () => {
    const stack = [1, 2, 3, 4, 5].map((order) => patch(order, 20 + 5 * order));
    const { rings } = planView({ drawing, patches: stack, reached: new Set(['patches-dry']), width: 520, height: 250, units: 'metric' });
    expect(rings.map((ring) => ring.words).filter(Boolean)).toEqual(['5: 90 × 90', '1: 50 × 50']);
  });

  it('does not change its scale as the work goes on', () => {
    expect(view([]).pxPerMm).toBe(view(['key', 'cut', 'patch-1']).pxPerMm);
  });

  it('draws a method’s own lines above the rest', () => {
    const bead = {
      id: 'beads',
      view: 'above',
      kind: 'bead',
      closed: false,
      words: '1',
      points: [
        { x: -20, y: 0 },
        { x: 20, y: 0 },
      ],
    } as const;
    const model = planView({
      drawing: { ...drawing, marks: [{ ...bead, points: [...bead.points] }] },
      patches: [],
      reached: new Set(['beads']),
      width: 520,
      height: 250,
      units: 'metric',
    });
    expect(model.rings.at(-1)).toMatchObject({ kind: 'mark', words: '1' });
  });

  it('writes sizes and grid in the units of the shop', () => {
    const model = planView({ drawing, patches: [patch(1, 25.4)], reached: new Set(['patches-dry']), width: 520, height: 250, units: 'us' });
    expect(model.rings[0]!.words).toBe('1: 2.00 × 2.00');
    expect(model.grid.words).toMatch(/ in$/);
    expect(view([]).grid.words).toMatch(/ mm$/);
  });

  it('turns a tap into millimetres and back', () => {
    const model = view([]);
    const { x, y } = model.toPx({ x: -14, y: 9 });
    expect(model.toMm(x, y)).toEqual({ x: -14, y: 9 });
  });
});

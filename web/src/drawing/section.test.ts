import { describe, expect, it } from 'vitest';
import type { Drawing } from '../api/types';
import { section, type SectionInput } from './section';

const ring = [
  [
    { x: -17, y: 0 },
    { x: 0, y: -17 },
    { x: 17, y: 0 },
    { x: 0, y: 17 },
  ],
];
const drawing: Drawing = {
  layers: [
    { id: 'coat', name: 'Deck sanding coat', texture: 'clear', topMm: 0, thicknessMm: 0.25, depthIntoMm: 0.25 },
    { id: 'glass', name: 'Deck laminate', texture: 'weave', topMm: 0.25, thicknessMm: 0.45, depthIntoMm: 0.45 },
    { id: 'core', name: 'Polyurethane foam core', texture: 'foam', topMm: 0.7, thicknessMm: 58, depthIntoMm: 2.8 },
  ],
  depthMm: 3.5,
  halfWidthMm: 17,
  outline: ring,
  cutOutline: ring,
  keyOutline: ring,
  work: { cutHalfWidthMm: 19, cutDepthMm: 3.5, featherMm: 4, keyHalfWidthMm: 60, fillMm: 3.5, proudMm: 0.5, coatMm: 0.15, filmHalfWidthMm: 0, plyMm: 0.2 },
  marks: [],
};
const patch = { order: 1, cloth: 'glass-136', marginMm: 20, areaCm2: 47, lengthMm: 78, widthMm: 78, plain: null, pieces: ring };
const input = (reached: string[], change: Partial<SectionInput> = {}): SectionInput => ({
  drawing,
  kind: 'ding',
  patches: [patch],
  reached: new Set(reached),
  width: 520,
  height: 316,
  ...change,
});
const kinds = (reached: string[]) => section(input(reached)).marks.map((mark) => mark.kind);

describe('the section', () => {
  it('shows only the damage before there is work', () => {
    expect(kinds([])).toEqual([]);
    expect(section(input([])).wound).toMatch(/^M/);
  });

  it('gains marks as the work goes on', () => {
    expect(kinds(['cut'])).toEqual(['cut']);
    expect(kinds(['key', 'cut', 'fill', 'patch-1', 'coat'])).toEqual(['key', 'cut', 'fill', 'patch', 'coat']);
  });

  it('draws a patch only once it is laid', () => {
    expect(kinds(['patches-dry'])).toEqual([]);
  });

  it('draws what a method asks for once it is reached, to the same scale as the layers', () => {
    const hole = {
      id: 'drill',
      view: 'section',
      kind: 'drill',
      closed: true,
      words: 'stop hole',
      points: [
        { x: -2, y: 0 },
        { x: 2, y: 0 },
        { x: 2, y: 30 },
        { x: -2, y: 30 },
      ],
    } as const;
    const drawn = section(input(['drill'], { drawing: { ...drawing, marks: [{ ...hole, points: [...hole.points] }] } }));
    expect(drawn.marks.map((mark) => [mark.kind, mark.words?.text])).toEqual([['drill', 'stop hole']]);
    const bottom = drawn.surfaceY + drawn.scale.y(30);
    expect(drawn.marks[0]!.path).toContain(` ${Number(bottom.toFixed(1))}`);
    expect(section(input([], { drawing: { ...drawing, marks: [{ ...hole, points: [...hole.points] }] } })).marks).toEqual([]);
  });

  it('keeps what stands above the surface inside the picture, however tall', () => {
    const plate = {
      id: 'plate',
      view: 'section',
      kind: 'clamp',
      closed: false,
      words: null,
      points: [
        { x: 0, y: 0 },
        { x: 0, y: -40 },
      ],
    } as const;
    const drawn = section(input(['plate'], { drawing: { ...drawing, marks: [{ ...plate, points: [...plate.points] }] } }));
    const top = Number(/L[\d.]+ ([\d.]+)/.exec(drawn.marks[0]!.path)![1]);
    expect(top).toBeGreaterThanOrEqual(0);
    expect(top).toBeLessThan(drawn.surfaceY);
  });

  it('makes room under a thin item for what goes on its far face', () => {
    const inside = {
      id: 'inside',
      view: 'section',
      kind: 'patch',
      closed: false,
      words: null,
      points: [
        { x: 0, y: 61.5 },
        { x: 5, y: 62.3 },
      ],
    } as const;
    const far = { ...drawing, marks: [{ ...inside, points: [...inside.points] }] };
    expect(section(input([], { drawing: far })).scale.heightPx).toBeLessThan(section(input([])).scale.heightPx);
  });

  it('keeps the words of two works on one place, and of a dimension, apart', () => {
    const mark = (id: string, words: string) => ({
      id,
      view: 'section' as const,
      kind: 'patch' as const,
      closed: false,
      words,
      points: [
        { x: -20, y: -2 },
        { x: 20, y: -2 },
      ],
    });
    const drawn = section(input(['patch', 'seal'], { drawing: { ...drawing, marks: [mark('patch', 'bevelled patch'), mark('seal', 'urethane')] } }));
    const [patch, seal] = drawn.marks.map((each) => each.words!);
    expect(Math.abs(patch!.y - seal!.y) >= 13 || Math.abs(patch!.x - seal!.x) >= 60).toBe(true);
    const low = section(
      input(['inside'], {
        drawing: {
          ...drawing,
          marks: [
            {
              ...mark('inside', 'inside'),
              points: [
                { x: 0, y: 3.5 },
                { x: 4, y: 3.5 },
              ],
            },
          ],
        },
      }),
    );
    const depth = low.dimensions.find((dimension) => dimension.side === 'right')!;
    const inside = low.marks[0]!.words!;
    expect(Math.abs(inside.y - depth.wordsAt.y) >= 13 || inside.x + 18 <= depth.wordsAt.x).toBe(true);
  });

  it('stands the fill proud until it is faired', () => {
    const fill = (reached: string[]) => section(input(reached)).marks.find((mark) => mark.kind === 'fill')!.path;
    expect(fill(['fill'])).not.toBe(fill(['fill', 'fair']));
    expect(fill(['fill', 'fair'])).toBe(section(input(['cut'])).marks[0]!.path);
  });

  it('draws each kind of hurt in its own shape', () => {
    const wound = (kind: SectionInput['kind']) => section(input([], { kind })).wound;
    expect(new Set([wound('ding'), wound('crack'), wound('hole')]).size).toBe(3);
    expect(wound('hole')).toContain('V');
  });

  it('puts the bottom of the damage at its depth', () => {
    const model = section(input([]));
    const depth = model.dimensions.find((dimension) => dimension.side === 'right')!;
    expect(depth.to.y).toBeCloseTo(model.surfaceY + model.scale.y(3.5));
  });

  it('names the layers that are touched', () => {
    expect(section(input([])).layers.map((layer) => layer.touched)).toEqual([true, true, true]);
  });

  it('keeps everything inside its width, however wide the patch', () => {
    const wide = section(input(['patch-1'], { patches: [{ ...patch, lengthMm: 900 }] }));
    const xs = [...wide.marks[0]!.path.matchAll(/[ML]([-\d.]+)/g)].map((match) => Number(match[1]));
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...xs)).toBeLessThanOrEqual(520);
  });
});

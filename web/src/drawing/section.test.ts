import { describe, expect, it } from 'vitest';
import type { Drawing } from '../api/types';
import { section, type SectionInput } from './section';

const ring = [[{ x: -17, y: 0 }, { x: 0, y: -17 }, { x: 17, y: 0 }, { x: 0, y: 17 }]];
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
};
const patch = { order: 1, cloth: 'glass-136', marginMm: 20, areaCm2: 47, lengthMm: 78, widthMm: 78, plain: null, pieces: ring };
const input = (reached: string[], change: Partial<SectionInput> = {}): SectionInput => ({ drawing, kind: 'ding', patches: [patch], reached: new Set(reached), width: 520, height: 316, ...change });
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

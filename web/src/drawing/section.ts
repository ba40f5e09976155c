import type { Drawing, PlannedDamage, Schemas } from '../api/types';
import { depthScale, type DepthScale } from './depthScale';
import { apart, type Word } from './words';
import { say } from '../words/say';

/** The section as shapes: a function from data to paths, so that it can be tested without a browser. */
export interface SectionModel {
  width: number;
  height: number;
  surfaceY: number;
  middleX: number;
  scale: DepthScale;
  layers: readonly LayerBand[];
  wound: string;
  marks: readonly Mark[];
  dimensions: readonly Dimension[];
}

export interface LayerBand {
  id: string;
  name: string;
  texture: Drawing['layers'][number]['texture'];
  y: number;
  height: number;
  touched: boolean;
  thicknessMm: number;
}

/** Something that the work adds: what it is decides how it is drawn. */
export interface Mark {
  kind: 'cut' | 'fill' | 'patch' | 'coat' | 'film' | 'key' | 'tape' | 'finish' | 'bead' | 'glue' | 'clamp' | 'drill' | 'wrap' | 'forbidden' | 'flow';
  path: string;
  words?: Word;
}

interface Dimension {
  mm: number;
  /** Where its words stand: over the middle of a width, beginning beside the foot of a depth. */
  wordsAt: { x: number; y: number };
  from: { x: number; y: number };
  to: { x: number; y: number };
  side: 'top' | 'right';
}

export interface SectionInput {
  drawing: Drawing;
  kind: Schemas['DamageKind'];
  patches: PlannedDamage['patches'];
  /** Marks of the drawing that have been reached: `cut`, `key`, `fill`, `patch-1` … */
  reached: ReadonlySet<string>;
  width: number;
  height: number;
}

const airPx = 74;
const leftPx = 8;
const rightPx = 132;
const plyPx = 7;
const proudPx = 6;
/** Size of the type of a dimension. */
export const dimensionPx = 14;
/** What stands above the surface ends below the line of the width. */
const clearOfDimensionPx = 34;
/** Height of a shape that takes a line of words. */
const roomForWordsPx = 18;
/** Room under the item for what is put on its far face. */
const belowPx = 40;
/** What stands above the surface, or below the far face, is drawn at most so many times its size. */
const outsidePxPerMm = 9;

export function section(input: SectionInput): SectionModel {
  const { drawing, width, height, reached } = input;
  const bottomMm = drawing.layers.reduce((sum, layer) => sum + layer.thicknessMm, 0);
  const drawn = drawing.marks.filter((mark) => mark.view === 'section');
  const points = drawn.flatMap((mark) => mark.points);
  const goesBelow = points.some((point) => point.y > bottomMm + 1e-6);
  const scale = depthScale(drawing.layers, height - airPx - (goesBelow ? belowPx : 8));
  const highest = Math.max(1, ...points.map((point) => -point.y));
  const lowest = Math.max(1, ...points.map((point) => point.y - bottomMm));
  const plan = width - leftPx - rightPx;
  const middleX = leftPx + plan / 2;
  const widest = Math.max(
    drawing.halfWidthMm * 2,
    drawing.work?.keyHalfWidthMm ?? 0,
    drawing.work?.filmHalfWidthMm ?? 0,
    ...input.patches.map((patch) => patch.lengthMm / 2),
    ...points.map((point) => Math.abs(point.x)),
  );
  const pxPerMm = plan / 2 / (widest * 1.08 + 4);
  const x = (mm: number) => middleX + mm * pxPerMm;
  const at = (depthMm: number) => {
    if (depthMm < 0) return airPx + depthMm * Math.min(outsidePxPerMm, (airPx - clearOfDimensionPx) / highest);
    const past = Math.max(0, depthMm - bottomMm);
    return airPx + scale.y(depthMm) + past * Math.min(outsidePxPerMm, (belowPx - 12) / lowest);
  };
  const geometry: Geometry = { x, at, surface: airPx, input };
  const work = [
    ...(drawing.work ? marks(geometry, drawing.work, reached) : []),
    ...drawn.filter((mark) => reached.has(mark.id)).map((mark) => placed(geometry, mark)),
  ];
  const dimensions = dimensionsOf(geometry, drawing);
  return {
    width,
    height,
    surfaceY: airPx,
    middleX,
    scale,
    layers: drawing.layers.map((layer) => ({
      id: layer.id,
      name: layer.name,
      texture: layer.texture,
      y: at(layer.topMm),
      height: scale.y(layer.topMm + layer.thicknessMm) - scale.y(layer.topMm),
      touched: layer.depthIntoMm > 0,
      thicknessMm: layer.thicknessMm,
    })),
    wound: hollow(geometry, drawing.halfWidthMm, drawing.depthMm),
    marks: legible(work, dimensions, height),
    dimensions,
  };
}

interface Geometry {
  x: (mm: number) => number;
  at: (depthMm: number) => number;
  surface: number;
  input: SectionInput;
}

const n = (value: number) => Number(value.toFixed(1));

function dimensionsOf({ x, at, input }: Geometry, { depthMm, halfWidthMm }: Drawing): Dimension[] {
  // What is refused outright has no damage drawn into it.
  if (halfWidthMm === 0) return [];
  const bottom = at(depthMm);
  return [
    { mm: halfWidthMm * 2, from: { x: x(-halfWidthMm), y: airPx }, to: { x: x(halfWidthMm), y: airPx }, wordsAt: { x: x(0), y: 19 }, side: 'top' },
    {
      mm: depthMm,
      from: { x: x(0), y: airPx },
      to: { x: x(0), y: bottom },
      wordsAt: { x: x(0) + 8, y: Math.min(bottom + 15, input.height - 6) },
      side: 'right',
    },
  ];
}

/** The same marks with their words off one another and off the dimensions, which are the longest that either unit writes. */
function legible(work: readonly Mark[], dimensions: readonly Dimension[], height: number): Mark[] {
  const longest = { top: '1200 mm', right: '12.3 mm deep' };
  const taken = dimensions.map(({ side, wordsAt }): Word => {
    const text = longest[side];
    return { text, x: wordsAt.x + (side === 'right' ? (text.length * dimensionPx) / 4 : 0), y: wordsAt.y, sizePx: dimensionPx };
  });
  const moved = apart(
    work.flatMap((mark) => mark.words ?? []),
    height,
    taken,
  ).values();
  return work.map((mark) => (mark.words ? { ...mark, words: moved.next().value } : mark));
}

/** What a method draws, put where it belongs; its words stand in it where they find room, else above it. */
function placed({ x, at }: Geometry, mark: Drawing['marks'][number]): Mark {
  const corners = mark.points.map((point) => ({ x: n(x(point.x)), y: n(at(point.y)) }));
  const path = `M${corners.map((corner) => `${corner.x} ${corner.y}`).join('L')}${mark.closed ? 'Z' : ''}`;
  const ys = corners.map((corner) => corner.y);
  const middle = corners.reduce((sum, corner) => sum + corner.x, 0) / corners.length;
  const [top, foot] = [Math.min(...ys), Math.max(...ys)];
  const above = Math.min(...mark.points.map((point) => point.y)) < 0 && !(mark.closed && foot - top >= roomForWordsPx);
  return {
    kind: mark.kind,
    path,
    words: mark.words ? { text: mark.words, x: middle, y: above ? top - 4 : (top + foot) / 2 + 4 } : undefined,
  };
}

const vShaped: ReadonlySet<Schemas['DamageKind']> = new Set(['crack', 'slice', 'scratch', 'split']);
const bowls: ReadonlySet<Schemas['DamageKind']> = new Set(['ding', 'worn-away', 'soft-spot']);

/** Outline of what is hollow, from the surface down and back: bowl, groove or recess. */
function hollow({ x, at, surface, input }: Geometry, half: number, depth: number): string {
  const [left, right, bottom] = [n(x(-half)), n(x(half)), n(at(depth))];
  if (vShaped.has(input.kind)) return `M${left} ${surface}L${n(x(0))} ${bottom}L${right} ${surface}Z`;
  if (!bowls.has(input.kind)) {
    return `M${left} ${surface}V${bottom}H${right}V${surface}Z`;
  }
  // A quadratic curve passes half way to its handle: the handle lies twice as deep as the bowl.
  return `M${left} ${surface}Q${n(x(0))} ${n(2 * bottom - surface)} ${right} ${surface}Z`;
}

function marks(geometry: Geometry, work: NonNullable<Drawing['work']>, reached: ReadonlySet<string>): Mark[] {
  const { x, surface, input } = geometry;
  const found: Mark[] = [];
  const has = (mark: string) => reached.has(mark);
  if (has('key')) {
    found.push({ kind: 'key', path: `M${n(x(-work.keyHalfWidthMm))} ${surface}H${n(x(work.keyHalfWidthMm))}` });
  }
  if (has('cut')) found.push({ kind: 'cut', path: hollow(geometry, work.cutHalfWidthMm, work.cutDepthMm) });
  if (has('tape') && !has('finish')) found.push({ kind: 'tape', path: tape(geometry, work.keyHalfWidthMm) });
  if (has('fill')) {
    const proud = work.proudMm > 0 && !has('fair') ? proudPx : 0;
    found.push({ kind: 'fill', path: filled(geometry, work, proud) });
  }
  const laid = input.patches.filter((patch) => has(`patch-${patch.order}`));
  laid.forEach((patch, i) => {
    const y = surface - (i + 1) * plyPx;
    found.push({
      kind: 'patch',
      path: `M${n(x(-patch.lengthMm / 2))} ${surface - i * plyPx}L${n(x(-patch.lengthMm / 2 + 2))} ${y}H${n(x(patch.lengthMm / 2 - 2))}L${n(x(patch.lengthMm / 2))} ${surface - i * plyPx}`,
    });
  });
  const top = surface - laid.length * plyPx;
  if (has('coat')) {
    const [left, right] = [n(x(-work.keyHalfWidthMm)), n(x(work.keyHalfWidthMm))];
    found.push({
      kind: 'coat',
      path: `M${left} ${surface}Q${left} ${top - 5} ${n(x(-work.cutHalfWidthMm))} ${top - 5}H${n(x(work.cutHalfWidthMm))}Q${right} ${top - 5} ${right} ${surface}`,
      words: { text: say`coat`, x: x(0), y: top - 9 },
    });
  }
  if (has('film-open') && !has('finish')) {
    const half = work.filmHalfWidthMm;
    const path = has('film')
      ? `M${n(x(-half))} ${surface - 4}H${n(x(half))}`
      : `M${n(x(-half))} ${surface - 4}Q${n(x(-half * 0.5))} ${surface - 52} ${n(x(0))} ${surface - 56}`;
    found.push({ kind: 'film', path, words: { text: has('film') ? say`film` : say`film, folded back`, x: x(0), y: surface - (has('film') ? 12 : 60) } });
  }
  return found;
}

function filled(geometry: Geometry, work: NonNullable<Drawing['work']>, proud: number): string {
  const body = hollow(geometry, work.cutHalfWidthMm, work.fillMm);
  if (proud === 0) return body;
  const { x, surface } = geometry;
  const [left, right] = [n(x(-work.cutHalfWidthMm)), n(x(work.cutHalfWidthMm))];
  return `${body}M${left} ${surface}Q${n(x(0))} ${surface - 2 * proud} ${right} ${surface}Z`;
}

function tape({ x, surface }: Geometry, half: number): string {
  const strip = (mm: number) => `M${n(x(mm) - 9)} ${surface - 3}h18`;
  return strip(-half) + strip(half);
}

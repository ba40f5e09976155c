import type { Drawing, PlannedDamage, Schemas } from '../api/types';
import { measure, type Units } from '../measures/units';
import { say } from '../words/say';

/** The plan view as shapes: outlines on the surface, in millimetres, fitted to a box. */
export interface PlanModel {
  width: number;
  height: number;
  pxPerMm: number;
  toPx: (point: Schemas['PointMm']) => { x: number; y: number };
  toMm: (x: number, y: number) => Schemas['PointMm'];
  grid: Grid;
  rings: readonly Ring[];
}

/** Lines to judge sizes by. */
interface Grid {
  mm: number;
  words: string;
}

export interface Ring {
  kind: 'damage' | 'cut' | 'patch' | 'key' | 'mark';
  path: string;
  words: string;
  /** Where its words stand. */
  at: { x: number; y: number };
}

interface PlanInput {
  drawing: Drawing;
  patches: PlannedDamage['patches'];
  reached: ReadonlySet<string>;
  width: number;
  height: number;
  units: Units;
  /** Half the extent shown when nothing else needs more, in millimetres. */
  leastHalfMm?: number;
}

const leastGridPx = 14;
/** Patches of which each is written with its size. */
const mostWritten = 3;
const grids: Record<Units, readonly [Grid, Grid, Grid]> = {
  metric: [
    { mm: 10, words: say`10 mm` },
    { mm: 25, words: say`25 mm` },
    { mm: 50, words: say`50 mm` },
  ],
  us: [
    { mm: 12.7, words: say`½ in` },
    { mm: 25.4, words: say`1 in` },
    { mm: 50.8, words: say`2 in` },
  ],
};

export function planView({ drawing, patches, reached, width, height, units, leastHalfMm = 30 }: PlanInput): PlanModel {
  const shown = patches.filter((patch) => reached.has('patches-dry') || reached.has(`patch-${patch.order}`));
  const marks = drawing.marks.filter((mark) => mark.view === 'above' && reached.has(mark.id));
  const all = [
    drawing.marks.filter((mark) => mark.view === 'above').map((mark) => mark.points),
    drawing.outline,
    drawing.cutOutline,
    drawing.keyOutline,
    ...patches.map((patch) => patch.pieces),
  ].flat(2);
  const several = shown.length > 1;
  const halfX = Math.max(leastHalfMm, ...all.map((point) => Math.abs(point.x))) * 1.1;
  const halfY = Math.max(leastHalfMm * 0.6, ...all.map((point) => Math.abs(point.y))) * 1.24;
  const pxPerMm = Math.min(width / 2 / halfX, height / 2 / halfY);
  const toPx = (point: Schemas['PointMm']) => ({ x: width / 2 + point.x * pxPerMm, y: height / 2 + point.y * pxPerMm });
  const ring = (kind: Ring['kind'], pieces: Drawing['outline'], words: string, aside = 0): Ring => ({
    kind,
    words,
    path: pieces.map((piece) => `M${piece.map((point) => `${toPx(point).x.toFixed(1)} ${toPx(point).y.toFixed(1)}`).join('L')}Z`).join(''),
    // The outermost ring is named above its top, the patches at their foot and to either side in turn, so that no two names meet.
    at: furthest(pieces.flat().map(toPx), kind === 'key' ? -1 : 1, aside),
  });
  return {
    width,
    height,
    pxPerMm,
    toPx,
    toMm: (x, y) => ({ x: Math.round((x - width / 2) / pxPerMm), y: Math.round((y - height / 2) / pxPerMm) }),
    grid: grids[units].find((grid) => grid.mm * pxPerMm >= leastGridPx) ?? grids[units][2],
    rings: [
      ...(reached.has('key') && drawing.keyOutline.length > 0 ? [ring('key', drawing.keyOutline, reached.has('tape') ? say`key and tape` : say`key`)] : []),
      ...shown
        .toSorted((a, b) => b.areaCm2 - a.areaCm2)
        .map((patch) =>
          ring('patch', patch.pieces, isWritten(patch, shown) ? patchWords(patch, units) : '', several ? (patch.order % 2 === 1 ? -0.6 : 0.6) : 0),
        ),
      ...(reached.has('cut') && drawing.cutOutline.length > 0 ? [ring('cut', drawing.cutOutline, '')] : []),
      ring('damage', drawing.outline, ''),
      ...marks.map((mark) => ({
        kind: 'mark' as const,
        words: mark.words ?? '',
        path: `M${mark.points.map((point) => `${toPx(point).x.toFixed(1)} ${toPx(point).y.toFixed(1)}`).join('L')}${mark.closed ? 'Z' : ''}`,
        at: furthest(mark.points.map(toPx), -1),
      })),
    ],
  };
}

/** Of a stack of many plies only the first and the last are written: the sizes of the others stand beside the drawing. */
function isWritten(patch: PlannedDamage['patches'][number], stack: readonly PlannedDamage['patches'][number][]): boolean {
  return stack.length <= mostWritten || patch.order === 1 || patch.order === stack.length;
}

/** A patch's order and size, as a shop drawing writes it. */
function patchWords(patch: PlannedDamage['patches'][number], units: Units): string {
  const written = (mm: number) => measure(mm, 'mm', 0, units).split(' ')[0];
  const size = patch.plain?.kind === 'circle' ? `⌀${written(patch.plain.lengthMm)}` : `${written(patch.lengthMm)} × ${written(patch.widthMm)}`;
  return `${patch.order}: ${size}`;
}

function furthest(points: readonly { x: number; y: number }[], down: 1 | -1, aside = 0): { x: number; y: number } {
  const far = ({ x, y }: { x: number; y: number }) => y * down + x * aside;
  return points.reduce((best, point) => (far(point) > far(best) ? point : best), points[0] ?? { x: 0, y: 0 });
}

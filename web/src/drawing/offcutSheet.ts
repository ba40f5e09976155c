import type { RepairPlan, Schemas } from '../api/types';

/** An offcut with the patches that are cut from it, to scale: the corner that is measured from lies at the top left. */
export interface OffcutModel {
  id: string;
  width: number;
  height: number;
  words: string;
  patches: readonly { order: number; path: string; at: { x: number; y: number } }[];
}

type Point = Schemas['PointMm'];

export function offcutSheets(placements: readonly Schemas['Placement'][], patches: RepairPlan['patches'], stock: readonly Schemas['Offcut'][], most: { width: number; height: number }): OffcutModel[] {
  const used = stock
    .map((offcut) => ({ offcut, here: placements.filter((placement) => placement.offcut === offcut.id) }))
    .filter(({ here }) => here.length > 0);
  // One scale for all of them, so that the smaller one looks it.
  const pxPerMm = Math.min(...used.map(({ offcut }) => Math.min(most.width / offcut.lengthMm, most.height / offcut.widthMm)));
  return used.map(({ offcut, here }) => ({
    id: offcut.id,
    width: offcut.lengthMm * pxPerMm,
    height: offcut.widthMm * pxPerMm,
    words: `${offcut.id}: ${here.map((placement) => `patch ${placement.patch}`).join(', ')}`,
    patches: here.flatMap((placement) => {
      const patch = patches.find((each) => each.order === placement.patch);
      return patch ? [lay(placement, patch, pxPerMm)] : [];
    }),
  }));
}

/** The pieces of a patch on their offcut, in pixels. */
function lay(placement: Schemas['Placement'], patch: RepairPlan['patches'][number], pxPerMm: number) {
  const pieces = patch.pieces.map((piece) => piece.map((point) => (placement.turned ? { x: -point.y, y: point.x } : point)));
  const all = pieces.flat();
  const [left, top] = [Math.min(...all.map((point) => point.x)), Math.min(...all.map((point) => point.y))];
  const toPx = (point: Point) => ({ x: (point.x - left + placement.xMm) * pxPerMm, y: (point.y - top + placement.yMm) * pxPerMm });
  const placed = pieces.map((piece) => piece.map(toPx));
  const middle = (pick: (point: Point) => number) => (Math.min(...placed.flat().map(pick)) + Math.max(...placed.flat().map(pick))) / 2;
  return {
    order: patch.order,
    path: placed.map((piece) => `M${piece.map((point) => `${point.x.toFixed(1)} ${point.y.toFixed(1)}`).join('L')}Z`).join(''),
    at: { x: middle((point) => point.x), y: middle((point) => point.y) },
  };
}

import type { PlannedDamage, Schemas } from '../api/types';
import { say } from '../words/say';

/** An offcut with the patches that are cut from it, to scale: the corner that is measured from lies at the top left. */
export interface OffcutModel {
  id: string;
  width: number;
  height: number;
  words: string;
  patches: readonly { name: string; path: string; at: { x: number; y: number } }[];
}

type Point = Schemas['PointMm'];

export function offcutSheets(
  placements: readonly Schemas['Placement'][],
  damages: readonly Pick<PlannedDamage, 'number' | 'patches'>[],
  stock: readonly Schemas['Offcut'][],
  most: { width: number; height: number },
): OffcutModel[] {
  // Where the item has several damages, a patch is known by its damage and its order.
  const nameOf = ({ damage, patch }: Schemas['Placement']) => (damages.length > 1 ? `${damage}.${patch}` : String(patch));
  const used = stock
    .map((offcut) => ({ offcut, here: placements.filter((placement) => placement.offcut === offcut.id) }))
    .filter(({ here }) => here.length > 0);
  // One scale for all of them, so that the smaller one looks it.
  const pxPerMm = Math.min(...used.map(({ offcut }) => Math.min(most.width / offcut.lengthMm, most.height / offcut.widthMm)));
  return used.map(({ offcut, here }) => ({
    id: offcut.id,
    width: offcut.lengthMm * pxPerMm,
    height: offcut.widthMm * pxPerMm,
    words: `${offcut.id}: ${here.map((placement) => say`patch ${nameOf(placement)}`).join(', ')}`,
    patches: here.flatMap((placement) => {
      const patch = damages.find((each) => each.number === placement.damage)?.patches.find((each) => each.order === placement.patch);
      return patch ? [lay(placement, patch, nameOf(placement), pxPerMm)] : [];
    }),
  }));
}

/** The pieces of a patch on their offcut, in pixels. */
function lay(placement: Schemas['Placement'], patch: PlannedDamage['patches'][number], name: string, pxPerMm: number) {
  const pieces = patch.pieces.map((piece) => piece.map((point) => (placement.turned ? { x: -point.y, y: point.x } : point)));
  const all = pieces.flat();
  const [left, top] = [Math.min(...all.map((point) => point.x)), Math.min(...all.map((point) => point.y))];
  const toPx = (point: Point) => ({ x: (point.x - left + placement.xMm) * pxPerMm, y: (point.y - top + placement.yMm) * pxPerMm });
  const placed = pieces.map((piece) => piece.map(toPx));
  const middle = (pick: (point: Point) => number) => (Math.min(...placed.flat().map(pick)) + Math.max(...placed.flat().map(pick))) / 2;
  return {
    name,
    path: placed.map((piece) => `M${piece.map((point) => `${point.x.toFixed(1)} ${point.y.toFixed(1)}`).join('L')}Z`).join(''),
    at: { x: middle((point) => point.x), y: middle((point) => point.y) },
  };
}

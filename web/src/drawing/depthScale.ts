import type { Drawing } from '../api/types';

/**
 * Depth to pixels, layer by layer: thin layers are drawn at least {@link thinnestPx} thick so that they can be seen and
 * tapped, thick ones to scale. Strictly rising, so every depth has one place and every place one depth.
 */
export interface DepthScale {
  y: (depthMm: number) => number;
  depth: (y: number) => number;
  /** Whether some layer is drawn thicker than it is. */
  exaggerates: boolean;
  heightPx: number;
}

const thinnestPx = 15;

type Layer = Pick<Drawing['layers'][number], 'topMm' | 'thicknessMm'>;

export function depthScale(layers: readonly Layer[], heightPx: number): DepthScale {
  const heights = layerHeights(layers, heightPx);
  const tops = heights.map((_, i) => heights.slice(0, i).reduce((sum, height) => sum + height, 0));
  const bottomMm = layers.reduce((sum, layer) => sum + layer.thicknessMm, 0);
  const pxPerMm = layers.map((layer, i) => heights[i]! / layer.thicknessMm);
  return {
    y: (depthMm) => {
      const depth = Math.min(Math.max(depthMm, 0), bottomMm);
      const i = lastIndex(layers, (layer) => layer.topMm <= depth);
      return tops[i]! + (depth - layers[i]!.topMm) * pxPerMm[i]!;
    },
    depth: (y) => {
      const inside = Math.min(Math.max(y, 0), heightPx);
      const i = lastIndex(tops, (top) => top <= inside);
      return Math.min(bottomMm, layers[i]!.topMm + (inside - tops[i]!) / pxPerMm[i]!);
    },
    exaggerates: Math.max(...pxPerMm) > Math.min(...pxPerMm) * 1.05,
    heightPx,
  };
}

function layerHeights(layers: readonly Layer[], heightPx: number): number[] {
  const thin = new Set<number>();
  // Each pass pins the layers that would be drawn too thin, which takes room from the others.
  for (;;) {
    const room = heightPx - thin.size * thinnestPx;
    const thickness = layers.reduce((sum, layer, i) => (thin.has(i) ? sum : sum + layer.thicknessMm), 0);
    const next = layers.findIndex((layer, i) => !thin.has(i) && (layer.thicknessMm / thickness) * room < thinnestPx);
    if (next < 0 || thin.size === layers.length - 1) {
      return layers.map((layer, i) => (thin.has(i) ? thinnestPx : (layer.thicknessMm / thickness) * room));
    }
    thin.add(next);
  }
}

function lastIndex<T>(all: readonly T[], holds: (each: T) => boolean): number {
  for (let i = all.length - 1; i > 0; i--) if (holds(all[i]!)) return i;
  return 0;
}

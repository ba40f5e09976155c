/** Words on a drawing, and where the middle of their foot stands. */
export interface Word {
  text: string;
  x: number;
  y: number;
  /** Height of the type, in pixels; 11 where nothing is said. */
  sizePx?: number;
}

/** Letters of the shipped type are about this wide at most, as a part of their size. */
const letterWidth = 0.54;
const linePx = 13;
const linesTried = 4;

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

function box({ text, x, y, sizePx = 11 }: Word): Box {
  const half = (text.length * letterWidth * sizePx) / 2;
  return { left: x - half, right: x + half, top: y - sizePx + 1, bottom: y + 3 };
}

const touch = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Lines up and down from where words would stand, nearest first, upwards before downwards. */
const tries = Array.from({ length: 2 * linesTried + 1 }, (_, i) => (i % 2 === 1 ? -1 : 1) * Math.ceil(i / 2) * linePx);

/**
 * The same words, moved by whole lines so that none lies on another or on what is taken already. The first keep their
 * place, the later ones give way; one that finds no room within a few lines stays where it is.
 */
export function apart(words: readonly Word[], heightPx: number, taken: readonly Word[] = []): Word[] {
  const boxes = taken.map(box);
  return words.map((word) => {
    const free = tries
      .map((by) => ({ ...word, y: word.y + by }))
      .find((tried) => tried.y >= linePx && tried.y <= heightPx - 3 && !boxes.some((other) => touch(box(tried), other)));
    const settled = free ?? word;
    boxes.push(box(settled));
    return settled;
  });
}

/** Words on a drawing, and where the middle of their foot stands. */
export interface Word {
  text: string;
  x: number;
  y: number;
  /** Height of the type, in pixels; `wordPx` where nothing is said. */
  sizePx?: number;
}

/** Height of the type in which a drawing is lettered. */
export const wordPx = 11;

/** Letters of the shipped type are about this wide at most, as a part of their size. */
const letterWidth = 0.54;
const linePx = 13;
const linesTried = 4;
/** Words beside a thing clear its middle by so much. */
const besidePx = 10;

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

const widthPx = ({ text, sizePx = wordPx }: Word) => text.length * letterWidth * sizePx;

function box(word: Word): Box {
  const { x, y, sizePx = wordPx } = word;
  const half = widthPx(word) / 2;
  return { left: x - half, right: x + half, top: y - sizePx + 1, bottom: y + 3 };
}

const touch = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

interface Try {
  lines: number;
  /** To which side of its own middle the words are put. */
  side: -1 | 0 | 1;
}

/** Where else words may stand, nearest first: beside their place, then lines up and down from there. */
const tries: readonly Try[] = Array.from({ length: 2 * linesTried + 1 }, (_, i) => (i % 2 === 1 ? -1 : 1) * Math.ceil(i / 2)).flatMap((lines) =>
  ([0, -1, 1] as const).map((side) => ({ lines, side })),
);

function moved(word: Word, { lines, side }: Try): Word {
  return { ...word, x: word.x + side * (widthPx(word) / 2 + besidePx), y: word.y + lines * linePx };
}

/**
 * The same words, moved aside or by whole lines so that none lies on another or on what is taken already. The first keep
 * their place, the later ones give way; one that finds no room within a few lines stays where it is.
 */
export function apart(words: readonly Word[], heightPx: number, taken: readonly Word[] = []): Word[] {
  const boxes = taken.map(box);
  return words.map((word) => {
    const free = tries
      .map((each) => moved(word, each))
      .find((tried) => tried.y >= linePx && tried.y <= heightPx - 3 && !boxes.some((other) => touch(box(tried), other)));
    const settled = free ?? word;
    boxes.push(box(settled));
    return settled;
  });
}

/** What came of two changes of one document. */
export interface Merged<T> {
  /** Both changes; where they collide, mine. */
  value: T;
  /** Whether both changed the same to something different. */
  collides: boolean;
}

type Tree = Record<string, unknown>;

const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether two documents say the same; what is left out is nothing. */
export function same(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other)) return one.length === other.length && one.every((each, i) => same(each, other[i]));
  if (!isTree(one) || !isTree(other)) return false;
  return [...new Set([...Object.keys(one), ...Object.keys(other)])].every((key) => same(one[key] ?? null, other[key] ?? null));
}

/**
 * Puts two changes of one document together: what only one of them touched is as that one left it. Lists that grew or shrank on both sides
 * collide as a whole, for nobody knows which entry is which any more.
 */
export function merge<T>(base: T, mine: T, theirs: T): Merged<T> {
  if (same(mine, theirs) || same(base, theirs)) return { value: mine, collides: false };
  if (same(base, mine)) return { value: theirs, collides: false };
  if (Array.isArray(base) && Array.isArray(mine) && Array.isArray(theirs) && base.length === mine.length && base.length === theirs.length) {
    const each = base.map((entry: unknown, i) => merge(entry, (mine as unknown[])[i], (theirs as unknown[])[i]));
    return { value: each.map((entry) => entry.value) as T, collides: each.some((entry) => entry.collides) };
  }
  if (!isTree(base) || !isTree(mine) || !isTree(theirs)) return { value: mine, collides: true };
  const keys = [...new Set([...Object.keys(base), ...Object.keys(mine), ...Object.keys(theirs)])];
  const each = keys.map((key) => [key, merge<unknown>(base[key] ?? null, mine[key] ?? null, theirs[key] ?? null)] as const);
  return { value: Object.fromEntries(each.map(([key, entry]) => [key, entry.value])) as T, collides: each.some(([, entry]) => entry.collides) };
}

/**
 * The same where an answer was not heard: what lies there may be what this device sent itself, and is nobody else's change then.
 */
export const mergeUnheard = <T>(base: T, unheard: readonly T[], mine: T, theirs: T): Merged<T> =>
  merge(unheard.some((sent) => same(sent, theirs)) ? theirs : base, mine, theirs);

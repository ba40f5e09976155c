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
 * @param unheard What was sent from here without an answer being heard: what it left there is nobody else's change, whoever was there since.
 */
export function merge<T>(base: T, mine: T, theirs: T, unheard: readonly T[] = []): Merged<T> {
  if ([mine, base, ...unheard].some((ours) => same(ours, theirs))) return { value: mine, collides: false };
  if (unheard.length === 0 && same(base, mine)) return { value: theirs, collides: false };
  if (Array.isArray(base) && Array.isArray(mine) && Array.isArray(theirs) && base.length === mine.length && base.length === theirs.length) {
    const sent = unheard.filter((one) => Array.isArray(one) && one.length === base.length) as unknown[][];
    const each = base.map((entry: unknown, i) => merge(entry, (mine as unknown[])[i], (theirs as unknown[])[i], within(sent, i)));
    return { value: each.map((entry) => entry.value) as T, collides: each.some((entry) => entry.collides) };
  }
  if (!isTree(base) || !isTree(mine) || !isTree(theirs)) return same(base, mine) ? { value: theirs, collides: false } : { value: mine, collides: true };
  const sent = unheard.filter((one): one is T & Tree => isTree(one));
  const keys = [...new Set([...Object.keys(base), ...Object.keys(mine), ...Object.keys(theirs)])];
  const each = keys.map((key) => [key, merge<unknown>(base[key] ?? null, mine[key] ?? null, theirs[key] ?? null, within(sent, key))] as const);
  return { value: Object.fromEntries(each.map(([key, entry]) => [key, entry.value])) as T, collides: each.some(([, entry]) => entry.collides) };
}

/** What each of them holds in one place. */
const within = <Key extends string | number>(sent: readonly Record<Key, unknown>[], key: Key) => sent.map((one) => one[key] ?? null);

/** What was tapped within the last few milliseconds. The browser's database takes longer than a page may have left to live. */
const prefix = 'able-mend-outbox ';

/** Where a browser lends no storage, the database is all there is. */
function quietly<T>(how: () => T): T | undefined {
  try {
    return how();
  } catch {
    return undefined;
  }
}

/** Writes an entry down before this call is over. */
export const note = (key: string, entry: unknown) => quietly(() => localStorage.setItem(prefix + key, JSON.stringify(entry)));

/** Crosses out what is kept elsewhere by now. */
export const crossOut = (key: string) => quietly(() => localStorage.removeItem(prefix + key));

/** What an earlier page wrote down and did not live to keep. */
export const leftBehind = (): readonly unknown[] =>
  quietly(() => Object.keys(localStorage)) //
    ?.filter((key) => key.startsWith(prefix))
    .flatMap((key) => quietly(() => [JSON.parse(localStorage.getItem(key) ?? '') as unknown]) ?? []) ?? [];

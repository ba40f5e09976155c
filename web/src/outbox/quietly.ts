/** Where a browser lends no database, only the page remembers. */
export const quietly = <T>(done: Promise<T>): Promise<T | undefined> => done.catch(() => undefined);

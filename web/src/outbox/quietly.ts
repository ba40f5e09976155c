/** Where a browser lends no database, only the page remembers; where it lends no locks, the page takes itself for the only one. */
export const quietly = <T>(done: Promise<T>): Promise<T | undefined> => done.catch(() => undefined);

import { quietly } from './quietly';

/**
 * Tabs of one browser share what is kept in it. Each names itself, and holds a lock of that name for as long as it lives: however it ends,
 * the browser lets go of the lock, and whoever comes next knows that what was left there is nobody's.
 */
const named = crypto.randomUUID();

const lockOf = (page: string) => `able-mend-page ${page}`;

/** A key for what this page keeps, which tells whose it is. */
export const keyOfThisPage = () => `${named} ${crypto.randomUUID()}`;

const pageOf = (key: string) => key.split(' ', 1)[0] ?? '';

/** Whether this page keeps what stands under a key. */
export const isOfThisPage = (key: string) => pageOf(key) === named;

/** Until the other tabs see that this page lives. */
export const openPage = () =>
  new Promise<void>((opened) => {
    const held = navigator.locks.request(lockOf(named), () => {
      opened();
      return new Promise<never>(() => undefined);
    });
    // Where a browser lends no lock, every tab is taken for the only one.
    void held.catch(opened);
  });

/** Tells of a key whether the page that kept it is still open, in this tab or another. A tab that a telephone has put to sleep is. */
export async function openPages(): Promise<(key: string) => boolean> {
  const asked = await quietly(navigator.locks.query());
  const locks = new Set(asked?.held?.map((each) => each.name));
  return (key) => locks.has(lockOf(pageOf(key)));
}

/** How soon it is asked for again while the server is out of reach, in milliseconds. */
const againAfterMs = 2000;

/** How long an answer is waited for, in milliseconds: a network that swallows everything says nothing either. */
const patienceMs = 5000;

const pause = (ms: number) => new Promise((wake) => setTimeout(wake, ms));

/** Whether the server answers. A proxy that answers for a server that is down is no answer. */
const answers = () =>
  fetch('/api/shop', { cache: 'no-store', signal: AbortSignal.timeout(patienceMs) }).then(
    ({ status }) => status < 500,
    () => false,
  );

/**
 * Fetches a part of the page that only some need. While the server is out of reach it is waited for: given up, it would take with it all that
 * stands on the page.
 * @throws What the fetching threw, where the server answers and all the same has no such part: it serves another build by now.
 */
export async function whenThere<T>(part: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await part();
    } catch {
      if (await answers()) return part();
      await pause(againAfterMs);
    }
  }
}

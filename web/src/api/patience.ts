/** How long an answer is waited for where nothing else is said, in milliseconds. A busy shop's server takes a second or two. */
export const usualPatienceMs = 20_000;

/**
 * Fetches, and gives up when nothing has come for so long: a network that swallows everything never says that it failed, and what
 * waits for it would wait for ever.
 * @param patienceMs How long, in milliseconds, the reading of the answer included.
 */
export const patient = (patienceMs: number) => (request: Request) =>
  fetch(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(patienceMs)]) });

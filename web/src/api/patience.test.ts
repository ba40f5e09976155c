import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { ask, isOutOfReach } from './client';
import { patient } from './patience';

/** Longer than any answer of this machine takes. */
const longMs = 60_000;

let server: Server | null = null;

/** A server that says so much of its answer, and then nothing more. */
const serverThatSays = async (said: 'nothing' | 'half' | 'all') => {
  server = createServer((_, response) => {
    if (said === 'nothing') return;
    response.writeHead(200, { 'Content-Type': 'application/json' });
    response.write('{"is":');
    if (said === 'all') response.end('"there"}');
  });
  await new Promise<void>((listens) => server!.listen(0, '127.0.0.1', listens));
  return new Request(`http://127.0.0.1:${String((server.address() as AddressInfo).port)}/`);
};

const answer = async (request: Request, patienceMs: number) => {
  const response = await patient(patienceMs)(request);
  return { data: (await response.json()) as unknown, response };
};

describe('an answer that is waited for', () => {
  afterEach(() => {
    server?.closeAllConnections();
    server?.close();
  });

  it('is heard where it comes', async () => {
    await expect(ask(answer(await serverThatSays('all'), longMs))).resolves.toEqual({ is: 'there' });
  });

  it.each(['nothing', 'half'] as const)('is given up where %s of it comes, as from a server that is out of reach', async (said) => {
    const error: unknown = await ask(answer(await serverThatSays(said), 200)).catch((fault: unknown) => fault);
    expect(isOutOfReach(error)).toBe(true);
    expect(error).toHaveProperty('status', 0);
  });

  it('is called off where nobody waits for it any more', async () => {
    const off = new AbortController();
    const request = new Request(await serverThatSays('nothing'), { signal: off.signal });
    const pending = ask(answer(request, longMs));
    off.abort();
    await expect(pending).rejects.toHaveProperty('name', 'AbortError');
  });
});

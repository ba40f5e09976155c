import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { whenThere } from './whenThere';

const lost = new TypeError('Failed to fetch dynamically imported module');

describe('a part of the page that is fetched when it is needed', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  const server = (...said: (number | null)[]) => {
    const asked = vi.fn(() => {
      const status = (said.length > 1 ? said.shift() : said[0]) ?? null;
      return status === null ? Promise.reject(lost) : Promise.resolve({ status } as Response);
    });
    vi.stubGlobal('fetch', asked);
    return asked;
  };

  it('comes at once where it can, and nobody is asked', async () => {
    const asked = server(200);
    await expect(whenThere(() => Promise.resolve('days'))).resolves.toBe('days');
    expect(asked).not.toHaveBeenCalled();
  });

  it('is waited for while the server is away, or a proxy answers for it, and comes when it is back', async () => {
    server(null, 502);
    const part = vi.fn<() => Promise<string>>().mockRejectedValueOnce(lost).mockRejectedValueOnce(lost).mockResolvedValue('days');
    const came = whenThere(part);
    await vi.advanceTimersByTimeAsync(1000);
    expect(part).toHaveBeenCalledTimes(1);
    await vi.advanceTimersByTimeAsync(4000);
    await expect(came).resolves.toBe('days');
  });

  it('comes at the second try where the server came back between the first and the question', async () => {
    server(200);
    const part = vi.fn<() => Promise<string>>().mockRejectedValueOnce(lost).mockResolvedValue('days');
    await expect(whenThere(part)).resolves.toBe('days');
  });

  it('is given up where the server answers and has no such part', async () => {
    server(200);
    await expect(whenThere(() => Promise.reject(lost))).rejects.toBe(lost);
  });
});

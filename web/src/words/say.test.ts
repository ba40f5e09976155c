import { afterEach, describe, expect, it, vi } from 'vitest';

/** The page as it is with the words of a language file, which have to be there when it is loaded. */
async function speaking(words?: Record<string, string>) {
  vi.resetModules();
  globalThis.ableMendWords = words;
  return import('./say');
}

afterEach(() => {
  globalThis.ableMendWords = undefined;
});

describe('say', () => {
  it('is English without a language file', async () => {
    const { say } = await speaking();
    expect(say`Step ${2} of ${5}`).toBe('Step 2 of 5');
  });

  it('takes the words of the file, with its places in their own order', async () => {
    const { say } = await speaking({ 'Step {0} of {1}': 'Von {1} der {0}. Schritt' });
    expect(say`Step ${2} of ${5}`).toBe('Von 5 der 2. Schritt');
  });

  it('fills in what looks like a place as it is', async () => {
    const { say } = await speaking();
    expect(say`Note: ${'{1}'} ${'two'}`).toBe('Note: {1} two');
  });

  it('leaves out what is not there', async () => {
    const { say } = await speaking();
    expect(say`a${null}b${undefined}c${false}d${0}`).toBe('abcd0');
  });

  it('does not take a word of the language itself for a word of the file', async () => {
    const { phrase } = await speaking({});
    expect(phrase('constructor')).toBe('constructor');
  });
});

describe('locale', () => {
  it('is the one that the file names', async () => {
    expect((await speaking({ 'en-GB': 'de-AT' })).locale()).toBe('de-AT');
  });

  it.each(['no locale at all', '⟦ên-GB⟧', 'xx-XX'])('is English for %s', async (named) => {
    expect((await speaking({ 'en-GB': named })).locale()).toBe('en-GB');
  });
});

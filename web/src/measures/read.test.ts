import { describe, expect, it } from 'vitest';
import { asRead } from './read';

describe('a reading', () => {
  it('has as many digits as were read, two at most', () => {
    expect(asRead(3212, 'g', 'metric')).toBe('3212 g');
    expect(asRead(305.1 - 300, 'g', 'metric')).toBe('5.1 g');
    expect(asRead(0.125, 'mm', 'metric')).toBe('0.13 mm');
    expect(asRead(-4, '°', 'metric')).toBe('-4°');
  });
  it('is told in the units of the device', () => expect(asRead(25.4, 'mm', 'us')).toMatch(/^1\.0* in$/));
});

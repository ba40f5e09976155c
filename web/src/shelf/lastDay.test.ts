import { describe, expect, it } from 'vitest';
import { lastDay } from './lastDay';

const six = { shelfLife: { sealedMonths: 12, openedMonths: 6, storage: 'Cool.' } };

describe('the last day of an opened tin', () => {
  it('counts from the day on which it was opened', () => {
    expect(lastDay({ openedOn: '2026-01-10', useBefore: null }, six)).toBe('good until 2026-07-11');
  });
  it('is the date on the tin where that comes first', () => {
    expect(lastDay({ openedOn: '2026-01-10', useBefore: '2026-03-01' }, six)).toBe('good until 2026-03-01');
    expect(lastDay({ openedOn: '2026-01-10', useBefore: '2027-03-01' }, six)).toBe('good until 2026-07-11');
  });
  it('is not guessed where the label says nothing', () => {
    expect(lastDay({ openedOn: '2026-01-10', useBefore: null }, { shelfLife: null })).toBe('its life once opened is not known');
    expect(lastDay({ openedOn: null, useBefore: '2026-03-01' }, six)).toBe('');
  });
});

import { describe, expect, it } from 'vitest';
import { clock, countdown, fromLocalField, span, toLocalField, when } from './time';

const minute = 60_000;

describe('time', () => {
  it('shows the shop’s zone and not the browser’s', () => {
    expect(clock('2026-05-06T09:00:00Z', 'Europe/Dublin')).toBe('10:00');
    expect(clock('2026-11-06T09:00:00Z', 'Europe/Dublin')).toBe('09:00');
  });

  it('adds the day only when it is another', () => {
    const now = Date.parse('2026-05-06T09:00:00Z');
    expect(when('2026-05-06T12:00:00Z', now, 'Etc/UTC')).toBe('12:00');
    expect(when('2026-05-07T12:00:00Z', now, 'Etc/UTC')).toContain('Thu 7 May');
    expect(when(null, now, 'Etc/UTC')).toBe('never at this bench');
  });

  it.each([
    [-5, '0 s'],
    [40_000, '40 s'],
    [12 * minute, '12 min'],
    [185 * minute, '3 h 05'],
    [52 * 60 * minute, '2 d 4 h'],
  ])('says %i ms as %s', (ms, words) => expect(span(ms)).toBe(words));

  it.each([
    [249_000, '4:09'],
    [3_729_000, '1:02:09'],
    [-1, '0:00'],
  ])('counts %i ms down as %s', (ms, words) => expect(countdown(ms)).toBe(words));

  it.each(['2026-05-06T09:00:00.000Z', '2026-03-29T00:30:00.000Z', '2026-10-25T03:30:00.000Z', '2026-12-31T23:59:00.000Z'])(
    'brings %s through a local field and back',
    (iso) => expect(fromLocalField(toLocalField(iso, 'Europe/Dublin'), 'Europe/Dublin')).toBe(iso),
  );

  it('takes an empty field for no time', () => expect(fromLocalField('', 'Etc/UTC')).toBeNull());
});

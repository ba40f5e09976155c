import { describe, expect, it } from 'vitest';
import { benchMoment } from './moment';

const now = Date.UTC(2026, 4, 6, 9);
const iso = (minutes: number) => new Date(now + minutes * 60_000).toISOString();
const base = { phase: 'waiting', window: null, useBy: null, urgency: 'waiting', heldUntil: null, testUntil: null } as const;
const window = (opens: number | null, closes: number | null) => ({
  stepId: 'x',
  kind: 'recoat' as const,
  fromAt: iso(-60),
  opensAt: opens === null ? null : iso(opens),
  closesAt: closes === null ? null : iso(closes),
  check: '',
  whenLate: null,
});

describe('what the bench says', () => {
  it('of a mix in the cup', () =>
    expect(benchMoment({ ...base, phase: 'hands', useBy: iso(12) }, now)).toMatchObject({ tone: 'late', untilMs: now + 12 * 60_000 }));
  it('of a mix that is past using', () => expect(benchMoment({ ...base, useBy: iso(-1) }, now).words).toBe('Past its pot life'));
  it('of a failed test', () => expect(benchMoment({ ...base, phase: 'failed' }, now).tone).toBe('late'));
  it('of a wait that is early', () =>
    expect(benchMoment({ ...base, window: window(6, null) }, now)).toMatchObject({ tone: 'early', untilMs: now + 6 * 60_000 }));
  it('of a window that is open', () => expect(benchMoment({ ...base, window: window(-6, null) }, now).tone).toBe('good'));
  it('of a window that was missed', () => expect(benchMoment({ ...base, window: window(-60, -1) }, now).words).toBe('Window missed'));
  it('of a wait that does not end here', () => expect(benchMoment({ ...base, window: window(null, null) }, now).tone).toBe('late'));
  it('of what had better be begun tomorrow', () =>
    expect(benchMoment({ ...base, phase: 'next', heldUntil: iso(900) }, now)).toMatchObject({ tone: 'early', untilMs: now + 900 * 60_000 }));
  it('of a test that lasts', () => {
    expect(benchMoment({ ...base, phase: 'hands', testUntil: iso(7) }, now)).toMatchObject({ tone: 'early', untilMs: now + 7 * 60_000 });
    expect(benchMoment({ ...base, phase: 'hands', testUntil: iso(-1) }, now)).toMatchObject({ tone: 'good', big: 'Look at it', untilMs: null });
  });
  it('of hands', () => expect(benchMoment({ ...base, phase: 'next' }, now).words).toBe('Hands now'));
});

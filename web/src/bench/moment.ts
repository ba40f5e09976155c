import type { BenchEntry } from '../api/types';
import { nextEnd, windowState } from '../desk/window';
import { say } from '../words/say';

/** What the bench says of a mend in a few words, and what its clock runs to. */
export interface BenchMoment {
  tone: 'late' | 'good' | 'early';
  words: string;
  /** In place of a clock, where there is none. */
  big: string;
  untilMs: number | null;
}

type Entry = Pick<BenchEntry, 'phase' | 'window' | 'useBy' | 'urgency' | 'heldUntil' | 'testUntil'>;

export function benchMoment(entry: Entry, now: number): BenchMoment {
  if (entry.useBy) {
    const left = Date.parse(entry.useBy);
    return left > now
      ? { tone: 'late', words: say`In the cup: use by`, big: '', untilMs: left }
      : { tone: 'late', words: say`Past its pot life`, big: say`Mix again`, untilMs: null };
  }
  if (entry.phase === 'failed') return { tone: 'late', words: say`The test failed`, big: say`Decide`, untilMs: null };
  if (entry.phase === 'done') return { tone: 'good', words: say`All done`, big: say`Hand it back`, untilMs: null };
  const held = entry.heldUntil ? Date.parse(entry.heldUntil) : 0;
  if (held > now) return { tone: 'early', words: say`Not yet: begin it in`, big: '', untilMs: held };
  if (!entry.window && entry.testUntil) {
    const over = Date.parse(entry.testUntil);
    return over > now
      ? { tone: 'early', words: say`The test lasts for`, big: '', untilMs: over }
      : { tone: 'good', words: say`The test has lasted`, big: say`Look at it`, untilMs: null };
  }
  if (!entry.window) return { tone: 'good', words: say`Hands now`, big: say`Hands now`, untilMs: null };
  const end = nextEnd(entry.window, now);
  switch (windowState(entry.window, now)) {
    case 'late':
      return { tone: 'late', words: say`Window missed`, big: say`Too late`, untilMs: null };
    case 'good':
      return end
        ? { tone: entry.urgency === 'about-to-be-lost' ? 'late' : 'good', words: say`Good now: closes in`, big: '', untilMs: end.at }
        : { tone: 'good', words: say`Good now: test it`, big: say`Test it`, untilMs: null };
    case 'early':
      return end
        ? { tone: 'early', words: say`Too early: opens in`, big: '', untilMs: end.at }
        : { tone: 'late', words: say`Never, at this bench`, big: say`Warm it`, untilMs: null };
  }
}

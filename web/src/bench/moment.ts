import type { BenchEntry } from '../api/types';
import { nextEnd, windowState } from '../desk/window';

/** What the bench says of a mend in a few words, and what its clock runs to. */
export interface BenchMoment {
  tone: 'late' | 'good' | 'early';
  words: string;
  /** In place of a clock, where there is none. */
  big: string;
  untilMs: number | null;
}

type Entry = Pick<BenchEntry, 'phase' | 'window' | 'useBy' | 'urgency'>;

export function benchMoment(entry: Entry, now: number): BenchMoment {
  if (entry.useBy) {
    const left = Date.parse(entry.useBy);
    return left > now
      ? { tone: 'late', words: 'In the cup: use by', big: '', untilMs: left }
      : { tone: 'late', words: 'Past its pot life', big: 'Mix again', untilMs: null };
  }
  if (entry.phase === 'failed') return { tone: 'late', words: 'The test failed', big: 'Decide', untilMs: null };
  if (entry.phase === 'done') return { tone: 'good', words: 'All done', big: 'Hand it back', untilMs: null };
  if (!entry.window) return { tone: 'good', words: 'Hands now', big: 'Hands now', untilMs: null };
  const end = nextEnd(entry.window, now);
  switch (windowState(entry.window, now)) {
    case 'late':
      return { tone: 'late', words: 'Window missed', big: 'Too late', untilMs: null };
    case 'good':
      return end
        ? { tone: entry.urgency === 'about-to-be-lost' ? 'late' : 'good', words: 'Good now: closes in', big: '', untilMs: end.at }
        : { tone: 'good', words: 'Good now: test it', big: 'Test it', untilMs: null };
    case 'early':
      return end
        ? { tone: 'early', words: 'Too early: opens in', big: '', untilMs: end.at }
        : { tone: 'late', words: 'Never, at this bench', big: 'Warm it', untilMs: null };
  }
}

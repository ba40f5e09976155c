import type { ReactNode } from 'react';
import type { Problem } from '../api/types';
import { placeOf } from '../words/places';
import { say } from '../words/say';

type Tone = 'late' | 'early' | 'good';

const tones: Record<Tone, string> = {
  late: 'border-late bg-late-soft',
  early: 'border-early bg-early-soft',
  good: 'border-good bg-good-soft',
};

/** Something to be known, marked by its edge and its word as well as by colour. */
export function Notice({ tone, word, children }: { tone: Tone; word: string; children: ReactNode }) {
  return (
    <div className={`border-l-8 px-3 py-2 ${tones[tone]}`}>
      <strong className="mr-2">{word}</strong>
      {children}
    </div>
  );
}

/** What is said beyond the first of it where there is room: at the foot of a telephone it would cover what hands are on their way to. */
export function More({ children }: { children: string }) {
  return <span className="max-sm:hidden"> {children}</span>;
}

/** Where something is wrong, as the page calls it. */
function Place({ field }: { field: string }) {
  const place = placeOf(field);
  return place ? <span className="font-semibold">{place.endsWith('?') ? place : `${place}:`} </span> : null;
}

/** What is wrong, where, and what to do. */
export function Problems({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="flex flex-col gap-2">
      {problems.map((problem) => (
        <Notice key={problem.code + problem.field} tone="late" word={say`Not like this:`}>
          <Place field={problem.field} />
          {problem.message} {problem.remedy}
        </Notice>
      ))}
    </div>
  );
}

import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import type { MendDesk } from '../desk/damageInHand';
import { served, when } from '../measures/time';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

/** Whether what was handed back has held: what the log learns from. */
export function LookedAgain({ desk }: { desk: MendDesk }) {
  const { mend, busy } = desk;
  const [words, setWords] = useState('');
  const look = (passed: boolean) => {
    desk.happened({ kind: 'looked-again', stepId: null, text: words.trim() || null, value: null, passed });
    setWords('');
  };
  return (
    <section aria-labelledby="has-it-held" className="flex flex-col gap-3">
      <h2 id="has-it-held" className="text-2xl">{say`Has it held?`}</h2>
      <HeldSoFar desk={desk} />
      {mend.held ? (
        <Button
          className="min-h-14 self-start"
          disabled={busy}
          onClick={() => desk.happened({ kind: 'undo', stepId: null, text: null, value: null, passed: null })}
        >{say`Take that back`}</Button>
      ) : null}
      {mend.held?.holds === false ? null : (
        <>
          <label>
            <span className="lettering block">{say`What was seen; if it failed, where and how`}</span>
            <input
              className="h-14 w-full rounded-sm border-2 border-strong-line bg-sheet px-3 text-lg"
              maxLength={2000}
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
          </label>
          <div className="grid gap-3 sm:flex">
            <Button size="hand" disabled={busy} onClick={() => look(true)}>{say`It holds`}</Button>
            <Button size="hand" look="stop" disabled={busy || words.trim() === ''} onClick={() => look(false)}>{say`It has failed`}</Button>
          </div>
        </>
      )}
    </section>
  );
}

function HeldSoFar({ desk: { mend } }: { desk: MendDesk }) {
  const now = useNow();
  const zone = useZone();
  if (!mend.held)
    return <p className="text-faint">{say`Nobody has looked at it again yet. What is said here tells the next plan, and what a mend is worth.`}</p>;
  const { holds, years, at, words } = mend.held;
  return holds ? (
    <Notice tone="good" word={say`It holds after ${served(years)}.`}>
      {say`Looked at ${when(at, now, zone)}.`} {words}
    </Notice>
  ) : (
    <Notice tone="late" word={say`It failed after ${served(years)}.`}>
      {words}{' '}
      <Link to="/tags/$tag" params={{ tag: mend.tag }} className="inline-flex min-h-11 items-center underline underline-offset-4">{say`Mend it again`}</Link>
    </Notice>
  );
}

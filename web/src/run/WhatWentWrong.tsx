import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { problemsIn } from '../api/client';
import { mishapsQuery } from '../api/queries';
import type { Front, Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { Notice, Problems } from '../ui/Notice';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

/** One tap sideways from every step: what went wrong, which of its causes it is, and what then. */
export function WhatWentWrong({ desk, front }: { desk: MendDesk; front: Front }) {
  const [open, setOpen] = useState(false);
  useKeys(['w'], () => setOpen(!open));
  return (
    <section aria-label={say`What went wrong`} className={open ? 'w-full' : ''}>
      <Button look={front.phase === 'failed' ? 'main' : 'plain'} className="min-h-14 text-lg" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? say`Never mind` : say`Something went wrong`} <kbd className="text-base opacity-80">W</kbd>
      </Button>
      {open ? <Offered desk={desk} front={front} close={() => setOpen(false)} /> : null}
    </section>
  );
}

function Offered({ desk, front, close }: { desk: MendDesk; front: Front; close: () => void }) {
  const mishaps = useQuery(mishapsQuery(desk.mend.id, front.stepId, desk.mend.version));
  const [picked, setPicked] = useState<string | null>(null);
  if (mishaps.isError) return <Problems problems={problemsIn(mishaps.error)} />;
  if (!mishaps.data) return <p className="p-3">{say`Loading …`}</p>;
  if (mishaps.data.length === 0) return <p className="p-3 text-xl">{say`Nothing is known to go wrong here. Save a note of it.`}</p>;
  return (
    <ul className="mt-2 flex flex-col gap-2">
      {mishaps.data.map((mishap) => (
        <li key={mishap.id} className="border-2 border-line bg-sheet">
          <button
            type="button"
            aria-expanded={picked === mishap.id}
            className="flex min-h-14 w-full items-center gap-3 px-3 text-left text-xl font-bold"
            onClick={() => setPicked(picked === mishap.id ? null : mishap.id)}
          >
            <span aria-hidden className="w-4 text-faint">
              {picked === mishap.id ? '−' : '+'}
            </span>
            {mishap.sign}
          </button>
          {picked === mishap.id ? <Causes mishap={mishap} desk={desk} stepId={front.stepId} close={close} /> : null}
        </li>
      ))}
    </ul>
  );
}

function Causes({ mishap, desk, stepId, close }: { mishap: Schemas['OfferedMishap']; desk: MendDesk; stepId: string; close: () => void }) {
  const choose = (cause: Schemas['OfferedCause']) => {
    desk.happened({ kind: 'mishap', stepId, text: cause.id });
    close();
  };
  return (
    <div className="flex flex-col gap-3 border-t border-line p-3">
      <p className="text-lg">{mishap.ask}</p>
      {mishap.causes.map((cause) => (
        <div key={cause.id} className="flex flex-col gap-2 border-l-4 border-strong-line pl-3">
          {cause.speaksFor ? (
            <Notice tone="early" word={say`Likely here.`}>
              {cause.speaksFor}
            </Notice>
          ) : null}
          <Button size="hand" disabled={desk.busy} className="justify-start text-left" onClick={() => choose(cause)}>
            {cause.looks}
          </Button>
          <p>
            <strong>{say`Then:`}</strong> {cause.steps.join('; ')}.{' '}
            {cause.backTo ? say`After that it goes on from: ${cause.backTo}.` : say`After that it goes on from here.`}
          </p>
          {cause.stop ? (
            <p className="font-bold text-late">
              {say`When to stop:`} {cause.stop}
            </p>
          ) : null}
        </div>
      ))}
    </div>
  );
}

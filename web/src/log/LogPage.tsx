import { useDebouncedCallback } from '@tanstack/react-pacer/debouncer';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useNavigate, useSearch } from '@tanstack/react-router';
import { useState } from 'react';
import { problemsIn } from '../api/client';
import { logQuery } from '../api/queries';
import { LooksDue } from '../prove/LooksDue';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { HowTheyHeld } from './HowTheyHeld';
import { LogList } from './LogList';

/** How long after the last key it is looked for, in milliseconds. */
const lookAfterMs = 250;

/** Everything that was closed, found again by any word of it. */
export function LogPage() {
  const { q = '' } = useSearch({ from: '/log' });
  const log = useInfiniteQuery(logQuery(q));
  return (
    <div className="mx-auto max-w-[1500px] px-5 py-5">
      <div className="flex flex-wrap items-end gap-6">
        <h1 className="text-3xl">{say`Log`}</h1>
        <SearchField q={q} />
      </div>
      <LooksDue />
      <HowTheyHeld />
      <Problems problems={problemsIn(log.error)} />
      <LogList
        entries={log.data?.pages.flatMap((page) => page.entries) ?? []}
        onEnd={() => {
          if (log.hasNextPage && !log.isFetching) void log.fetchNextPage();
        }}
      />
      {log.data?.pages[0]?.entries.length === 0 ? (
        <p className="mt-6 text-lg text-faint">{q ? say`Nothing in the log has “${q}” in it.` : say`Nothing has been closed yet.`}</p>
      ) : null}
    </div>
  );
}

/** What is typed stands there at once; it is looked for when the hand rests. */
function SearchField({ q }: { q: string }) {
  const navigate = useNavigate();
  const [typed, setTyped] = useState<{ text: string; over: string }>({ text: q, over: q });
  const look = useDebouncedCallback((text: string) => void navigate({ to: '/log', search: text ? { q: text } : {}, replace: true }), { wait: lookAfterMs });
  // An address that was changed by going back counts more than what was typed before.
  const text = typed.over === q || typed.text === q ? typed.text : q;
  return (
    <label className="min-w-72 flex-1">
      <span className="lettering block">{say`Search by tag, place, resin, or any word in a note`}</span>
      <input
        type="search"
        maxLength={200}
        className="h-12 w-full max-w-xl rounded-sm border-2 border-strong-line bg-sheet px-3 text-lg"
        value={text}
        onChange={(event) => {
          setTyped({ text: event.target.value, over: q });
          look(event.target.value);
        }}
      />
    </label>
  );
}

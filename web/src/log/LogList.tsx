import { Link } from '@tanstack/react-router';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useState } from 'react';
import { smallPictureAt } from '../api/photographs';
import type { Schemas } from '../api/types';
import { served, when } from '../measures/time';
import { useMinute } from '../shop/clock';
import { useZone } from '../shop/zone';
import { useDamageWords } from '../ui/damageWords';
import { decisionWords } from '../ui/words';
import { say } from '../words/say';

type Entry = Schemas['LogEntry'];

/** How tall a line is before it was measured, in pixels. */
const usualHeight = 72;

/** How many lines before the end the next ones are asked for. */
const ahead = 20;

/** However long the log is, only the lines in sight are there. */
export function LogList({ entries, onEnd }: { entries: readonly Entry[]; onEnd: () => void }) {
  const [scrollMargin, setScrollMargin] = useState(0);
  const list = useCallback((node: HTMLUListElement | null) => {
    if (node) setScrollMargin(node.offsetTop);
  }, []);
  const lines = useWindowVirtualizer({ count: entries.length, estimateSize: () => usualHeight, overscan: 8, scrollMargin, getItemKey: (i) => entries[i]!.id });
  const shown = lines.getVirtualItems();
  const last = shown.at(-1)?.index ?? 0;
  useEffect(() => {
    if (last + ahead >= entries.length) onEnd();
  }, [last, entries.length, onEnd]);
  return (
    <ul ref={list} className="relative mt-3" style={{ height: lines.getTotalSize() }}>
      {shown.map((line) => (
        <li
          key={line.key}
          ref={lines.measureElement}
          data-index={line.index}
          aria-setsize={-1}
          aria-posinset={line.index + 1}
          className="absolute inset-x-0 top-0 border-b border-line"
          style={{ transform: `translateY(${line.start - scrollMargin}px)` }}
        >
          <Line entry={entries[line.index]!} />
        </li>
      ))}
    </ul>
  );
}

function Line({ entry }: { entry: Entry }) {
  const damageWords = useDamageWords();
  const now = useMinute();
  const zone = useZone();
  // What was told when it was handed back is not told twice.
  const inWords = entry.excerpt?.join('') === entry.words ? entry.excerpt : null;
  return (
    <Link
      to="/mends/$id/$stage"
      params={{ id: String(entry.id), stage: 'prove' }}
      className="group grid min-h-16 items-center gap-x-5 py-1.5 md:grid-cols-[6.5rem_minmax(0,1fr)_minmax(0,1.3fr)_13rem]"
    >
      <span className="numeral text-2xl group-hover:underline">{entry.tag}</span>
      <span className="leading-tight">
        <span className="block font-semibold">
          {entry.damage ? damageWords(entry.damage, entry.construction) : ''}
          {entry.damages > 1 ? say`, and ${entry.damages - 1} more` : ''}
        </span>
        <span className="text-sm text-faint">{entry.methodName ? `${entry.methodName}, ${entry.materialName}` : entry.itemName}</span>
      </span>
      <span className="leading-tight">
        <span className="line-clamp-3">
          <strong className={entry.status === 'handed-back' ? 'text-good' : 'text-late'}>{outcome(entry)}.</strong>{' '}
          {entry.held ? <strong className={entry.held.holds ? 'text-good' : 'text-late'}>{heldWords(entry.held)}</strong> : null}{' '}
          {inWords ? <Marked parts={inWords} /> : entry.words}
        </span>
        {entry.excerpt && !inWords ? (
          <span className="line-clamp-2 text-sm text-faint">
            <Marked parts={entry.excerpt} />
          </span>
        ) : null}
      </span>
      <span className="flex items-center gap-3 text-faint whitespace-nowrap md:justify-end md:text-right">
        {entry.photograph ? <img src={smallPictureAt(entry.photograph)} alt="" className="h-12 w-16 border border-line object-cover" /> : null}
        {when(entry.closedAt, now, zone)}
      </span>
    </Link>
  );
}

function outcome(entry: Entry): string {
  if (entry.decision === null) return say`Unreadable`;
  if (entry.status !== 'handed-back') return decisionWords[entry.decision];
  return entry.decision === 'mend-for-now' ? say`Mended for now` : say`Mended`;
}

const heldWords = ({ holds, years }: NonNullable<Entry['held']>) => (holds ? say`Held for ${served(years)}.` : say`Failed after ${served(years)}.`);

/** What was written round the words that were looked for; every second part is one of them. */
function Marked({ parts }: { parts: readonly string[] }) {
  return parts.map((part, i) =>
    i % 2 === 1 ? (
      <mark key={i} className="bg-good-soft font-semibold text-ink">
        {part}
      </mark>
    ) : (
      part
    ),
  );
}

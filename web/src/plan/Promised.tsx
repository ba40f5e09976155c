import { useQuery } from '@tanstack/react-query';
import { promiseQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { span, when } from '../measures/time';
import { say } from '../words/say';

type Promise = Schemas['Promise'];

const toneOf: Record<NonNullable<Schemas['Trust']>, string> = { sure: 'text-good', doubtful: 'text-early', no: 'text-late' };
const markOf: Record<NonNullable<Schemas['Trust']>, string> = { sure: '●', doubtful: '◌', no: '▲' };

/** When this can be promised with everything else that there is to do, and what would have it ready sooner. */
export function Promised({ id, version, now, zone }: { id: number; version: number; now: number; zone: string }) {
  const { data } = useQuery(promiseQuery(id, version));
  const trust = data?.trust ?? null;
  return (
    <section aria-label={say`What can be promised`} className="min-h-16 border-l-8 border-line pl-3">
      <p className={`text-lg font-bold ${trust ? toneOf[trust] : ''}`}>
        {trust ? <span aria-hidden>{markOf[trust]} </span> : null}
        {data ? promiseWords(data, now, zone) : say`Looking at the queue …`}
      </p>
      {data ? <p className="text-faint">{boundsWords(data, now, zone)}</p> : null}
      {data && data.helps.length > 0 ? (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-act">{say`What would have it ready sooner`}</summary>
          <ul className="pb-2">
            {data.helps.map((help) => (
              <li key={help.help}>
                <strong>{helpWords[help.help]}</strong>: {say`ready ${when(help.readyAt, now, zone)}`}
                {help.delays.length > 0 ? say`, and ${help.delays.length} others are late, or later, for it` : say`, and nothing else is late for it`}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  );
}

const helpWords: Record<Schemas['Help'], string> = {
  'goes-first': say`Before everything that may wait`,
  'for-now': say`Mended for now`,
  warm: say`With the bench at 30 °C`,
  'warm-place': say`With one more place in the warm`,
  hands: say`With one more pair of hands`,
  clamp: say`With one more clamp`,
};

function promiseWords({ readyAt, dueAt, trust }: Promise, now: number, zone: string): string {
  if (!readyAt) return say`In the queue it fits into none of the coming three weeks`;
  const ready = say`Behind the queue: ready ${when(readyAt, now, zone)}`;
  if (!dueAt || !trust) return ready;
  if (trust === 'no') return say`${ready}, ${span(Date.parse(readyAt) - Date.parse(dueAt))} after it is due`;
  return trust === 'sure' ? say`${ready}, in time for ${when(dueAt, now, zone)}` : say`${ready}, in time for ${when(dueAt, now, zone)} only if all goes well`;
}

function boundsWords({ cautiousAt, latestStartAt }: Promise, now: number, zone: string): string {
  const bad = cautiousAt ? say`On a bad day ${when(cautiousAt, now, zone)}.` : say`On a bad day not within three weeks.`;
  return latestStartAt ? say`${bad} Begin it by ${when(latestStartAt, now, zone)} at the latest.` : bad;
}

import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { problemsIn } from '../api/client';
import { benchQuery, daysQuery } from '../api/queries';
import type { BenchEntry, Schemas } from '../api/types';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import type { StripRange } from '../drawing/strip';
import { StripLegend, TimeAxis, TimeStrip } from '../drawing/TimeStrip';
import { Notice, Problems } from '../ui/Notice';
import { countdown, span, when } from '../measures/time';
import { useDamageWords } from '../ui/damageWords';
import { waitWords } from '../ui/words';
import { AirNow } from './AirNow';
import { benchMoment, type BenchMoment } from './moment';
import { say } from '../words/say';

const hour = 3600_000;
const stripWidth = 560;

/** What needs hands now, what next and when, and what is about to be lost: one line a mend, the clock running through them all. */
export function BenchPage() {
  const bench = useQuery(benchQuery);
  const days = useQuery(daysQuery);
  const now = useNow();
  const zone = useZone();
  if (!bench.data) return <div className="p-5">{bench.error ? <Problems problems={problemsIn(bench.error)} /> : say`Loading the bench …`}</div>;
  const range: StripRange = { fromMs: now - hour, toMs: now + 9 * hour, width: stripWidth };
  // With everything else that there is to do it is ready later than by itself: what is late by the days is late.
  const readyByDays = new Map(days.data?.plan.mends.map((mend) => [mend.mend, mend.readyAt]));
  const [lead, ...rest] = bench.data.entries.map((entry) => ({ ...entry, readyAt: readyByDays.get(entry.id) ?? entry.readyAt }));
  return (
    <div className="mx-auto max-w-[1500px] px-5 pb-10">
      <h1 className="sr-only">{say`The bench`}</h1>
      {lead ? (
        <ol>
          <Lead entry={lead} now={now} zone={zone} range={range} />
          <li aria-hidden className="hidden lg:grid lg:grid-cols-[minmax(0,1fr)_44%] lg:gap-6">
            <span className="lettering self-end pb-1">{say`then`}</span>
            <TimeAxis range={range} zone={zone} />
          </li>
          {rest.map((entry) => (
            <Line key={entry.id} entry={entry} now={now} zone={zone} range={range} />
          ))}
          <li className="pt-2 lg:grid lg:grid-cols-[minmax(0,1fr)_44%] lg:gap-6">
            <span />
            <StripLegend />
          </li>
        </ol>
      ) : (
        <Empty drafts={bench.data.drafts.length} />
      )}
      <AirNow />
      <Unreadable entries={bench.data.unreadable} />
      <Drafts drafts={bench.data.drafts} readyByDays={readyByDays} now={now} zone={zone} />
    </div>
  );
}

interface LineProps {
  entry: BenchEntry;
  now: number;
  zone: string;
  range: StripRange;
}

const toneOf: Record<BenchMoment['tone'], string> = { late: 'text-late', good: 'text-good', early: 'text-early' };
const markOf: Record<BenchMoment['tone'], string> = { late: '▲', good: '●', early: '◌' };

function Lead({ entry, now, zone, range }: LineProps) {
  const moment = benchMoment(entry, now);
  return (
    <li className="border-b-2 border-ink py-3">
      <Link to="/mends/$id/$stage" params={{ id: String(entry.id), stage: 'mend' }} className="group grid gap-x-6 gap-y-3 lg:grid-cols-[minmax(0,1fr)_44%]">
        <div className="min-w-0">
          <p className={`text-xl font-bold ${toneOf[moment.tone]}`}>
            <span aria-hidden>{markOf[moment.tone]} </span>
            {moment.words}
          </p>
          <p className="numeral mt-1 text-6xl leading-none tracking-tight group-hover:underline">{entry.tag}</p>
          <p className="mt-2 text-3xl leading-tight font-bold">{headline(entry)}</p>
          <p className="mt-1 text-lg text-faint">
            {entry.itemName}. {afterwards(entry)}
          </p>
        </div>
        <div className="flex min-w-0 flex-col justify-between gap-2">
          <p className={`numeral text-right text-7xl leading-none ${toneOf[moment.tone]}`}>
            {moment.untilMs === null ? <span className="text-4xl">{moment.big}</span> : countdown(moment.untilMs - now)}
          </p>
          <Due entry={entry} now={now} zone={zone} />
          <div>
            <TimeAxis range={range} zone={zone} />
            <TimeStrip bands={entry.bands} range={range} height={34} nowMs={now} label={say`${entry.tag} against the clock`} />
          </div>
        </div>
      </Link>
    </li>
  );
}

function Line({ entry, now, zone, range }: LineProps) {
  const moment = benchMoment(entry, now);
  return (
    <li className="border-b border-line">
      <Link
        to="/mends/$id/$stage"
        params={{ id: String(entry.id), stage: 'mend' }}
        className="group grid min-h-15 items-center gap-x-6 py-1 lg:grid-cols-[minmax(0,1fr)_44%]"
      >
        <div className="grid min-w-0 grid-cols-[6.2rem_minmax(0,1fr)] items-center gap-x-3 sm:grid-cols-[6.2rem_minmax(0,1fr)_9.5rem]">
          <span className="numeral text-2xl group-hover:underline">{entry.tag}</span>
          <span className="order-3 col-span-2 min-w-0 sm:order-none sm:col-span-1">
            <span className="block truncate text-lg leading-tight font-bold">{headline(entry)}</span>
            <span className={`block truncate text-sm ${willBeLate(entry) ? 'font-bold text-late' : 'text-faint'}`}>{dueWords(entry, now, zone)}</span>
          </span>
          <span className={`text-right leading-tight font-bold ${toneOf[moment.tone]}`}>
            <span className="block text-sm">
              <span aria-hidden>{markOf[moment.tone]} </span>
              {moment.words}
            </span>
            <span className="numeral block text-xl">{moment.untilMs === null ? '' : span(moment.untilMs - now)}</span>
          </span>
        </div>
        <TimeStrip bands={entry.bands} range={range} height={34} nowMs={now} label={say`${entry.tag} against the clock`} />
      </Link>
    </li>
  );
}

/** A wait leads with what is waited for; hands lead with what they do. */
function headline(entry: BenchEntry): string {
  if (!entry.window) return entry.stepTitle;
  return entry.inWarm ? say`${waitWords[entry.window.kind]}, in the warm` : waitWords[entry.window.kind];
}

function afterwards(entry: BenchEntry): string {
  return entry.nextTitle ? say`Next: ${entry.nextTitle}` : say`Then hand it back`;
}

function willBeLate(entry: BenchEntry): boolean {
  return Boolean(entry.dueAt && entry.readyAt && Date.parse(entry.readyAt) > Date.parse(entry.dueAt));
}

function dueWords(entry: BenchEntry, now: number, zone: string): string {
  const due = entry.dueAt ? say`Due ${when(entry.dueAt, now, zone)}` : say`No due time`;
  return willBeLate(entry)
    ? say`${due}: ready only ${when(entry.readyAt, now, zone)}`
    : say`${due}. Step ${Math.min(entry.stepsDone + 1, entry.stepsAll)} of ${entry.stepsAll}`;
}

function Due({ entry, now, zone }: { entry: BenchEntry; now: number; zone: string }) {
  return <p className={`text-right text-lg ${willBeLate(entry) ? 'font-bold text-late' : 'text-faint'}`}>{dueWords(entry, now, zone)}</p>;
}

function Drafts({ drafts, readyByDays, now, zone }: DraftsProps) {
  const damageWords = useDamageWords();
  return (
    <section className="mt-3">
      <h2 className="lettering">{say`Waiting to be started`}</h2>
      <ul className="mt-1 flex flex-wrap gap-x-8 gap-y-1">
        {drafts.map((draft) => (
          <li key={draft.id}>
            <Link
              to="/mends/$id/$stage"
              params={{ id: String(draft.id), stage: 'look' }}
              className="flex min-h-14 items-center gap-3 border-b-2 border-transparent hover:border-ink"
            >
              <span className="numeral text-2xl">{draft.tag}</span>
              <span className="leading-tight">
                <span className="block font-semibold">
                  {damageWords(draft.damage, draft.construction)}
                  {draft.damages > 1 ? say`, and ${draft.damages - 1} more` : ''}
                  {draft.followsMendId ? say`, properly` : ''}
                </span>
                <DraftDue dueAt={draft.dueAt} readyAt={readyByDays.get(draft.id) ?? null} now={now} zone={zone} />
              </span>
            </Link>
          </li>
        ))}
        <li>
          <Link to="/new" className="flex min-h-14 items-center gap-2 rounded-sm border-2 border-act px-5 text-lg font-bold text-act">{say`Start a mend`}</Link>
        </li>
      </ul>
    </section>
  );
}

interface DraftsProps {
  drafts: readonly Schemas['DraftEntry'][];
  readyByDays: ReadonlyMap<number, string | null>;
  now: number;
  zone: string;
}

function DraftDue({ dueAt, readyAt, now, zone }: { dueAt: string | null; readyAt: string | null; now: number; zone: string }) {
  const due = dueAt ? say`Due ${when(dueAt, now, zone)}` : say`No due time`;
  const late = dueAt && readyAt && Date.parse(readyAt) > Date.parse(dueAt);
  return <span className={`text-sm ${late ? 'font-bold text-late' : 'text-faint'}`}>{late ? say`${due}: ready only ${when(readyAt, now, zone)}` : due}</span>;
}

/** Records that cannot be read are named, so that nobody looks for them; the rest of the bench goes on. */
function Unreadable({ entries }: { entries: readonly Schemas['UnreadableEntry'][] }) {
  if (entries.length === 0) return null;
  return (
    <section className="mt-3">
      {entries.map((entry) => (
        <Notice key={entry.id} tone="late" word={`${entry.tag}, ${entry.itemName}:`}>
          {entry.problem.message} <strong>{entry.problem.remedy}</strong>
        </Notice>
      ))}
    </section>
  );
}

function Empty({ drafts }: { drafts: number }) {
  return (
    <div className="py-12">
      <p className="text-4xl font-bold">{say`Nothing under way`}</p>
      <p className="mt-2 max-w-prose text-lg text-faint">
        {drafts > 0 ? say`Pick one of those below to begin.` : say`Pick an item, tap where it is damaged, and the plan is there.`}
      </p>
    </div>
  );
}

import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { problemsIn } from '../api/client';
import { daysQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { TimeAxis, TimeStrip } from '../drawing/TimeStrip';
import { clock, day as dayWords, span, when } from '../measures/time';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Notice, Problems } from '../ui/Notice';
import { waitWords } from '../ui/words';
import { say } from '../words/say';
import { AirToday } from './AirToday';
import { Load } from './Load';
import { Wish } from './Wish';
import { blocksOn, daysOf, minutesOf, rangeOf, sharesOf, shelvesOf, togetherOn, turnOf, worthWords, type Group, type Taken } from './dayView';

type Block = Schemas['DayBlock'];
type View = Schemas['DaysView'];
type Mends = ReadonlyMap<number, Schemas['DaysMend']>;

/** What the shop does when: who takes what now and next, the day against the clock, and when each item is ready. */
export function DaysPage() {
  const days = useQuery(daysQuery);
  if (!days.data) return <div className="p-5">{days.error ? <Problems problems={problemsIn(days.error)} /> : say`Laying out the days …`}</div>;
  return <Days view={days.data} />;
}

function Days({ view }: { view: View }) {
  const now = useNow();
  const zone = useZone();
  const [picked, setPicked] = useState<string | null>(null);
  const { plan } = view;
  const mends: Mends = new Map(view.mends.map((mend) => [mend.id, mend]));
  const days = daysOf(plan.blocks, new Date(now).toISOString(), zone);
  const day = picked && days.includes(picked) ? picked : (days[0] ?? '');
  const today = blocksOn(plan.blocks, day, zone);
  return (
    <div className="mx-auto max-w-[1500px] px-5 pb-10">
      <h1 className="sr-only">{say`The days`}</h1>
      <div className="grid border-b-2 border-ink md:grid-cols-2">
        {plan.people.map((person, i) => (
          <Hands key={person} name={person} turn={turnOf(plan.blocks, i, now)} mends={mends} now={now} zone={zone} />
        ))}
      </div>
      <Moved view={view} mends={mends} now={now} zone={zone} />
      <Load load={view.load} shown={day} onPick={setPicked} />
      <div className="mt-3 flex flex-wrap items-end justify-between gap-3">
        <div className="no-print">
          <Choice
            label={say`Day`}
            hideLabel
            value={day}
            options={days.slice(0, 8).map((each) => [each, dayWords(`${each}T12:00:00Z`, 'UTC')] as const)}
            onPick={setPicked}
          />
        </div>
        <span className="no-print">
          <Button onClick={() => window.print()}>{say`Print the morning sheet`}</Button>
        </span>
      </div>
      <DayPicture blocks={today} plan={plan} mends={mends} now={now} zone={zone} day={day} />
      <Together plan={plan} day={day} mends={mends} zone={zone} />
      <Sheet blocks={today} plan={plan} mends={mends} zone={zone} />
      <div className="no-print">
        <AirToday />
      </div>
      <ReadyList view={view} mends={mends} now={now} zone={zone} />
      <Calendars view={view} />
    </div>
  );
}

const lineOf = (block: Block) => block.titles[0] ?? '';

function Hands({ name, turn, mends, now, zone }: { name: string; turn: { now: Block | null; next: Block | null }; mends: Mends; now: number; zone: string }) {
  const lead = turn.now ?? turn.next;
  return (
    <section aria-label={name} className="py-3 md:pr-5 md:not-first:border-l-2 md:not-first:border-line md:not-first:pl-5">
      <p className="flex items-baseline justify-between gap-3">
        <span className="text-xl font-bold">{name}</span>
        <span className={`text-lg font-bold ${turn.now ? 'text-good' : 'text-early'}`}>
          {!lead ? say`Nothing planned` : turn.now ? say`Now, until ${clock(turn.now.endsAt, zone)}` : say`Next at ${when(lead.startsAt, now, zone)}`}
        </span>
      </p>
      {lead ? <BlockLink block={lead} mends={mends} big /> : null}
      {turn.now && turn.next ? (
        <p className="mt-1 text-lg text-faint">
          {say`Then, ${when(turn.next.startsAt, now, zone)}:`} <strong className="text-ink">{mends.get(turn.next.mend)?.tag}</strong> {lineOf(turn.next)}
        </p>
      ) : null}
    </section>
  );
}

function BlockLink({ block, mends, big, note }: { block: Block; mends: Mends; big?: boolean; note?: string }) {
  const mend = mends.get(block.mend);
  return (
    <Link
      to="/mends/$id/$stage"
      params={{ id: String(block.mend), stage: mend?.status === 'draft' ? 'plan' : 'mend' }}
      className="group flex min-h-14 flex-wrap items-baseline gap-x-3"
    >
      <span className={`numeral group-hover:underline ${big ? 'text-5xl' : 'text-2xl'}`}>{mend?.tag}</span>
      <span className={`min-w-0 leading-tight font-bold ${big ? 'text-2xl' : 'text-lg'}`}>{lineOf(block)}</span>
      {note ? <span className={`basis-full text-sm ${block.missed ? 'font-bold text-late' : 'text-faint'}`}>{note}</span> : null}
    </Link>
  );
}

const why: Record<Schemas['WhyMoved'], string> = {
  'not-begun': say`it was not begun then`,
  'wait-moved': say`its wait is over at another time`,
  'made-way': say`made way`,
  'found-room': say`there was room sooner`,
  'one-cup': say`one cup may do`,
  'one-heat': say`one heat-up does`,
};

function forWhom(move: Schemas['DayMove'], mends: Mends): string {
  const other = mends.get(move.for ?? 0)?.tag;
  if (!other) return '';
  return move.why === 'one-cup' || move.why === 'one-heat' ? say` for it and ${other}` : say` for ${other}`;
}

function Moved({ view, mends, now, zone }: { view: View; mends: Mends; now: number; zone: string }) {
  const moved = view.plan.moved;
  if (moved.length === 0) return null;
  return (
    <details className="no-print mt-3 border-l-8 border-early bg-sheet px-4 py-2">
      <summary className="min-h-11 cursor-pointer text-lg font-semibold">
        {moved.length === 1 ? say`1 stretch moved since the plan before` : say`${moved.length} stretches moved since the plan before`}
      </summary>
      <ul className="pb-2">
        {moved.map((move) => (
          <li key={`${move.mend} ${move.stepId}`}>
            <strong>{mends.get(move.mend)?.tag}</strong> {move.title}: {when(move.from, now, zone)} → {when(move.to, now, zone)}, {why[move.why]}
            {forWhom(move, mends)}.
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What is made ready once for several items that hands come to in one go. */
const once: Record<Schemas['OnceKind'], { title: string; how: string }> = {
  cup: {
    title: say`One cup for several`,
    how: say`Get them all ready before anything is mixed: the bench then offers the one cup, and says whether it holds and lasts for all.`,
  },
  heat: {
    title: say`One heat-up for several`,
    how: say`Get them all ready before the tool is hot: it is heated and loaded once, and goes from one to the next.`,
  },
};

function Together({ plan, day, mends, zone }: { plan: View['plan']; day: string; mends: Mends; zone: string }) {
  return (['cup', 'heat'] as const).map((kind) => (
    <Once key={kind} kind={kind} groups={togetherOn(plan.together ?? [], kind, day, zone)} mends={mends} zone={zone} />
  ));
}

function Once({ kind, groups, mends, zone }: { kind: Schemas['OnceKind']; groups: readonly Group[]; mends: Mends; zone: string }) {
  if (groups.length === 0) return null;
  const { title, how } = once[kind];
  return (
    <section aria-label={title} className="mt-3 border-l-8 border-good bg-sheet px-4 py-2">
      <h2 className="text-xl font-bold">{title}</h2>
      <ul>
        {groups.map((group) => (
          <li key={`${group.at} ${group.mixes[0]!.mend}`} className="text-lg leading-snug">
            <span className="numeral">{clock(group.at, zone)}</span>
            {sharesOf(group).map(([what, mixed]) => (
              <span key={what} className="ml-3">
                {mixed.map((mend, i) => (
                  <strong key={mend}>
                    {i > 0 ? ', ' : ''}
                    <Link
                      to="/mends/$id/$stage"
                      params={{ id: String(mend), stage: mends.get(mend)?.status === 'draft' ? 'plan' : 'mend' }}
                      className="hover:underline"
                    >
                      {mends.get(mend)?.tag}
                    </Link>
                  </strong>
                ))}{' '}
                {what}
              </span>
            ))}
          </li>
        ))}
      </ul>
      <p className="no-print text-faint">{how}</p>
    </section>
  );
}

const width = 1000;

interface PictureProps {
  blocks: readonly Block[];
  plan: View['plan'];
  mends: Mends;
  now: number;
  zone: string;
  day: string;
}

/** The day against the clock: a row for each pair of hands, and one for each mend that hands are on. */
function DayPicture({ blocks, plan, mends, now, zone, day }: PictureProps) {
  const range = { ...rangeOf(blocks, Date.parse(`${day}T08:00:00Z`)), width };
  const rows = [...new Set(blocks.map((block) => block.mend))];
  const bandsOf = (each: readonly Block[]) =>
    each.map((block) => ({
      title: `${mends.get(block.mend)?.tag ?? ''} ${lineOf(block)}`,
      startsAt: block.startsAt,
      handsEndAt: block.endsAt,
      opensAt: block.overAt,
      closesAt: block.closesAt,
    }));
  if (blocks.length === 0) return <p className="py-6 text-2xl font-bold">{say`No hands on anything on this day`}</p>;
  return (
    <section aria-label={say`The day against the clock`} className="mt-2 hidden md:block print:block">
      <Row label="">
        <TimeAxis range={range} zone={zone} />
      </Row>
      {plan.people.map((person, i) => {
        const own = blocks.filter((block) => block.person === i);
        return (
          <Row key={person} label={person} note={say`${span(minutesOf(blocks, i) * 60_000)} hands on`}>
            <HandsRow blocks={own} mends={mends} range={range} now={now} />
          </Row>
        );
      })}
      <div className="mt-1 border-t-2 border-ink" />
      {rows.map((id) => (
        <Row key={id} label={mends.get(id)?.tag ?? ''} mono>
          <TimeStrip
            bands={bandsOf(plan.blocks.filter((block) => block.mend === id))}
            range={range}
            height={26}
            nowMs={now}
            label={say`${mends.get(id)?.tag} against the clock`}
          />
        </Row>
      ))}
      <div className="mt-1 border-t-2 border-ink" />
      {shelvesOf(plan.taken ?? [], range).map(({ thing, number, taken }) => (
        <Row key={`${thing} ${number}`} label={takenWords[thing](number)}>
          <TakenRow taken={taken} mends={mends} range={range} now={now} />
        </Row>
      ))}
    </section>
  );
}

const takenWords: Record<Taken['thing'], (number: number) => string> = {
  clamp: (number) => say`Clamp ${number}`,
  place: (number) => say`Place ${number}`,
  warm: (number) => say`Warm ${number}`,
};

/** A clamp or a place over the day: what has it waits, and is hatched as waits are. */
function TakenRow({ taken, mends, range, now }: { taken: readonly Taken[]; mends: Mends; range: { fromMs: number; toMs: number }; now: number }) {
  const share = (ms: number) => `${((Math.min(Math.max(ms, range.fromMs), range.toMs) - range.fromMs) / (range.toMs - range.fromMs)) * 100}%`;
  return (
    <div className="relative h-8 overflow-hidden border-b border-line">
      {taken.map((each) => (
        <div
          key={`${each.mend} ${each.from}`}
          title={mends.get(each.mend)?.tag}
          className="absolute top-1 bottom-1 overflow-hidden border-r-2 border-sheet px-1 text-xs leading-6 font-semibold whitespace-nowrap text-ink"
          style={{
            left: share(Date.parse(each.from)),
            width: `calc(${share(Date.parse(each.until))} - ${share(Date.parse(each.from))})`,
            background: 'repeating-linear-gradient(135deg, var(--line) 0 6px, var(--sheet) 6px 10px)',
          }}
        >
          {Date.parse(each.until) - Date.parse(each.from) >= 40 * 60_000 ? <span className="bg-sheet px-0.5">{mends.get(each.mend)?.tag}</span> : null}
        </div>
      ))}
      {now > range.fromMs && now < range.toMs ? <div className="absolute top-0 bottom-0 w-0.5 bg-ink" style={{ left: share(now) }} /> : null}
    </div>
  );
}

/** One pair of hands over the day: what they have in hand stands on it where there is room. */
function HandsRow({ blocks, mends, range, now }: { blocks: readonly Block[]; mends: Mends; range: { fromMs: number; toMs: number }; now: number }) {
  const share = (ms: number) => `${((ms - range.fromMs) / (range.toMs - range.fromMs)) * 100}%`;
  return (
    <div className="relative h-9 overflow-hidden border-b border-line">
      {blocks.map((block) => {
        const [from, to] = [Date.parse(block.startsAt), Date.parse(block.endsAt)];
        return (
          <div
            key={`${block.mend} ${block.stepId}`}
            title={`${mends.get(block.mend)?.tag ?? ''} ${lineOf(block)}`}
            className="absolute top-1 bottom-1 overflow-hidden border-r border-sheet bg-ink px-0.5 text-[10px] leading-7 whitespace-nowrap text-sheet"
            style={{ left: share(from), width: `calc(${share(to)} - ${share(from)})` }}
          >
            {to - from >= 15 * 60_000 ? mends.get(block.mend)?.tag : ''}
          </div>
        );
      })}
      {now > range.fromMs && now < range.toMs ? <div className="absolute top-0 bottom-0 w-0.5 bg-ink" style={{ left: share(now) }} /> : null}
    </div>
  );
}

function Row({ label, note, mono, children }: { label: string; note?: string; mono?: boolean; children: React.ReactNode }) {
  return (
    <div className="grid grid-cols-[7.5rem_minmax(0,1fr)] items-center gap-x-3">
      <span className="leading-tight">
        <span className={mono ? 'numeral text-lg' : 'font-bold'}>{label}</span>
        {note ? <span className="block text-xs text-faint">{note}</span> : null}
      </span>
      {children}
    </div>
  );
}

/** What each pair of hands does on the day, in order: it is hung up in the morning. */
function Sheet({ blocks, plan, mends, zone }: { blocks: readonly Block[]; plan: View['plan']; mends: Mends; zone: string }) {
  return (
    <div className="mt-4 grid gap-x-8 md:grid-cols-2">
      {plan.people.map((person, i) => (
        <section key={person}>
          <h2 className="lettering border-b border-ink">{person}</h2>
          <ol>
            {blocks
              .filter((block) => block.person === i)
              .map((block) => (
                <li
                  key={`${block.mend} ${block.stepId}`}
                  className="grid min-h-14 grid-cols-[4rem_minmax(0,1fr)] items-center gap-x-2 border-b border-line py-1"
                >
                  <span className="numeral text-xl">{clock(block.startsAt, zone)}</span>
                  <BlockLink block={block} mends={mends} note={blockNote(block, zone)} />
                </li>
              ))}
          </ol>
        </section>
      ))}
    </div>
  );
}

function blockNote(block: Block, zone: string): string {
  const ends = Date.parse(block.endsAt);
  const at = (iso: string) => when(iso, ends, zone);
  const hands = say`${span(ends - Date.parse(block.startsAt))} hands on`;
  const more = block.titles.length > 1 ? say`, then ${block.titles.slice(1).join(', ')}` : '';
  const wait =
    block.waits && block.overAt
      ? block.inWarm
        ? say`. Into the warm. ${waitWords[block.waits]}: ${at(block.overAt)}`
        : say`. ${waitWords[block.waits]}: ${at(block.overAt)}`
      : '';
  const by = block.waits && block.closesAt ? say`, go on by ${at(block.closesAt)}` : '';
  const pin = block.pinned ? (block.missed ? say`Later than it was pinned. ` : say`Pinned. `) : block.missed ? say`After its window. ` : '';
  return pin + hands + more + wait + by;
}

function ReadyList({ view, mends, now, zone }: { view: View; mends: Mends; now: number; zone: string }) {
  return (
    <section className="mt-6">
      <h2 className="lettering border-b-2 border-ink">{say`Ready when`}</h2>
      {view.plan.worth ? <Worth worth={view.plan.worth} weighted={view.mends.some((mend) => mend.wish.weight !== 1)} /> : null}
      <ul className="grid gap-x-8 md:grid-cols-2">
        {view.plan.mends.map((mend) => (
          <li key={mend.mend} className="border-b border-line">
            <div className="grid min-h-12 grid-cols-[6.5rem_minmax(0,1fr)] items-center gap-x-3">
              <Link
                to="/mends/$id/$stage"
                params={{ id: String(mend.mend), stage: 'plan' }}
                className="numeral flex min-h-11 items-center text-xl hover:underline"
              >
                {mends.get(mend.mend)?.tag}
              </Link>
              <span className={mend.lateMin > 0 || mend.readyAt === null ? 'font-bold text-late' : ''}>{readyWords(mend, now, zone)}</span>
            </div>
            {mends.has(mend.mend) ? <Wish mend={mends.get(mend.mend)!} people={view.plan.people} zone={zone} now={now} /> : null}
          </li>
        ))}
      </ul>
      {view.leftOut.map(({ mend, why: problem }) => (
        <Notice key={mend.id} tone="early" word={say`${mend.tag} is not laid out:`}>
          {problem.message} <strong>{problem.remedy}</strong>
        </Notice>
      ))}
    </section>
  );
}

/** How late it is in all, and how much of that no plan could mend: whoever reads it need not look for a better one by hand. */
function Worth({ worth, weighted }: { worth: Schemas['DaysWorth']; weighted: boolean }) {
  const told = worthWords(worth, weighted);
  return told.length > 0 ? <p className="border-b border-line py-1 text-faint">{told.join(' ')}</p> : null;
}

/** A calendar program subscribes to the address, or takes the file. */
function Calendars({ view }: { view: View }) {
  const [shop, ...people] = view.calendars;
  return (
    <section className="no-print mt-6">
      <h2 className="lettering">{say`As a calendar`}</h2>
      <p className="flex flex-wrap gap-x-6">
        {[[say`The shop`, shop] as const, ...view.plan.people.map((person, i) => [person, people[i]] as const)].map(([words, address]) => (
          <a key={words} href={address} className="flex min-h-11 items-center text-act underline underline-offset-4">
            {words}
          </a>
        ))}
      </p>
      <p className="text-sm text-faint">{say`Give a calendar program one of these addresses. Whoever has it can read it.`}</p>
    </section>
  );
}

function readyWords(mend: Schemas['DayReady'], now: number, zone: string): string {
  if (mend.readyAt === null) return say`Fits into none of the coming three weeks`;
  const ready = say`Ready ${when(mend.readyAt, now, zone)}`;
  if (mend.dueAt === null) return say`${ready}, no due time`;
  return mend.lateMin > 0 ? say`${ready}: ${span(mend.lateMin * 60_000)} after it is due` : say`${ready}, due ${when(mend.dueAt, now, zone)}`;
}

import { Link } from '@tanstack/react-router';
import { useId, useState } from 'react';
import type { MendView } from '../api/types';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { deviceWords } from '../desk/DeviceChoice';
import { Photographs } from '../desk/Photographs';
import { damagesOf } from '../desk/reached';
import type { StageProps } from '../desk/StageProps';
import { Button } from '../ui/Button';
import { Notice, Problems } from '../ui/Notice';
import { lookWords, paceWords } from '../measures/pace';
import { asRead } from '../measures/read';
import { when } from '../measures/time';
import { measure, type Units } from '../measures/units';
import { lightWords } from '../ui/words';
import { aftercareLines } from './aftercare';
import { LookedAgain } from './LookedAgain';
import { proofs, type Proof } from './proofs';
import { say } from '../words/say';

/** Prove and hand back: the tests of this mend, their results, and what to watch. */
export function ProveStage({ desk, catalogue, goTo }: StageProps) {
  const { mend, plan } = desk;
  const { units } = useUnits();
  const now = useNow();
  const zone = useZone();
  if (!plan?.damages.some((damage) => damage.system)) return <Notice tone="early" word={say`Nothing to prove.`}>{say`This one is not mended here.`}</Notice>;
  const run = mend.run;
  const tests = proofs(plan, run, catalogue, units);
  const done = run !== null && run.currentStepId === null;
  return (
    <div className="flex flex-col gap-5">
      <h2 className="text-3xl">{say`Tests to pass`}</h2>
      <ul>
        {tests.map((proof) => (
          <Test key={proof.step.id} proof={proof} several={plan.damages.length > 1} now={now} zone={zone} />
        ))}
      </ul>
      <Problems problems={desk.refused} />
      {mend.status === 'handed-back' ? <HandedBack mend={mend} now={now} zone={zone} /> : null}
      {mend.status === 'handed-back' ? <LookedAgain desk={desk} /> : null}
      {mend.status === 'running' ? (
        done ? (
          <HandBack
            draft={aftercareLines(plan, run, units, zone).join('\n')}
            onHandBack={(text) => desk.happened({ kind: 'hand-back', stepId: null, text, value: null, passed: null })}
            busy={desk.busy}
          />
        ) : (
          <Button look="main" size="hand" className="self-start" onClick={() => goTo('mend')}>{say`Continue the mend`}</Button>
        )
      ) : null}
      <Photographs mendId={mend.id} stepId={null} shows="all" closed={mend.closedAt !== null} />
      <p>
        <a className="inline-flex min-h-11 items-center underline underline-offset-4" href={`/api/mends/${mend.id}/warranty-pack.zip?units=${units}`} download>
          {say`Everything in one file: what was seen, done and measured, and the photographs (ZIP)`}
        </a>
      </p>
      <History mend={mend} tests={tests} now={now} zone={zone} />
    </div>
  );
}

const standing = { passed: [say`Passed`, '● ', 'text-good'], failed: [say`Failed`, '▲ ', 'text-late'], 'not-yet': [say`Not yet`, '◌ ', 'text-faint'] } as const;

function Test({ proof: { step, test, stands, measured, doneAt }, several, now, zone }: { proof: Proof; several: boolean; now: number; zone: string }) {
  const [words, shape, tone] = standing[stands];
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b border-line py-2">
      <div>
        <p className="text-lg font-bold">
          {several ? <span className="numeral text-faint">{damagesOf(step).join(', ')} </span> : null}
          {step.title}
        </p>
        <p className="text-faint">{test?.question}</p>
      </div>
      <div className={`text-right ${tone}`}>
        <p className="text-xl font-bold">
          <span aria-hidden>{shape}</span>
          {words}
        </p>
        <p className="text-sm">
          {measured} {doneAt ? when(doneAt, now, zone) : ''}
        </p>
      </div>
    </li>
  );
}

function HandBack({ draft, onHandBack, busy }: { draft: string; onHandBack: (text: string) => void; busy: boolean }) {
  const [text, setText] = useState(draft);
  const hint = useId();
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onHandBack(text.trim() || say`Nothing to watch.`);
      }}
    >
      <label>
        <span className="lettering block">{say`What to watch, and when to look again`}</span>
        <textarea
          className="h-64 w-full rounded-sm border-2 border-strong-line bg-sheet p-3 text-lg"
          aria-describedby={hint}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p
        id={hint}
        className="-mt-2 text-sm text-faint"
      >{say`Drafted from the plan and from what happened. Change what you know better; it goes on the note and into the log.`}</p>
      <Button type="submit" look="main" size="hand" className="self-start" disabled={busy}>{say`Hand it back`}</Button>
    </form>
  );
}

function HandedBack({ mend, now, zone }: { mend: MendView; now: number; zone: string }) {
  const words = mend.events.findLast((event) => event.kind === 'hand-back')?.text;
  return (
    <Notice tone="good" word={say`Handed back ${when(mend.closedAt, now, zone)}.`}>
      <span className="block whitespace-pre-line">{words}</span>
      <span className="mt-1 flex flex-wrap gap-x-6">
        <a className="inline-flex min-h-11 items-center underline underline-offset-4" href={`/mends/${mend.id}/note`}>{say`Hand-back note`}</a>
        <a className="inline-flex min-h-11 items-center underline underline-offset-4" href={`/mends/${mend.id}/sheet`}>{say`Job sheet`}</a>
        <Link to="/log" search={{ q: mend.tag }} className="inline-flex min-h-11 items-center underline underline-offset-4">{say`In the log`}</Link>
        {mend.followedByMendId ? (
          <Link
            to="/mends/$id/$stage"
            params={{ id: String(mend.followedByMendId), stage: 'look' }}
            className="inline-flex min-h-11 items-center underline underline-offset-4"
          >{say`The proper repair, booked`}</Link>
        ) : null}
      </span>
    </Notice>
  );
}

const eventWords: Record<string, string> = {
  begin: say`begun`,
  'hands-done': say`done`,
  ready: say`ready`,
  'not-yet': say`not yet`,
  proof: say`tested`,
  redo: say`went back to here`,
  note: say`note`,
  find: say`found`,
  poured: say`poured`,
  stirred: say`stirred`,
  'thrown-out': say`thrown out`,
  'cup-together': say`one cup with`,
  'cup-apart': say`mixed apart after all`,
  'cup-shared': say`mixed with`,
  'measured-with': say`measured with`,
  mishap: say`went wrong`,
  pressure: say`gauge`,
  gauge: say`read by itself`,
  weighed: say`weighed`,
  measured: say`read`,
  reading: say`bench`,
  surface: say`item`,
  humidity: say`humidity`,
  light: say`light`,
  probe: say`probe`,
  warm: say`into the warm`,
  pace: say`learnt`,
  undo: say`last one undone`,
  'hand-back': say`handed back`,
  'looked-again': say`looked at again`,
};

const partWords: Record<string, string> = {
  resin: say`g or mL of resin`,
  hardener: say`g or mL of hardener`,
  wax: say`g of wax`,
  catalyst: say`g of catalyst`,
  filler: say`g of filler`,
};

const levelWords: Partial<Record<string, string>> = lightWords;

/** What was said with an event; of a mishap, what the record keeps of it. */
function textOf(event: MendView['events'][number], mend: MendView): string {
  if (event.kind === 'poured') return partWords[event.text ?? ''] ?? '';
  if (event.kind === 'mishap') return mend.plan?.warnings.find((warning) => warning.code === `mishap-${String(event.number)}`)?.text ?? '';
  if (event.kind === 'pace')
    return event.looks ? `${paceWords(event.value ?? 1)} (${lookWords(event.looks)})` : say`nothing any more: the looks were taken back`;
  if (event.kind === 'light') return levelWords[event.text ?? ''] ?? '';
  if (event.kind === 'probe') return event.passed ? say`${event.text} lies at it` : say`${event.text} taken away`;
  if (event.cup) return event.cup.others.map((other) => other.item).join(', ');
  return event.text ?? '';
}

const wordOf = (event: MendView['events'][number]) => (event.kind === 'warm' && !event.passed ? say`out of the warm` : eventWords[event.kind]);

function resultOf({ kind, passed }: MendView['events'][number]): string {
  if (kind === 'proof') return passed ? say`passed` : say`failed`;
  if (kind === 'looked-again') return passed ? say`it holds` : say`it has failed`;
  return '';
}

/** What was read, by its unit; what is poured says its own, and what is read for a test that of its test. */
const readIn: Partial<Record<MendView['events'][number]['kind'], readonly [unit: string, decimals: number]>> = {
  reading: ['°C', 1],
  surface: ['°C', 1],
  warm: ['°C', 0],
  humidity: ['%', 0],
  light: ['mW/cm²', 2],
  pressure: ['kPa', 1],
  weighed: ['g', 1],
};

/** @param testUnit what the test of its step is read in */
function valueOf({ kind, value }: MendView['events'][number], testUnit: string | null, units: Units): string | number | null | undefined {
  if ((kind === 'measured' || kind === 'proof') && testUnit && typeof value === 'number') return asRead(value, testUnit, units);
  const [unit, decimals] = readIn[kind] ?? [];
  return unit === undefined || typeof value !== 'number' ? value : measure(value, unit, decimals ?? 0, units);
}

const nameOf = (material: string | null | undefined, mend: MendView) =>
  mend.plan?.damages.find((damage) => damage.system?.material === material)?.system?.materialName ?? material;

function History({ mend, tests, now, zone }: { mend: MendView; tests: readonly Proof[]; now: number; zone: string }) {
  const { units } = useUnits();
  const testUnit = (id: string | null | undefined) => tests.find((each) => each.step.id === id)?.test?.unit ?? null;
  if (mend.events.length === 0) return null;
  const title = (id: string | null | undefined) => mend.plan?.steps.find((step) => step.id === id)?.title ?? '';
  return (
    <details>
      <summary className="min-h-11 cursor-pointer text-xl font-bold">{say`What happened, ${mend.events.length} entries`}</summary>
      <ol className="mt-1">
        {mend.events.map((event) => (
          <li key={event.number} className="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-4 border-b border-line py-0.5">
            <span className="numeral text-right text-faint">{when(event.at, now, zone)}</span>
            <span>
              {title(event.stepId)} <strong>{wordOf(event)}</strong>{' '}
              {event.device
                ? deviceWords(event.device, units)
                : event.kind === 'pace'
                  ? nameOf(event.text, mend)
                  : valueOf(event, testUnit(event.stepId), units)}{' '}
              {textOf(event, mend)} {resultOf(event)}
            </span>
          </li>
        ))}
      </ol>
    </details>
  );
}

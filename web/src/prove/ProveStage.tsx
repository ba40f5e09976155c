import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import type { Catalogue, MendView, PlanStep, RunState } from '../api/types';
import { useNow } from '../app/clock';
import { useZone } from '../app/zone';
import type { StageProps } from '../mend/MendPage';
import { Button } from '../ui/Button';
import { Notice, Problems } from '../ui/Notice';
import { when } from '../ui/time';

/** Prove and hand back: the tests of this mend, their results, and what to watch. */
export function ProveStage({ desk, catalogue, goTo }: StageProps) {
  const { mend, plan } = desk;
  const now = useNow();
  const zone = useZone();
  if (!plan?.system) return <Notice tone="early" word="Nothing to prove.">This one is not mended here.</Notice>;
  const run = mend.run;
  const tests = plan.steps.filter((step) => step.proof);
  const done = run !== null && run.currentStepId === null;
  return (
    <div className="flex flex-col gap-5">
      <h2 className="text-3xl">Tests that could fail</h2>
      <ul>
        {tests.map((step) => (
          <Test key={step.id} step={step} run={run} catalogue={catalogue} now={now} zone={zone} />
        ))}
      </ul>
      <Problems problems={desk.refused} />
      {mend.status === 'handed-back' ? <HandedBack mend={mend} now={now} zone={zone} /> : null}
      {mend.status === 'running' ? done ? <HandBack onHandBack={(text) => desk.happened({ kind: 'hand-back', stepId: null, text, value: null, passed: null })} busy={desk.busy} /> : (
        <Button look="main" size="hand" className="self-start" onClick={() => goTo('mend')}>
          Go on with the mend
        </Button>
      ) : null}
      <History mend={mend} now={now} zone={zone} />
    </div>
  );
}

function Test({ step, run, catalogue, now, zone }: { step: PlanStep; run: RunState | null; catalogue: Catalogue; now: number; zone: string }) {
  const test = catalogue.proofs.find((each) => each.id === step.proof);
  const state = run?.steps.find((each) => each.stepId === step.id);
  const words = state?.phase === 'failed' ? 'Failed' : state && (state.phase === 'done' || state.phase === 'waiting') ? 'Passed' : 'Not yet';
  const tone = words === 'Passed' ? 'text-good' : words === 'Failed' ? 'text-late' : 'text-faint';
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b border-line py-2">
      <div>
        <p className="text-lg font-bold">{step.title}</p>
        <p className="text-faint">{test?.question}</p>
      </div>
      <div className={`text-right ${tone}`}>
        <p className="text-xl font-bold">
          <span aria-hidden>{words === 'Passed' ? '● ' : words === 'Failed' ? '▲ ' : '◌ '}</span>
          {words}
        </p>
        <p className="text-sm">
          {state?.measured !== null && state?.measured !== undefined ? `${state.measured} ${test?.unit ?? ''} ` : ''}
          {state?.doneAt ? when(state.doneAt, now, zone) : ''}
        </p>
      </div>
    </li>
  );
}

function HandBack({ onHandBack, busy }: { onHandBack: (text: string) => void; busy: boolean }) {
  const [text, setText] = useState('');
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onHandBack(text.trim() || 'Nothing to watch.');
      }}
    >
      <label>
        <span className="lettering block">What to watch, and when to look again</span>
        <textarea className="h-24 w-full rounded-sm border-2 border-strong-line bg-sheet p-3 text-lg" value={text} onChange={(event) => setText(event.target.value)} />
      </label>
      <Button type="submit" look="main" size="hand" className="self-start" disabled={busy}>
        Hand it back
      </Button>
    </form>
  );
}

function HandedBack({ mend, now, zone }: { mend: MendView; now: number; zone: string }) {
  const words = mend.events.findLast((event) => event.kind === 'hand-back')?.text;
  return (
    <Notice tone="good" word={`Handed back ${when(mend.closedAt, now, zone)}.`}>
      {words}
      <span className="mt-1 flex flex-wrap gap-x-6">
        <a className="inline-flex min-h-11 items-center underline underline-offset-4" href={`/mends/${mend.id}/sheet`}>
          Job sheet to print
        </a>
        <Link to="/log" search={{ q: mend.tag }} className="inline-flex min-h-11 items-center underline underline-offset-4">
          In the log
        </Link>
        {mend.followedByMendId ? (
          <Link to="/mends/$id/$stage" params={{ id: String(mend.followedByMendId), stage: 'look' }} className="inline-flex min-h-11 items-center underline underline-offset-4">
            The proper repair, booked
          </Link>
        ) : null}
      </span>
    </Notice>
  );
}

const eventWords: Record<string, string> = {
  begin: 'begun',
  'hands-done': 'done',
  ready: 'ready',
  'not-yet': 'not yet',
  proof: 'tested',
  redo: 'back to here',
  note: 'note',
  reading: 'bench',
  undo: 'last one taken back',
  'hand-back': 'handed back',
};

function History({ mend, now, zone }: { mend: MendView; now: number; zone: string }) {
  if (mend.events.length === 0) return null;
  const title = (id: string | null | undefined) => mend.plan?.steps.find((step) => step.id === id)?.title ?? '';
  return (
    <details>
      <summary className="min-h-11 cursor-pointer text-xl font-bold">What happened, {mend.events.length} entries</summary>
      <ol className="mt-1">
        {mend.events.map((event) => (
          <li key={event.number} className="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-4 border-b border-line py-0.5">
            <span className="numeral text-right text-faint">{when(event.at, now, zone)}</span>
            <span>
              {title(event.stepId)} <strong>{eventWords[event.kind]}</strong> {event.value ?? ''} {event.text ?? ''} {event.kind === 'proof' ? (event.passed ? 'passed' : 'failed') : ''}
            </span>
          </li>
        ))}
      </ol>
    </details>
  );
}

import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from '@tanstack/react-router';
import { problemsIn } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { LookStage } from '../look/LookStage';
import { MatchStage } from '../match/MatchStage';
import { PlanStage } from '../plan/PlanStage';
import { ProveStage } from '../prove/ProveStage';
import { RunStage } from '../run/RunStage';
import { Button } from '../ui/Button';
import { Notice, Problems } from '../ui/Notice';
import { PlanFigures } from '../ui/planFigures';
import { when } from '../measures/time';
import { useDamageInHand, type MendDesk } from '../desk/damageInHand';
import { MendDrawing } from './MendDrawing';
import type { StageProps } from '../desk/StageProps';
import { stageNames, stages, type Stage } from '../desk/stages';
import { useMend } from '../desk/useMend';
import { OutboxNotice } from '../outbox/OutboxNotice';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

/** The mend at this address. What is on its page belongs to it alone: another address gets a page of its own. */
export function MendPage() {
  const { id, stage } = useParams({ from: '/mends/$id/$stage' });
  return <MendAt key={id} id={id} stage={stage as Stage} />;
}

/** One mend: one place, one picture, from first look to hand-back. */
function MendAt({ id, stage: at }: { id: string; stage: Stage }) {
  const navigate = useNavigate();
  const { desk: state, error } = useMend(Number(id), () => void navigate({ to: '/' }));
  const desk = useDamageInHand(state);
  const catalogue = useQuery(catalogueQuery);
  const goTo = (next: Stage) => void navigate({ to: '/mends/$id/$stage', params: { id, stage: next } });
  useStageKeys(goTo);
  if (!desk || !catalogue.data) {
    return <div className="p-5">{error ? <Problems problems={problemsIn(error)} /> : say`Loading …`}</div>;
  }
  return (
    <PlanFigures plan={desk.plan} repairCase={desk.repairCase}>
      <div className="mx-auto max-w-[1500px] px-5 pb-8">
        <Heading desk={desk} stage={at} />
        <Conflict desk={desk} />
        <OutboxNotice mendId={Number(id)} />
        <div className="grid gap-x-8 gap-y-4 pt-3 lg:grid-cols-[minmax(0,43fr)_minmax(0,57fr)]">
          <div className={`min-w-0 lg:sticky lg:top-2 lg:self-start ${at === 'mend' ? 'order-last lg:order-none' : ''}`}>
            <MendDrawing desk={desk} catalogue={catalogue.data} stage={at} />
          </div>
          <div className="min-w-0">
            <StageBody stage={at} desk={desk} catalogue={catalogue.data} goTo={goTo} />
          </div>
        </div>
      </div>
    </PlanFigures>
  );
}

function StageBody({ stage, ...props }: StageProps & { stage: Stage }) {
  switch (stage) {
    case 'look':
      return <LookStage {...props} />;
    case 'match':
      return <MatchStage {...props} />;
    case 'plan':
      return <PlanStage {...props} />;
    case 'mend':
      return <RunStage {...props} />;
    case 'prove':
      return <ProveStage {...props} />;
  }
}

function useStageKeys(goTo: (stage: Stage) => void) {
  useKeys(
    stages.map((_, i) => String(i + 1)),
    (key) => goTo(stages[Number(key) - 1]!),
  );
}

function Heading({ desk, stage }: { desk: MendDesk; stage: Stage }) {
  const now = useNow();
  const zone = useZone();
  const { mend } = desk;
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-1 border-b border-ink pt-2">
      <h1 className="numeral pb-1 text-4xl leading-none">{mend.tag}</h1>
      <p className="pb-1 leading-tight">
        <span className="block font-semibold">{mend.itemName}</span>
        <span className="text-sm text-faint">
          {say`Mend ${mend.id}`}. {mend.dueAt ? say`Due ${when(mend.dueAt, now, zone)}` : say`No due time`}
        </span>
      </p>
      <nav aria-label={say`Stages`} className="flex">
        {stages.map((each, i) => (
          <Link
            key={each}
            to="/mends/$id/$stage"
            params={{ id: String(mend.id), stage: each }}
            aria-current={each === stage ? 'page' : undefined}
            className="flex min-h-12 items-center gap-1.5 border-b-4 border-transparent px-2.5 font-bold aria-[current=page]:border-resin sm:px-3 sm:text-lg"
          >
            <span className="hidden text-sm text-faint sm:inline" aria-hidden>
              {i + 1}
            </span>
            {stageNames[each]}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex flex-wrap items-center justify-end gap-x-3 pb-2">
        <p className="text-sm text-faint" role="status">
          {keepingWords(desk, (iso) => when(iso, now, zone))}
        </p>
        {desk.keeping.state === 'faulty' ? <Button look="quiet" onClick={desk.takeSaved}>{say`Back to what was saved`}</Button> : null}
      </div>
    </div>
  );
}

function keepingWords({ keeping, mend, waiting }: MendDesk, at: (iso: string) => string): string {
  if (waiting > 0) return say`${waiting} waiting to be sent`;
  switch (keeping.state) {
    case 'keeping':
      return say`saving …`;
    case 'waiting':
      return say`kept on this device; waiting for the server`;
    case 'faulty':
      return say`not saved yet; last saved ${at(mend.changedAt)}`;
    case 'conflict':
      return say`changed elsewhere`;
    case 'kept':
      return say`saved ${at(keeping.at ?? mend.changedAt)}`;
  }
}

function Conflict({ desk }: { desk: MendDesk }) {
  if (desk.keeping.state !== 'conflict') return null;
  return (
    <div role="alert" className="pt-3">
      <Notice tone="late" word={say`Changed elsewhere.`}>
        {say`Somebody else changed this mend first. Their change was saved; yours is still on this page.`}
        <span className="mt-2 flex flex-wrap gap-2">
          <Button onClick={desk.takeSaved}>{say`Use theirs`}</Button>
          <Button look="stop" onClick={desk.keepMine}>{say`Keep mine instead`}</Button>
        </span>
      </Notice>
    </div>
  );
}

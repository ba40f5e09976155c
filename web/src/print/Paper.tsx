import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import type { ComponentType, ReactNode } from 'react';
import { problemsIn } from '../api/client';
import { mendQuery } from '../api/queries';
import type { MendView, RepairPlan } from '../api/types';
import { useZone } from '../shop/zone';
import type { Stage } from '../desk/stages';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { dayAndClock } from '../measures/time';
import { say } from '../words/say';

export type PlannedMend = MendView & { plan: RepairPlan };

interface Props {
  /** Stage that it was opened from. */
  from: Stage;
  of: ComponentType<{ mend: PlannedMend }>;
}

/** A paper of a mend. */
export function Paper({ from, of: Content }: Props) {
  const { id = '' } = useParams({ strict: false });
  const query = useQuery(mendQuery(Number(id)));
  const mend = query.data;
  if (!mend?.plan)
    return <div className="p-5">{query.error ? <Problems problems={problemsIn(query.error)} /> : mend ? say`There is no plan to print.` : say`Loading …`}</div>;
  return (
    <Sheet
      back={
        <Link
          to="/mends/$id/$stage"
          params={{ id, stage: from }}
          className="inline-flex min-h-11 items-center underline underline-offset-4"
        >{say`Back to the mend`}</Link>
      }
    >
      <Content mend={{ ...mend, plan: mend.plan }} />
    </Sheet>
  );
}

/** What is printed, below the button and the way back, which are not. */
export function Sheet({ back, children }: { back: ReactNode; children: ReactNode }) {
  return (
    <article className="mx-auto max-w-5xl bg-sheet px-8 py-6 print:max-w-none print:bg-white print:p-0">
      <div className="no-print mb-4 flex gap-3">
        <Button look="main" onClick={() => print()}>{say`Print`}</Button>
        {back}
      </div>
      {children}
    </article>
  );
}

/** The hand-back as it stands; null before it, and once it was taken back. */
export function handBackOf(mend: MendView) {
  return mend.status === 'handed-back' ? (mend.events.findLast((event) => event.kind === 'hand-back') ?? null) : null;
}

/** Head of a paper: whose it is, and when it is wanted. */
export function PaperHead({ mend }: { mend: PlannedMend }) {
  const zone = useZone();
  return (
    <header className="flex items-end justify-between border-b-2 border-ink pb-1">
      <h1 className="numeral text-4xl">
        {mend.tag} <span className="text-xl font-semibold">{mend.itemName}</span>
      </h1>
      <p className="text-right">
        {say`Mend ${mend.id}`}
        <br />
        {mend.dueAt ? say`Due ${dayAndClock(mend.dueAt, zone)}` : say`No due time`}
      </p>
    </header>
  );
}

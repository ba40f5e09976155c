import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { decisionWords } from '../ui/words';
import { say } from '../words/say';

const marks = { mend: '●', 'mend-for-now': '◐', warranty: '■', refer: '■', retire: '■', refuse: '✕' } as const;

/** The verdict with its reasons, as it stands with what has been seen so far. */
export function VerdictBox({ desk, onMatch }: { desk: MendDesk; onMatch: () => void }) {
  const { plan, mend, problems } = desk;
  if (!plan) return null;
  const { decision, reasons } = plan.verdict;
  const here = decision === 'mend' || decision === 'mend-for-now';
  const draft = mend.status === 'draft';
  return (
    <section
      aria-label={say`Verdict`}
      aria-live="polite"
      className={`border-l-8 bg-sheet py-2 pr-3 pl-4 ${here ? 'border-good' : 'border-late'} ${problems.length > 0 ? 'opacity-60' : ''}`}
    >
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className={`text-3xl ${here ? 'text-good' : 'text-late'}`}>
          <span aria-hidden>{marks[decision]} </span>
          {decisionWords[decision]}
        </h2>
        {here ? (
          <Button look="main" onClick={onMatch} disabled={problems.length > 0}>{say`Match it`}</Button>
        ) : draft ? (
          <Button look="main" onClick={desk.sendOn} disabled={problems.length > 0 || desk.busy}>{say`Log it and send it on`}</Button>
        ) : null}
      </div>
      {reasons.length > 0 ? (
        <ul className="mt-1">
          {reasons.map((reason) => (
            <li key={reason.code} className={reason.decides ? 'font-semibold' : ''}>
              {reason.text} <span className="text-sm font-normal text-faint">{reason.source}</span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-1 text-faint">{say`No reason not to mend it here.`}</p>
      )}
    </section>
  );
}

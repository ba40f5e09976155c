import { Link } from '@tanstack/react-router';
import { throwAway, useHeldDrafts } from '../outbox/sendingDrafts';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

interface ToMendProps {
  mendId: number;
  tag: string;
  stage: 'look' | 'mend';
}

function ToMend({ mendId, tag, stage }: ToMendProps) {
  return (
    <Link
      to="/mends/$id/$stage"
      params={{ id: String(mendId), stage }}
      className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
    >
      {tag}
    </Link>
  );
}

/** Says that a change waits on this device that cannot be sent by itself, and leads there; or that it came too late. */
export function HeldDrafts() {
  const held = useHeldDrafts();
  if (held.length === 0) return null;
  const told = (why: 'collides' | 'faulty', words: string) => {
    const those = held.filter((each) => each.why === why);
    return those.length > 0 ? (
      <Notice tone="late" word={say`A change waits on this device.`}>
        {words}
        <span className="flex flex-wrap gap-x-4">
          {those.map(({ mendId, tag }) => (
            <ToMend key={mendId} mendId={mendId} tag={tag} stage="look" />
          ))}
        </span>
      </Notice>
    ) : null;
  };
  return (
    <div role="status" className="border-t-2 border-ink">
      {told('collides', say`The mend was changed elsewhere as well: open it to put both together.`)}
      {told('faulty', say`Something in it is wrong: open it to see what.`)}
      {held
        .filter((each) => each.why === 'begun')
        .map((late) => (
          <Notice key={late.mendId} tone="late" word={say`A change came too late.`}>
            {say`${late.tag} was begun without what was changed on it here.`}
            <span className="flex flex-wrap items-center gap-x-4">
              <ToMend mendId={late.mendId} tag={late.tag} stage="mend" />
              <Button onClick={() => throwAway(late)}>{say`Seen; throw it away`}</Button>
            </span>
          </Notice>
        ))}
    </div>
  );
}

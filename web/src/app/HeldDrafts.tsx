import { Link } from '@tanstack/react-router';
import { throwAway, useHeldDrafts } from '../outbox/sendingDrafts';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

/** Says that a change waits on this device that cannot be sent by itself, and leads there; or that it came too late. */
export function HeldDrafts() {
  const held = useHeldDrafts();
  if (held.length === 0) return null;
  const collide = held.filter((each) => !each.begun);
  return (
    <div role="status" className="border-t-2 border-ink">
      {collide.length > 0 ? (
        <Notice tone="late" word={say`A change waits on this device.`}>
          {say`The mend was changed elsewhere as well: open it to put both together.`}
          <span className="flex flex-wrap gap-x-4">
            {collide.map(({ mendId, tag }) => (
              <Link
                key={mendId}
                to="/mends/$id/$stage"
                params={{ id: String(mendId), stage: 'look' }}
                className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
              >
                {tag}
              </Link>
            ))}
          </span>
        </Notice>
      ) : null}
      {held
        .filter((each) => each.begun)
        .map((late) => (
          <Notice key={late.mendId} tone="late" word={say`A change came too late.`}>
            {say`${late.tag} was begun without what was changed on it here.`}
            <span className="flex flex-wrap items-center gap-x-4">
              <Link
                to="/mends/$id/$stage"
                params={{ id: String(late.mendId), stage: 'mend' }}
                className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
              >
                {late.tag}
              </Link>
              <Button onClick={() => throwAway(late)}>{say`Seen; throw it away`}</Button>
            </span>
          </Notice>
        ))}
    </div>
  );
}

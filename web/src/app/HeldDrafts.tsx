import { Link } from '@tanstack/react-router';
import { useHeldDrafts } from '../outbox/sendingDrafts';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

/** Says that a change waits on this device that cannot be sent by itself, and leads there. */
export function HeldDrafts() {
  const held = useHeldDrafts();
  if (held.length === 0) return null;
  return (
    <div role="status" className="border-t-2 border-ink">
      <Notice tone="late" word={say`A change waits on this device.`}>
        {say`The mend was changed elsewhere as well: open it to put both together.`}
        <span className="flex flex-wrap gap-x-4">
          {held.map(({ mendId, tag }) => (
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
    </div>
  );
}

import { Button } from '../ui/Button';
import { Notice, Problems } from '../ui/Notice';
import { say } from '../words/say';
import { acknowledged, useOutbox, useStuck } from './outbox';

/** A text with a sign for each character that cannot be seen: one that turns the direction of reading would turn the page's own words. */
const seen = (text: string) => text.replaceAll(/\p{C}/gu, '▯');

/** What the server has not taken yet, and what it refused with the reason: nothing that was tapped goes without a word. */
export function OutboxNotice({ mendId }: { mendId: number }) {
  const entries = useOutbox().filter((each) => each.mendId === mendId);
  const stuck = useStuck();
  const waiting = entries.filter((each) => !each.refused).length;
  if (entries.length === 0) return null;
  return (
    <div className="flex flex-col gap-2 pt-3 empty:hidden">
      {stuck && waiting > 0 ? (
        <div role="status">
          <Notice tone="early" word={say`Kept on this device.`}>
            {say`It is sent, with the time at which it happened, as soon as the server is back.`}
          </Notice>
        </div>
      ) : null}
      {entries.map(({ key, event, refused }) =>
        refused ? (
          <div key={key} className="flex flex-col items-start gap-2">
            <Problems problems={refused} />
            {event.text ? (
              <p>
                “<bdi>{seen(event.text)}</bdi>”
              </p>
            ) : null}
            <Button onClick={() => void acknowledged(key)}>{say`Seen; throw it away`}</Button>
          </div>
        ) : null,
      )}
    </div>
  );
}

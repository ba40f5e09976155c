import { Button } from '../ui/Button';
import { More, Notice, Problems } from '../ui/Notice';
import { say } from '../words/say';
import { acknowledged, useOutbox, useStuck } from './outbox';

/** A text with a sign for each character that cannot be seen: one that turns the direction of reading would turn the page's own words. */
const seen = (text: string) => text.replaceAll(/\p{C}/gu, '▯');

/** That what was tapped waits on this device. */
export function KeptNotice() {
  const waits = useOutbox().some((each) => !each.refused);
  const stuck = useStuck();
  return stuck && waits ? (
    <Notice tone="early" word={say`Kept on this device.`}>
      <More>{say`It is sent, with the time at which it happened, as soon as the server is back.`}</More>
    </Notice>
  ) : null;
}

/** What the server refused, with the reason: nothing that was tapped goes without a word. */
export function OutboxNotice({ mendId }: { mendId: number }) {
  const refused = useOutbox().filter((each) => each.mendId === mendId && each.refused);
  if (refused.length === 0) return null;
  return (
    <div className="flex flex-col gap-2 pt-3">
      {refused.map(({ key, event, refused: why }) => (
        <div key={key} className="flex flex-col items-start gap-2">
          <Problems problems={why ?? []} />
          {event.text ? (
            <p>
              “<bdi>{seen(event.text)}</bdi>”
            </p>
          ) : null}
          <Button onClick={() => void acknowledged(key)}>{say`Seen; throw it away`}</Button>
        </div>
      ))}
    </div>
  );
}

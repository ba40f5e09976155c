import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

/** Stands where a page cannot be drawn, such as one that only another build of Able Mend has. The line above it still leads elsewhere. */
export function CouldNotShow() {
  return (
    <div role="alert" className="mx-auto flex max-w-2xl flex-col gap-4 p-8">
      <Notice tone="late" word={say`This page cannot be shown.`}>
        {say`Able Mend may have been renewed since it was opened here. What was saved is there, and what waits on this device is still sent.`}
      </Notice>
      <Button look="main" size="hand" onClick={() => location.reload()}>{say`Load it anew`}</Button>
    </div>
  );
}

import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

const keys: readonly (readonly [string, string])[] = [
  ['?', say`This sheet`],
  ['S', say`Scan a label, where there is a camera`],
  ['M', say`Silence the alarm`],
  ['Z', say`Put the alarm off for 5 minutes`],
  ['D', say`In a mend: begin, or done`],
  ['Y', say`At a test by touch: it passes`],
  ['X', say`At a test by touch: it fails`],
  ['R', say`In a wait: ready`],
  ['N', say`In a wait: not yet`],
  ['H', say`In a wait: into the warm, or out of it`],
  ['U', say`In a mend: undo the last one`],
  ['W', say`In a mend: something went wrong`],
  ['P', say`In a mend: take a photograph`],
  ['F', say`In a mend: read it from afar, or close up`],
  ['O', say`Before a mix: one cup for several mends`],
  ['L', say`At a cup: print its label`],
  [say`1 to 5`, say`In a mend: Look, Match, Plan, Mend, Prove`],
  ['← →', say`Move between options; on a slider, adjust it`],
  [say`Tab`, say`Next field`],
];

/** Every action has a key. Not modal: nothing behind it is locked. */
export function HelpSheet() {
  const [open, setOpen] = useState(false);
  useKeys(['?', 'shift+?'], () => setOpen((before) => !before));
  return (
    <Dialog.Root open={open} onOpenChange={setOpen} modal={false}>
      <Dialog.Trigger asChild>
        <button type="button" className="min-h-11 min-w-11 rounded-sm border-2 border-line font-bold" aria-label={say`Help and keys`}>
          ?
        </button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          // A popover that is closing gives focus back to what opened it, and that must not shut this sheet again.
          onFocusOutside={(event) => event.preventDefault()}
          className="fixed top-16 right-4 z-30 w-96 max-w-[92vw] border-2 border-ink bg-sheet p-5 shadow-xl"
        >
          <Dialog.Title className="text-2xl">{say`Keys`}</Dialog.Title>
          <dl className="mt-3 grid grid-cols-[6rem_1fr] gap-y-2">
            {keys.map(([press, does]) => (
              <div key={press} className="contents">
                <dt>
                  <kbd className="border border-strong-line px-2 font-semibold">{press}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <p className="mt-4 text-sm text-faint">{say`Every underlined figure opens to its reason. What is written here never replaces a product's own safety sheet or local rules.`}</p>
          <Dialog.Close asChild>
            <Button className="mt-4 w-full">{say`Close`}</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

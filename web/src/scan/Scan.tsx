import { ScanQrCode } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { lazy, Suspense, useState } from 'react';
import { whenThere } from '../api/whenThere';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';
import { useHasCamera } from './useCamera';

// The line of every page has a way in: what looks through the camera comes when it is opened.
const Scanning = lazy(() => whenThere(() => import('./Scanning')).then(({ Scanning }) => ({ default: Scanning })));

/** Stands there until what looks through the camera has come: without a server that may take a while, and nobody has to wait for it. */
function OnTheWay() {
  return (
    <>
      <p className="min-h-48">{say`Loading …`}</p>
      <Dialog.Close asChild>
        <Button className="min-h-14 w-full">{say`Close`}</Button>
      </Dialog.Close>
    </>
  );
}

interface Props {
  /** What is scanned, such as the label of an item. */
  title: string;
  /** Takes what stands in a code; says why not where it is none of those that are wanted. */
  onRead: (code: string) => Promise<string | null> | string | null;
  /** Small, with no word and a key of its own, in a line of other things. */
  isSmall?: boolean;
}

/** Scans the code of a label with the camera: held at it, or by a picture where a page is trusted with no camera. Nothing where there is none. */
export function Scan({ title, onRead, isSmall = false }: Props) {
  const [open, setOpen] = useState(false);
  const has = useHasCamera();
  useKeys(isSmall && has ? ['s'] : [], () => setOpen(true));
  if (!has) return null;
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        {isSmall ? (
          <button type="button" className="inline-flex min-h-11 min-w-11 items-center justify-center rounded-sm border-2 border-line" aria-label={title}>
            <ScanQrCode aria-hidden="true" />
          </button>
        ) : (
          <Button className="min-h-14 shrink-0">
            <ScanQrCode aria-hidden="true" className="size-7" /> {say`Scan`}
          </Button>
        )}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-50 max-h-screen overflow-y-auto border-2 border-ink bg-sheet p-5 sm:inset-auto sm:top-1/2 sm:left-1/2 sm:w-[34rem] sm:-translate-1/2"
        >
          <Dialog.Title className="text-2xl">{title}</Dialog.Title>
          <Suspense fallback={<OnTheWay />}>
            <Scanning onRead={onRead} onTaken={() => setOpen(false)} />
          </Suspense>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

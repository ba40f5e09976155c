import { useRef, useState } from 'react';
import { Dialog } from 'radix-ui';
import { problemsIn } from '../api/client';
import { Button } from '../ui/Button';
import { say } from '../words/say';
import { codeOnPicture } from './readCode';
import { films } from './useCamera';
import { Viewfinder } from './Viewfinder';

interface Props {
  /** Takes what stands in a code; says why not where it is none of those that are wanted. */
  onRead: (code: string) => Promise<string | null> | string | null;
  onTaken: () => void;
}

/** Films, or reads a picture, until a code is taken. */
export function Scanning({ onRead, onTaken }: Props) {
  const [said, setSaid] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const filming = films() && fault === null;
  const busy = useRef(false);
  const take = async (code: string) => {
    // The film goes on while a code is looked up.
    if (busy.current) return;
    busy.current = true;
    const refused = await Promise.resolve(onRead(code)).catch((fault: unknown) => problemsIn(fault)[0]!.message);
    busy.current = false;
    if (refused === null) onTaken();
    else setSaid(refused);
  };
  return (
    <div className="mt-3 flex flex-col gap-3">
      {filming ? <Viewfinder onRead={(code) => void take(code)} onFault={setFault} /> : null}
      {fault ? <p role="alert">{fault}</p> : null}
      <p role="status" className="min-h-6">
        {said || (filming ? say`Hold the code inside the frame.` : fault ? '' : say`Take a picture of the code, as large as it goes.`)}
      </p>
      <div className="flex flex-wrap gap-2">
        <Picture
          isMain={!filming}
          onPicture={async (file) => {
            setSaid(say`Reading the picture …`);
            const code = await codeOnPicture(file);
            if (code === null) setSaid(say`No code is seen on that picture. Nearer, straight on, and no shine on the label.`);
            else await take(code);
          }}
        />
        <Dialog.Close asChild>
          <Button className="min-h-14">{say`Close`}</Button>
        </Dialog.Close>
      </div>
    </div>
  );
}

function Picture({ isMain, onPicture }: { isMain: boolean; onPicture: (file: File) => Promise<void> }) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button look={isMain ? 'main' : 'plain'} className="min-h-14" onClick={() => field.current?.click()}>{say`Take a picture of it`}</Button>
      <input
        ref={field}
        type="file"
        accept="image/*"
        capture="environment"
        className="sr-only"
        aria-label={say`Picture of the code`}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void onPicture(file);
        }}
      />
    </>
  );
}

import { useEffect, useRef } from 'react';
import { say } from '../words/say';
import { codeOnFilm } from './readCode';

/** Milliseconds from one look to the next. */
const pause = 120;

const whyNot = (fault: unknown) =>
  fault instanceof DOMException && fault.name === 'NotAllowedError'
    ? say`The browser keeps the camera from this page. Allow it beside the address, or take a picture of the code.`
    : say`No camera answers here. Take a picture of the code instead.`;

interface Props {
  onRead: (code: string) => void;
  /** Nothing is filmed, and why. */
  onFault: (why: string) => void;
}

/** What the camera sees. What is read is told again as long as it is seen: a code may be none of this shop's. */
export function Viewfinder({ onRead, onFault }: Props) {
  const film = useRef<HTMLVideoElement>(null);
  const told = useRef({ onRead, onFault });
  useEffect(() => {
    told.current = { onRead, onFault };
  });
  useEffect(() => {
    let over = false;
    let stream: MediaStream | undefined;
    const stop = () => stream?.getTracks().forEach((track) => track.stop());
    const watch = async () => {
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } }, audio: false });
      const shown = film.current;
      if (over || !shown) return stop();
      shown.srcObject = stream;
      await shown.play();
      // An effect may be over while it waits.
      // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition
      while (!over) {
        const code = await codeOnFilm(shown);
        // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition
        if (code !== null && !over) told.current.onRead(code);
        await new Promise((later) => setTimeout(later, pause));
      }
    };
    watch().catch((broken: unknown) => {
      if (!over) told.current.onFault(whyNot(broken));
    });
    return () => {
      over = true;
      stop();
    };
  }, []);
  return (
    <div className="relative overflow-hidden bg-black">
      <video ref={film} playsInline muted aria-label={say`What the camera sees`} className="mx-auto block max-h-[60vh] min-h-48 w-full object-contain" />
      <div aria-hidden="true" className="pointer-events-none absolute inset-[12%] border-4 border-white/80" />
    </div>
  );
}

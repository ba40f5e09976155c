import { useEffect, useState } from 'react';

/** A camera that films, where a page is trusted with one: only a page that comes encrypted, or from this machine. */
export const films = () => (navigator as { mediaDevices?: MediaDevices }).mediaDevices !== undefined;

/** Whether there is a camera to scan with: one that is plugged in, or that of a device that is held in a hand. */
export function useHasCamera(): boolean {
  const [has, setHas] = useState(() => matchMedia('(pointer: coarse)').matches);
  useEffect(() => {
    if (!films()) return;
    let gone = false;
    void navigator.mediaDevices.enumerateDevices().then((devices) => {
      if (!gone && devices.some((device) => device.kind === 'videoinput')) setHas(true);
    });
    return () => {
      gone = true;
    };
  }, []);
  return has;
}

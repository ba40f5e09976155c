import { useRef } from 'react';

/**
 * The key of what a page asks to be made: the same for as long as the page asks for the same, so that asking again after an answer that
 * never came does not make it twice. Another visit to the page asks for another.
 */
export function useOnce(): (what: string) => { 'Idempotency-Key': string } {
  const keys = useRef(new Map<string, string>());
  return (what) => {
    const key = keys.current.get(what) ?? crypto.randomUUID();
    keys.current.set(what, key);
    return { 'Idempotency-Key': key };
  };
}

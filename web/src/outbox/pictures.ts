import type { QueryClient } from '@tanstack/react-query';
import { get, update } from 'idb-keyval';
import { useSyncExternalStore } from 'react';
import { Refused } from '../api/client';
import { photographsKey, sendPicture } from '../api/photographs';
import type { Problem } from '../api/types';

/** A picture that was taken and that the server has not acknowledged yet. */
export interface TakenPicture {
  key: string;
  mendId: number;
  /** Step that it was taken at; null at intake, and of the item as a whole. */
  stepId: string | null;
  at: string;
  file: Blob;
  /** Why the server refused it; null while it waits to be sent. */
  refused: readonly Problem[] | null;
}

const place = 'pictures';
const againAfterMs = 4000;
const listeners = new Set<() => void>();
let taken: readonly TakenPicture[] = [];

async function change(how: (before: readonly TakenPicture[]) => readonly TakenPicture[]): Promise<void> {
  const show = (next: readonly TakenPicture[]) => {
    taken = next;
    for (const listener of listeners) listener();
  };
  show(how(taken));
  try {
    let kept = taken;
    await update<readonly TakenPicture[]>(place, (before) => (kept = how(before ?? [])));
    show(kept);
  } catch {
    // Where a browser lends no room, it is kept for as long as the page lives.
  }
}

/** Keeps a picture, with the moment at which it was taken, until the server has it. */
export const takePicture = (mendId: number, stepId: string | null, file: Blob, at: string) =>
  change((before) => [...before, { key: crypto.randomUUID(), mendId, stepId, at, file, refused: null }]);

export const forgetPicture = (key: string) => change((before) => before.filter((each) => each.key !== key));

/** Pictures of a mend that wait to be sent, or were refused. */
export function useTakenPictures(mendId: number): readonly TakenPicture[] {
  const all = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => taken,
  );
  return all.filter((each) => each.mendId === mendId);
}

/** Sends pictures one after another, from one tab only, and goes on by itself when the server is back. */
export function startSendingPictures(queryClient: QueryClient): void {
  let sending = false;
  const next = () => taken.find((each) => each.refused === null);

  const sendAll = async () => {
    for (let picture = next(); picture; picture = next()) {
      try {
        await sendPicture(picture);
        await forgetPicture(picture.key);
      } catch (error) {
        if (!(error instanceof Refused) || error.status === 0 || error.status >= 500 || error.status === 429) {
          setTimeout(pump, againAfterMs);
          return;
        }
        const { key } = picture;
        await change((before) => before.map((each) => (each.key === key ? { ...each, refused: error.problems } : each)));
      }
      void queryClient.invalidateQueries({ queryKey: photographsKey(picture.mendId) });
    }
  };

  function pump(): void {
    if (sending || !next()) return;
    sending = true;
    void navigator.locks.request('able-mend-pictures', sendAll).finally(() => {
      sending = false;
    });
  }

  listeners.add(pump);
  window.addEventListener('online', pump);
  void get<readonly TakenPicture[]>(place).then(
    (kept) => (kept?.length ? change((before) => before) : undefined),
    () => undefined,
  );
}

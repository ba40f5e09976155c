import type { QueryClient } from '@tanstack/react-query';
import { isOutOfReach, problemsIn } from '../api/client';
import { photographsKey, sendPicture } from '../api/photographs';
import type { Problem } from '../api/types';
import { keptList } from './keptList';

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

const againAfterMs = 4000;
const kept = keptList<TakenPicture>('pictures');

/** Keeps a picture, with the moment at which it was taken, until the server has it. */
export function takePicture(mendId: number, stepId: string | null, file: Blob, at: string): Promise<boolean> {
  const picture = { key: crypto.randomUUID(), mendId, stepId, at, file, refused: null };
  return kept.change((before) => [...before, picture]);
}

export const forgetPicture = (key: string) => kept.change((before) => before.filter((each) => each.key !== key));

/** Pictures of a mend that wait to be sent, or were refused. */
export const useTakenPictures = (mendId: number): readonly TakenPicture[] => kept.use().filter((each) => each.mendId === mendId);

/** Sends pictures one after another, from one tab only, and goes on by itself when the server is back. */
export function startSendingPictures(queryClient: QueryClient): void {
  let sending = false;
  const next = () => kept.get().find((each) => each.refused === null);

  const sendAll = async () => {
    for (let picture = next(); picture; picture = next()) {
      try {
        await sendPicture(picture);
        await forgetPicture(picture.key);
      } catch (error) {
        if (isOutOfReach(error)) {
          setTimeout(pump, againAfterMs);
          return;
        }
        const { key } = picture;
        await kept.change((before) => before.map((each) => (each.key === key ? { ...each, refused: problemsIn(error) } : each)));
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

  kept.subscribe(pump);
  window.addEventListener('online', pump);
  void kept.load();
}

import { queryOptions } from '@tanstack/react-query';
import { api, ask } from './client';
import { patient } from './patience';
import type { Schemas } from './types';

/** How long a picture may take on its way, in milliseconds: a shop's network is slow at the far bench. */
const patienceMs = 60_000;

export const photographsKey = (mendId: number) => ['photographs', mendId] as const;

/** The photographs of a mend, in the order in which they were taken. */
export const photographsQuery = (mendId: number) =>
  queryOptions({
    queryKey: photographsKey(mendId),
    queryFn: () => ask(api.GET('/api/mends/{id}/photographs', { params: { path: { id: mendId } } })),
    refetchInterval: 20_000,
  });

/** Where a picture lies. */
export const pictureAt = (id: number) => `/api/photographs/${String(id)}`;
export const smallPictureAt = (id: number) => `${pictureAt(id)}/small`;

interface Sent {
  mendId: number;
  stepId: string | null;
  at: string;
  file: Blob;
}

/** Sends a picture as the file that it is. */
export const sendPicture = ({ mendId, stepId, at, file }: Sent): Promise<Schemas['PhotographView']> =>
  ask(
    api.POST('/api/mends/{id}/photographs', {
      params: { path: { id: mendId }, query: { at, ...(stepId === null ? {} : { step: stepId }) } },
      headers: { 'Content-Type': file.type || 'image/jpeg' },
      // The file goes as it is: its type in the description is only text.
      body: file as never,
      bodySerializer: (body: unknown) => body as Blob,
      fetch: patient(patienceMs),
    }),
  );

export const removePicture = async (id: number): Promise<void> => {
  const { error, response } = await api.DELETE('/api/photographs/{id}', { params: { path: { id } } });
  if (error !== undefined) await ask(Promise.resolve({ error, response }));
};

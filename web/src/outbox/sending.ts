import type { QueryClient } from '@tanstack/react-query';
import { api, ask, isOutOfReach, type Refused } from '../api/client';
import { heard } from '../api/heard';
import { patient } from '../api/patience';
import { mendQuery } from '../api/queries';
import { acknowledged, next, refuse, setStuck, subscribe, type Waiting } from './outbox';

/** How long an answer to a tap is waited for, in milliseconds: hands that go on see soon that it waits. */
const patienceMs = 5000;

/** How soon it is tried again while the server is out of reach, in milliseconds. */
const againAfterMs = 2000;

/** Sends what waits, one after another and from one tab only, and goes on by itself when the server is back. */
export function startSending(queryClient: QueryClient): void {
  let sending = false;
  let again: ReturnType<typeof setTimeout> | undefined;

  const send = async ({ key, mendId, event }: Waiting) => {
    const view = await ask(
      api.POST('/api/mends/{id}/events', {
        params: { path: { id: mendId }, header: { 'Idempotency-Key': key } },
        body: event,
        fetch: patient(patienceMs),
      }),
    );
    heard(queryClient, mendQuery(mendId).queryKey, view);
    await acknowledged(key);
    void queryClient.invalidateQueries({ queryKey: ['bench'] });
  };

  const sendAll = async () => {
    for (let entry = next(); entry; entry = next()) {
      try {
        await send(entry);
        setStuck(false);
      } catch (error) {
        if (isOutOfReach(error)) {
          setStuck(true);
          again = setTimeout(pump, againAfterMs);
          return;
        }
        // A refusal is an answer.
        setStuck(false);
        await refuse(entry.key, (error as Refused).problems);
        void queryClient.invalidateQueries({ queryKey: mendQuery(entry.mendId).queryKey });
      }
    }
  };

  const pump = () => {
    if (sending || !next()) return;
    sending = true;
    clearTimeout(again);
    void navigator.locks.request('able-mend-outbox', sendAll).finally(() => {
      sending = false;
    });
  };

  subscribe(pump);
  window.addEventListener('online', pump);
  document.addEventListener('visibilitychange', pump);
  window.addEventListener('beforeunload', (event) => {
    // What waits is kept in this browser; whoever closes it should know that nobody else sees it yet.
    if (next()) event.preventDefault();
  });
  pump();
}

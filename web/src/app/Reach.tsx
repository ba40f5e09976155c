import { useQueryClient, type Query, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Refused } from '../api/client';
import { shopQuery } from '../api/queries';
import { clock, span } from '../measures/time';
import { onShopClock, useNow } from '../shop/clock';
import { More, Notice } from '../ui/Notice';
import { say } from '../words/say';

/** How often it is asked whether the server is back, in milliseconds. */
const askEveryMs = 3000;

/** Says that the server does not answer and how old the page is, and brings everything up to date as soon as it does. */
export function Reach({ zone }: { zone: string }) {
  const queryClient = useQueryClient();
  const since = useSilentSince(queryClient);
  // The shop's clock may only be known once the first answer was read.
  useNow();
  useEffect(() => {
    if (since === null) return;
    const asking = setInterval(() => {
      void queryClient.refetchQueries({ queryKey: shopQuery.queryKey }, { throwOnError: true }).then(
        () => queryClient.invalidateQueries(),
        () => undefined,
      );
    }, askEveryMs);
    return () => clearInterval(asking);
  }, [since, queryClient]);
  return since !== null ? (
    <Notice tone="early" word={say`The server does not answer.`}>
      {say`What you see is from ${clock(new Date(onShopClock(since)).toISOString(), zone)}.`}
      <More>{say`It goes on by itself when the server is back.`}</More>
    </Notice>
  ) : null;
}

/** Says that the server's own clock was set back, and that the shop's was not. */
export function SetBack({ minutes }: { minutes: number }) {
  const back = span(minutes * 60_000);
  return minutes > 0 ? (
    <Notice tone="early" word={say`The server’s clock was set back by ${back}.`}>
      <More>{say`The shop’s goes on from where it stood, so that no wait grows longer. Set the server’s clock if it is wrong.`}</More>
    </Notice>
  ) : null;
}

/** When the server was last heard of, by the browser's clock, once it has gone silent; null while it answers. */
function useSilentSince(queryClient: QueryClient): number | null {
  const [since, setSince] = useState<number | null>(() => (queryClient.getQueryCache().getAll().some(isSilent) ? heardOf(queryClient) : null));
  useEffect(
    () =>
      queryClient.getQueryCache().subscribe((event) => {
        if (event.type !== 'updated') return;
        if (event.action.type === 'success' && !event.action.manual) setSince(null);
        else if (isSilent(event.query as Query)) setSince((before) => before ?? heardOf(queryClient));
      }),
    [queryClient],
  );
  return since;
}

function isSilent({ state }: Query): boolean {
  const fault = state.error ?? state.fetchFailureReason;
  return fault instanceof Refused && fault.status === 0;
}

function heardOf(queryClient: QueryClient): number {
  return Math.max(
    ...queryClient
      .getQueryCache()
      .getAll()
      .map((query) => query.state.dataUpdatedAt),
  );
}

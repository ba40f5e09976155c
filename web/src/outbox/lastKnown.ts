import { hashKey, type Query, type QueryClient, type QueryKey } from '@tanstack/react-query';
import { createStore, del, entries, get, set } from 'idb-keyval';
import { Refused } from '../api/client';
import { benchQuery, catalogueQuery, mendQuery, shopQuery } from '../api/queries';
import { quietly } from './quietly';

/** An answer of the server as it was last heard, in the browser's own database. */
interface Known {
  key: QueryKey;
  data: unknown;
  at: number;
  /** The build of the page that heard it: another build may expect other answers. */
  build: string;
}

const store = createStore('able-mend-last-known', 'answers');
const build = import.meta.url;
const kept = new Set<unknown>(['shop', 'catalogue', 'bench', 'days', 'mend', 'items']);

/** How long a server that says nothing is waited for at the start, in milliseconds. */
const patienceMs = 3000;

/** How old what is known of a running mend may be before it is asked for again, in milliseconds. */
const freshMs = 60_000;

/** How long a page has been open before it asks for mends that nobody looks at, in milliseconds. */
const restMs = 5000;

/**
 * Asks whether the server is there. Where it is not, what was last known is brought back, each answer with the time at which it was heard,
 * so that the bench and its running mends open without it.
 */
export async function startFromLastKnown(queryClient: QueryClient): Promise<void> {
  queryClient.setQueryDefaults(['mend'], { gcTime: Infinity });
  keep(queryClient);
  if (!(await answers(queryClient))) await quietly(restore(queryClient));
}

async function answers(queryClient: QueryClient): Promise<boolean> {
  const asked = queryClient.query({ ...shopQuery, retry: false }).then(
    () => true,
    (error: unknown) => !isAway(error),
  );
  return Promise.race([asked, new Promise<boolean>((done) => setTimeout(() => done(false), patienceMs))]);
}

const isAway = (error: unknown): boolean => !(error instanceof Refused && error.status > 0 && error.status < 500);

async function restore(queryClient: QueryClient): Promise<void> {
  for (const [, known] of await entries<string, Known>(store)) bringBack(queryClient, known);
}

function bringBack(queryClient: QueryClient, { key, data, at, build: heardBy }: Known): void {
  // What came in meanwhile is newer.
  if (heardBy === build && queryClient.getQueryData(key) === undefined) queryClient.setQueryData(key, data, { updatedAt: at });
}

/** A server that went away after the page had opened leaves answers unheard that an earlier page has heard. */
async function bringBackUnheard(queryClient: QueryClient, queryHash: string): Promise<void> {
  const known = await get<Known>(queryHash, store);
  if (known) bringBack(queryClient, known);
}

/** Keeps every answer that the bench could need without a server, and asks for the running mends, and for what they are read with, before they are needed. */
function keep(queryClient: QueryClient): void {
  let asking = false;
  let rested = false;
  const lookAhead = async () => {
    if (asking || !rested) return;
    asking = true;
    const mends = queryClient.getQueryData(benchQuery.queryKey)?.entries ?? [];
    if (mends.length > 0) await queryClient.query({ ...catalogueQuery, retry: false }).catch(() => undefined);
    for (const { id } of mends) await queryClient.query({ ...mendQuery(id), staleTime: freshMs, retry: false }).catch(() => undefined);
    asking = false;
  };
  setTimeout(() => {
    rested = true;
    void lookAhead();
  }, restMs);
  queryClient.getQueryCache().subscribe((event) => {
    if (event.type === 'removed') void quietly(del(event.query.queryHash, store));
    const { queryKey: key, queryHash, state } = event.query as Query;
    if (event.type !== 'updated' || !kept.has(key[0])) return;
    // What is asked for ahead is not asked twice: whoever comes to it meanwhile would stand before its failure.
    const fell: unknown = event.action.type === 'failed' || event.action.type === 'error' ? event.action.error : null;
    if (fell && state.data === undefined && isAway(fell)) void quietly(bringBackUnheard(queryClient, queryHash));
    if (event.action.type !== 'success') return;
    void quietly(set(queryHash, { key, data: state.data, at: state.dataUpdatedAt, build } satisfies Known, store));
    if (queryHash === hashKey(benchQuery.queryKey)) {
      forget(queryClient);
      void lookAhead();
    }
  });
}

/** What has left the bench and is not looked at needs no keeping. */
function forget(queryClient: QueryClient): void {
  const bench = queryClient.getQueryData(benchQuery.queryKey);
  const there = new Set<unknown>([...(bench?.entries ?? []), ...(bench?.drafts ?? [])].map((each) => each.id));
  queryClient.removeQueries({ queryKey: ['mend'], type: 'inactive', predicate: (query) => !there.has(query.queryKey[1]) });
}

import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, ask } from './client';

const second = 1000;

export const shopQuery = queryOptions({
  queryKey: ['shop'],
  queryFn: () => ask(api.GET('/api/shop')),
  // It is asked for before the page is drawn: that answer does for the first drawing.
  staleTime: 2 * second,
});

export const catalogueQuery = queryOptions({
  queryKey: ['catalogue'],
  queryFn: () => ask(api.GET('/api/catalogue')),
  staleTime: Infinity,
});

export const benchQuery = queryOptions({
  queryKey: ['bench'],
  queryFn: () => ask(api.GET('/api/bench')),
  refetchInterval: 10 * second,
});

export const daysQuery = queryOptions({
  queryKey: ['days'],
  queryFn: () => ask(api.GET('/api/days')),
  refetchInterval: 20 * second,
});

/** The air of the room today. */
export const airQuery = queryOptions({
  queryKey: ['air'],
  queryFn: () => ask(api.GET('/api/air')),
  refetchInterval: 60 * second,
});

export const shelfQuery = queryOptions({
  queryKey: ['shelf'],
  queryFn: () => ask(api.GET('/api/shelf')),
  refetchInterval: 20 * second,
});

/** The mends that took of a lot. */
export const usesQuery = (name: string) =>
  queryOptions({
    queryKey: ['shelf', name],
    queryFn: () => ask(api.GET('/api/shelf/{name}/mends', { params: { path: { name } } })),
  });

export const ticketsQuery = queryOptions({
  queryKey: ['tickets'],
  queryFn: () => ask(api.GET('/api/tickets')),
  refetchInterval: 20 * second,
});

export const ticketQuery = (id: number) =>
  queryOptions({
    queryKey: ['tickets', id],
    queryFn: () => ask(api.GET('/api/tickets/{id}', { params: { path: { id } } })),
    refetchInterval: 20 * second,
  });

export const itemsQuery = queryOptions({
  queryKey: ['items'],
  queryFn: () => ask(api.GET('/api/items')),
});

export const mendQuery = (id: number) =>
  queryOptions({
    queryKey: ['mend', id],
    queryFn: () => ask(api.GET('/api/mends/{id}', { params: { path: { id } } })),
  });

/** Cups that would do for a mend and for others that are about to mix the same, as the bench now stands. */
export const cupsQuery = (id: number) =>
  queryOptions({
    queryKey: ['cups', id],
    queryFn: ({ signal }) => ask(api.GET('/api/mends/{id}/cups', { params: { path: { id } }, signal })),
    refetchInterval: 10 * second,
  });

/** What can go wrong at a step: asked anew for each version of the mend, for what happened speaks for one cause or another. */
export const mishapsQuery = (id: number, stepId: string, version: number) =>
  queryOptions({
    queryKey: ['mishaps', id, stepId, version],
    queryFn: ({ signal }) => ask(api.GET('/api/mends/{id}/mishaps/{stepId}', { params: { path: { id, stepId } }, signal })),
  });

/** When a draft can be promised: asked anew for each version of it. */
export const promiseQuery = (id: number, version: number) =>
  queryOptions({
    queryKey: ['promise', id, version],
    queryFn: ({ signal }) => ask(api.GET('/api/mends/{id}/promise', { params: { path: { id } }, signal })),
    placeholderData: keepPreviousData,
    staleTime: 20 * second,
  });

/** What a mend costs: asked anew for each version of it. */
export const estimateQuery = (id: number, version: number) =>
  queryOptions({
    queryKey: ['estimate', id, version],
    queryFn: ({ signal }) => ask(api.GET('/api/mends/{id}/estimate', { params: { path: { id } }, signal })),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** What a mend costs against a new one; asked once all of it is said. */
export const mendOrReplaceQuery = (id: number, version: number, asked: { price: number | null; servesMonths: number | null; leftMonths: number | null }) =>
  queryOptions({
    queryKey: ['mend-or-replace', id, version, asked],
    queryFn: ({ signal }) => {
      const query = { price: asked.price ?? 0, servesMonths: asked.servesMonths ?? 0, leftMonths: asked.leftMonths ?? 0 };
      return ask(api.GET('/api/mends/{id}/mend-or-replace', { params: { path: { id }, query }, signal }));
    },
    enabled: Object.values(asked).every((value) => value !== null),
    retry: false,
  });

/** The log page by page; a search that nobody waits for any more is called off. */
export const logQuery = (q: string) =>
  infiniteQueryOptions({
    queryKey: ['log', q],
    queryFn: ({ pageParam, signal }) => ask(api.GET('/api/log', { params: { query: { q, ...(pageParam ? { after: pageParam } : {}) } }, signal })),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

/** How mends have held; asked for anew whenever the log is opened. */
export const heldQuery = queryOptions({ queryKey: ['log', 'held'], queryFn: () => ask(api.GET('/api/log/held')) });

/** What is to be looked at again; asked for anew whenever it is shown. */
export const looksQuery = queryOptions({ queryKey: ['log', 'looks'], queryFn: () => ask(api.GET('/api/log/looks')) });

export const galleryQuery = queryOptions({
  queryKey: ['gallery'],
  queryFn: () => ask(api.GET('/api/gallery')),
  staleTime: Infinity,
});

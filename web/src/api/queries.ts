import { queryOptions } from '@tanstack/react-query';
import { api, ask } from './client';

const second = 1000;

export const shopQuery = queryOptions({
  queryKey: ['shop'],
  queryFn: () => ask(api.GET('/api/shop')),
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

export const itemsQuery = queryOptions({
  queryKey: ['items'],
  queryFn: () => ask(api.GET('/api/items')),
});

export const mendQuery = (id: number) =>
  queryOptions({
    queryKey: ['mend', id],
    queryFn: () => ask(api.GET('/api/mends/{id}', { params: { path: { id } } })),
  });

export const logQuery = (q: string) =>
  queryOptions({
    queryKey: ['log', q],
    queryFn: () => ask(api.GET('/api/log', { params: { query: { q } } })),
    placeholderData: (before) => before,
  });

export const galleryQuery = queryOptions({
  queryKey: ['gallery'],
  queryFn: () => ask(api.GET('/api/gallery')),
  staleTime: Infinity,
});

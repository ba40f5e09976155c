import type { DataTag, QueryClient, QueryKey } from '@tanstack/react-query';

/** Takes in what the server answered to a change. What was asked for before that is older, whenever it comes: it is no longer waited for. */
export function heard<View>(queryClient: QueryClient, queryKey: DataTag<QueryKey, View, Error>, view: View): void {
  queryClient.setQueryData(queryKey, view);
  void queryClient.cancelQueries({ queryKey, exact: true });
}

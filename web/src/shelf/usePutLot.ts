import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import { heard } from '../api/heard';
import { shelfQuery } from '../api/queries';
import type { Lot } from './shelfView';

/** Keeps a lot and shows the shelf as it is then. */
export function usePutLot(done: () => void) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: (lot: Lot) => ask(api.PUT('/api/shelf/{name}', { params: { path: { name: lot.id ?? lot.material } }, body: lot })),
    onSuccess: (view) => {
      heard(queryClient, shelfQuery.queryKey, view);
      done();
    },
  });
}

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, isCollision } from '../api/client';
import { heard } from '../api/heard';
import { shelfQuery } from '../api/queries';
import type { Lot } from './shelfView';

/** A lot as it is to be, and what was seen of it when that was said; null for one that is put on the shelf. */
interface LotChange {
  lot: Lot;
  was: Lot | null;
}

/** Keeps a lot and shows the shelf as it is then, with what somebody else changed of it meanwhile. */
export function usePutLot(done: () => void) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: (change: LotChange) => ask(api.PUT('/api/shelf/{name}', { params: { path: { name: change.lot.id ?? change.lot.material } }, body: change })),
    onSuccess: (view) => {
      heard(queryClient, shelfQuery.queryKey, view);
      done();
    },
    // What collided is looked at as it is by now.
    onError: (error) => (isCollision(error) ? queryClient.refetchQueries({ queryKey: shelfQuery.queryKey, exact: true }) : undefined),
  });
}

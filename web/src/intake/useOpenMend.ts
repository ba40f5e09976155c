import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { api, ask } from '../api/client';
import { useOnce } from '../api/once';
import { mendQuery } from '../api/queries';

/** Opens a mend of an item, and its first look. */
export function useOpenMend() {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const once = useOnce();
  return useMutation({
    mutationFn: (itemId: number) => ask(api.POST('/api/mends', { params: { header: once(`mend ${itemId}`) }, body: { itemId, case: null, ticketId: null } })),
    onSuccess: async (mend) => {
      queryClient.setQueryData(mendQuery(mend.id).queryKey, mend);
      void queryClient.invalidateQueries({ queryKey: ['bench'] });
      await navigate({ to: '/mends/$id/$stage', params: { id: String(mend.id), stage: 'look' } });
    },
  });
}

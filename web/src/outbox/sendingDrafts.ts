import type { QueryClient } from '@tanstack/react-query';
import { api, ask, Refused } from '../api/client';
import { mendQuery } from '../api/queries';
import { create } from '../ui/store';
import { draftsUnsent, dropDraft, type UnsentDraft } from './drafts';

/** How often it is tried to send what was left unsent, in milliseconds. */
const everyMs = 5000;

interface Held {
  mendId: number;
  tag: string;
}

const held = create<readonly Held[]>([]);

/** Drafts whose change somebody has to look at before it can be sent: they were changed elsewhere as well. */
export const useHeldDrafts = () => held.use();

const isOpen = (mendId: number) => location.pathname.startsWith(`/mends/${mendId}/`);

/** Sends what was changed on drafts that nobody has open any more; a draft that is open sends itself. */
export function startSendingDrafts(queryClient: QueryClient): void {
  const look = async () => {
    const left: Held[] = [];
    for (const [id, draft] of await draftsUnsent()) {
      const one = { mendId: id, tag: draft.mine.item.tag };
      if (isOpen(id)) continue;
      try {
        if (!(await send(queryClient, id, draft))) left.push(one);
      } catch (error) {
        if (error instanceof Refused && error.status === 404) dropDraft(id);
        else if (error instanceof Refused && error.status > 0 && error.status < 500) left.push(one);
      }
    }
    held.set(left);
  };
  setInterval(() => void look(), everyMs);
}

/** Whether it was sent, or is no longer to be sent. */
async function send(queryClient: QueryClient, id: number, draft: UnsentDraft): Promise<boolean> {
  const fresh = await ask(api.GET('/api/mends/{id}', { params: { path: { id } } }));
  if (fresh.createdAt === draft.openedAt) {
    if (fresh.status !== 'draft' || fresh.version !== draft.version) return false;
    const params = { header: { 'If-Match': draft.version }, path: { id } };
    queryClient.setQueryData(mendQuery(id).queryKey, await ask(api.PUT('/api/mends/{id}/case', { params, body: draft.mine })));
  }
  dropDraft(id);
  return true;
}

import type { QueryClient } from '@tanstack/react-query';
import { api, ask, Refused } from '../api/client';
import { mendQuery } from '../api/queries';
import { create } from '../ui/store';
import { draftsUnsent, dropDraft, type HeldDraft } from './drafts';
import { mergeUnheard } from './merge';

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
    for (const one of await draftsUnsent()) {
      const [desk, { mendId, mine, stamp }] = one;
      if (isOpen(mendId)) continue;
      const tagged = { mendId, tag: mine.item.tag };
      try {
        if (!(await send(queryClient, one))) left.push(tagged);
      } catch (error) {
        // Somebody was first once more: the next round puts that together as well.
        if (!(error instanceof Refused) || error.status === 409) continue;
        if (error.status === 404) dropDraft(desk, stamp);
        else if (error.status > 0 && error.status < 500) left.push(tagged);
      }
    }
    held.set(left.filter((each, i) => left.findIndex((other) => other.mendId === each.mendId) === i));
  };
  setInterval(() => void look(), everyMs);
}

/** Whether it was sent, or is no longer to be sent. What was changed elsewhere as well is put together with it where the two do not collide. */
async function send(queryClient: QueryClient, [desk, draft]: HeldDraft): Promise<boolean> {
  const path = { id: draft.mendId };
  const fresh = await ask(api.GET('/api/mends/{id}', { params: { path } }));
  if (fresh.createdAt === draft.openedAt) {
    const isAsItWas = fresh.version === draft.version;
    const both = isAsItWas ? { value: draft.mine, collides: false } : mergeUnheard(draft.base, draft.unheard ?? [], draft.mine, fresh.case);
    if (fresh.status !== 'draft' || both.collides) return false;
    const params = { header: { 'If-Match': fresh.version }, path };
    queryClient.setQueryData(mendQuery(draft.mendId).queryKey, await ask(api.PUT('/api/mends/{id}/case', { params, body: both.value })));
  }
  dropDraft(desk, draft.stamp);
  return true;
}

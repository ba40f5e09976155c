import type { QueryClient } from '@tanstack/react-query';
import { api, ask, isCollision, isOutOfReach, type Refused } from '../api/client';
import { heard } from '../api/heard';
import { mendQuery } from '../api/queries';
import { create } from '../ui/store';
import type { MendView } from '../api/types';
import { claim, draftsUnsent, dropDraft, type HeldDraft, type UnsentDraft } from './drafts';
import { merge, same } from './merge';

/** How often it is tried to send what was left unsent, in milliseconds. */
const everyMs = 5000;

/** Why a change cannot be sent by itself: it was changed elsewhere as well, something in it is wrong, or the mend was begun without it. */
type Why = 'collides' | 'faulty' | 'begun';

interface Held {
  mendId: number;
  tag: string;
  why: Why;
  draft: HeldDraft;
}

const held = create<readonly Held[]>([]);

/** Drafts whose change somebody has to look at before it can be sent. */
export const useHeldDrafts = () => held.use();

const isOpen = (mendId: number) => location.pathname.startsWith(`/mends/${mendId}/`);

/** Throws away what came too late. */
export function throwAway(late: Held): void {
  const [desk, { stamp }] = late.draft;
  dropDraft(desk, stamp);
  held.set(held.get().filter((each) => each !== late));
}

/** Sends what was changed on drafts that nobody has open any more; a draft that is open sends itself. */
export function startSendingDrafts(queryClient: QueryClient): void {
  let before: ReadonlySet<string> = new Set();
  const look = async () => {
    const left: Held[] = [];
    const unsent = await draftsUnsent();
    // What was left a moment ago may be on its way still, or its page only be loaded anew.
    const waited = unsent.filter(([, { stamp }]) => before.has(stamp));
    before = new Set(unsent.map(([, { stamp }]) => stamp));
    for (const each of waited) {
      const one = isOpen(each[1].mendId) ? null : await claim(each);
      if (!one) continue;
      const [desk, { mendId, mine, stamp }] = one;
      const waits = { mendId, tag: mine.item.tag, draft: one };
      try {
        const came = await send(queryClient, one);
        if (came !== 'sent') left.push({ ...waits, why: came });
      } catch (error) {
        // Somebody was first once more: the next round puts that together as well.
        if (isOutOfReach(error) || isCollision(error)) continue;
        if ((error as Refused).status === 404) dropDraft(desk, stamp);
        else left.push({ ...waits, why: 'faulty' });
      }
    }
    held.set(left.filter((each, i) => left.findIndex((other) => other.mendId === each.mendId) === i));
  };
  setInterval(() => void look(), everyMs);
}

type Came = 'sent' | Exclude<Why, 'faulty'>;

/** Sends one, unless it is no longer to be sent. What was changed elsewhere as well is put together with it where the two do not collide. */
async function send(queryClient: QueryClient, [desk, draft]: HeldDraft): Promise<Came> {
  const fresh = await ask(api.GET('/api/mends/{id}', { params: { path: { id: draft.mendId } } }));
  if (fresh.createdAt === draft.openedAt) {
    const came = await put(queryClient, draft, fresh);
    if (came !== 'sent') return came;
  }
  dropDraft(desk, draft.stamp);
  return 'sent';
}

async function put(queryClient: QueryClient, { mendId, version, base, mine, unheard = [] }: UnsentDraft, fresh: MendView): Promise<Came> {
  if (fresh.status !== 'draft') return same(mine, fresh.case) ? 'sent' : 'begun';
  const both = fresh.version === version ? { value: mine, collides: false } : merge(base, mine, fresh.case, unheard);
  if (both.collides) return 'collides';
  const params = { header: { 'If-Match': fresh.version }, path: { id: mendId } };
  heard(queryClient, mendQuery(mendId).queryKey, await ask(api.PUT('/api/mends/{id}/case', { params, body: both.value })));
  return 'sent';
}

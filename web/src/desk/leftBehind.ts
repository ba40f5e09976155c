import type { UnsentDraft } from '../outbox/drafts';

/** What is still on its way to the server from a desk that was left, and under which key this device holds it, if it does. */
export interface LeftBehind {
  draft: Omit<UnsentDraft, 'mendId' | 'stamp'>;
  held: { desk: string; stamp: string };
}

const left = new Map<number, () => LeftBehind | null>();

/** Says that the desk of a mend was left, and how whoever comes back to it takes over what is on its way then. */
export const leaveBehind = (mendId: number, handOver: () => LeftBehind | null) => left.set(mendId, handOver);

/** Takes over what an earlier desk of the mend has on its way, which lets go of it: two desks would take each other for somebody else. */
export function takeOver(mendId: number): LeftBehind | null {
  const handOver = left.get(mendId);
  left.delete(mendId);
  return handOver?.() ?? null;
}

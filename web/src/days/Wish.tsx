import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, problemsIn } from '../api/client';
import { daysQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { fromLocalField, toLocalField, when } from '../measures/time';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';

type DayWish = Schemas['DayWish'];

const weights = [
  ['1', say`as any`],
  ['5', say`more`],
  ['20', say`before all`],
] as const;

interface Props {
  mend: Schemas['DaysMend'];
  people: readonly string[];
  zone: string;
  now: number;
}

/** Holds a mend back, hands it to somebody, or lets it count for more: the plan follows. */
export function Wish({ mend, people, zone, now }: Props) {
  const queryClient = useQueryClient();
  const keep = useMutation({
    mutationFn: (wish: DayWish) => ask(api.PUT('/api/mends/{id}/wish', { params: { path: { id: mend.id } }, body: wish })),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: daysQuery.queryKey }),
  });
  const wish = keep.isPending ? keep.variables : mend.wish;
  const set = (change: Partial<DayWish>) => keep.mutate({ ...wish, ...change });
  return (
    <details className="no-print pb-1">
      <summary className="flex min-h-11 cursor-pointer items-center gap-2 text-faint">
        <span aria-hidden>▸</span> {wishWords(wish, zone, now)}
      </summary>
      <div className="flex flex-wrap items-end gap-4 pb-3">
        <Choice
          label={say`Who`}
          value={wish.person ?? ''}
          options={[['', say`whoever can`] as const, ...people.map((person) => [person, person] as const)]}
          onPick={(person) => set({ person: person || null })}
        />
        <Choice
          label={say`Being late counts`}
          value={String(wish.weight) as '1' | '5' | '20'}
          options={weights}
          onPick={(weight) => set({ weight: Number(weight) })}
        />
        <label>
          <span className="lettering mb-1 block">{say`Not before`}</span>
          <input
            type="datetime-local"
            className="h-11 rounded-sm border-2 border-line bg-sheet px-3"
            value={wish.notBefore ? toLocalField(wish.notBefore, zone) : ''}
            onChange={(event) => set({ notBefore: fromLocalField(event.target.value, zone) })}
          />
        </label>
        {wish.notBefore ? <Button look="quiet" onClick={() => set({ notBefore: null })}>{say`Hold it back no longer`}</Button> : null}
      </div>
      <Problems problems={problemsIn(keep.error)} />
    </details>
  );
}

function wishWords(wish: DayWish, zone: string, now: number): string {
  const said = [
    wish.person ? say`by ${wish.person}` : '',
    wish.notBefore ? say`not before ${when(wish.notBefore, now, zone)}` : '',
    wish.weight > 1 ? say`late counts ${wish.weight} times` : '',
  ].filter(Boolean);
  return said.length > 0 ? said.join(', ') : say`Change who, when or what counts`;
}

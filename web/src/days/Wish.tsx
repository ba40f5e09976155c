import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, isCollision, problemsIn } from '../api/client';
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
    // One after another: of two that are under way at once, the one that was sent first could arrive last.
    scope: { id: `wish ${String(mend.id)}` },
    mutationFn: (change: Schemas['WishChange']) => ask(api.PUT('/api/mends/{id}/wish', { params: { path: { id: mend.id } }, body: change })),
    // The plan takes a while to be made anew: until then what was kept stands there, and nothing else is sent in its place.
    onSuccess: (kept) => {
      queryClient.setQueryData(
        daysQuery.queryKey,
        (days) => days && { ...days, mends: days.mends.map((each) => (each.id === mend.id ? { ...each, wish: kept } : each)) },
      );
      return queryClient.invalidateQueries({ queryKey: daysQuery.queryKey });
    },
    // What collided is looked at as it is by now.
    onError: (error) => (isCollision(error) ? queryClient.invalidateQueries({ queryKey: daysQuery.queryKey }) : undefined),
  });
  // What was just wanted stands there at once: the mutation itself says so a moment later, and until then the field would fall back.
  const [wanted, setWanted] = useState<DayWish | null>(null);
  const wish = wanted ?? mend.wish;
  const set = (change: Partial<DayWish>) => {
    const changed = { ...wish, ...change };
    setWanted(changed);
    keep.mutate({ wish: changed, was: wish }, { onSettled: () => setWanted(null) });
  };
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
        <label>
          <span className="lettering mb-1 block">{say`Begin it at`}</span>
          <input
            type="datetime-local"
            className="h-11 rounded-sm border-2 border-line bg-sheet px-3"
            value={wish.beginAt ? toLocalField(wish.beginAt, zone) : ''}
            onChange={(event) => set({ beginAt: fromLocalField(event.target.value, zone) })}
          />
        </label>
        {people.length > 1 ? <NotBy people={people} notBy={wish.notBy ?? []} onChange={(notBy) => set({ notBy })} /> : null}
        {wish.beginAt ? <Button look="quiet" onClick={() => set({ beginAt: null })}>{say`Take the pin out`}</Button> : null}
        {wish.notBefore ? <Button look="quiet" onClick={() => set({ notBefore: null })}>{say`Hold it back no longer`}</Button> : null}
      </div>
      <Problems problems={problemsIn(keep.error)} />
    </details>
  );
}

/** Who does not do it. */
function NotBy({ people, notBy, onChange }: { people: readonly string[]; notBy: readonly string[]; onChange: (notBy: string[]) => void }) {
  return (
    <fieldset>
      <legend className="lettering mb-1">{say`Not by`}</legend>
      <div className="flex flex-wrap gap-x-4">
        {people.map((person) => (
          <label key={person} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-6 accent-(--act)"
              checked={notBy.includes(person)}
              onChange={(event) => onChange(event.target.checked ? [...notBy, person] : notBy.filter((each) => each !== person))}
            />
            {person}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function wishWords(wish: DayWish, zone: string, now: number): string {
  const said = [
    wish.person ? say`by ${wish.person}` : '',
    wish.notBy && wish.notBy.length > 0 ? say`not by ${wish.notBy.join(', ')}` : '',
    wish.beginAt ? say`pinned to ${when(wish.beginAt, now, zone)}` : '',
    wish.notBefore ? say`not before ${when(wish.notBefore, now, zone)}` : '',
    wish.weight > 1 ? say`late counts ${wish.weight} times` : '',
  ].filter(Boolean);
  return said.length > 0 ? said.join(', ') : say`Change who, when or what counts`;
}

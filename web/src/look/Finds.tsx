import { useState } from 'react';
import type { Catalogue, Construction, DamageToMend, Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { withSeen } from '../desk/edit';
import { say } from '../words/say';

interface Props {
  toMend: DamageToMend;
  construction: Construction;
  catalogue: Catalogue;
  edit: (how: (damage: DamageToMend) => DamageToMend) => void;
  before: readonly Schemas['FoundBefore'][];
}

/** Finding what leaks or hides: the tests that show it, each find kept on the item. */
export function Finds({ toMend, construction, catalogue, edit, before }: Props) {
  const { seen: damage } = toMend;
  const hides = construction.damages.find((usual) => usual.kind === damage.kind)?.leaks ?? false;
  const tests = catalogue.lookTests.filter((test) => test.kinds.includes(damage.kind) && fits(test.families, construction, catalogue, damage.location));
  const [test, setTest] = useState('');
  const [place, setPlace] = useState('');
  const finds = damage.finds ?? [];
  if (!hides || tests.length === 0) return null;
  const chosen = tests.find((each) => each.id === test) ?? tests[0]!;
  const keep = () => {
    if (place.trim() === '') return;
    edit((now) => withSeen(now, { finds: [...(now.seen.finds ?? []), { test: chosen.id, place: place.trim() }], located: true }));
    setPlace('');
  };
  return (
    <section aria-label={say`Finding it`} className="border-l-4 border-resin pl-3">
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Choice
          label={say`Found it?`}
          value={damage.located === false ? 'no' : 'yes'}
          options={[
            ['yes', say`Found`],
            ['no', say`Not yet`],
          ]}
          onPick={(found) => edit((now) => withSeen(now, { located: found === 'yes' }))}
        />
        <Choice label={say`Test to find it`} value={chosen.id} options={tests.map((each) => [each.id, each.name] as const)} onPick={setTest} />
      </div>
      <p className="mt-1 text-sm">{chosen.how}</p>
      <div className="mt-2 flex items-end gap-2">
        <label className="flex-1">
          <span className="lettering block">{say`Found at`}</span>
          <input
            className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3"
            value={place}
            maxLength={120}
            onChange={(event) => setPlace(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') keep();
            }}
          />
        </label>
        <Button onClick={keep} disabled={place.trim() === ''}>{say`Save it`}</Button>
      </div>
      {finds.length > 0 ? (
        <ul className="mt-1">
          {finds.map((find, i) => (
            <li key={`${find.test}${find.place}`} className="flex items-center justify-between border-b border-line">
              <span>
                {i + 1}. {find.place} <span className="text-sm text-faint">{catalogue.lookTests.find((each) => each.id === find.test)?.name}</span>
              </span>
              <Button onClick={() => edit((now) => withSeen(now, { finds: finds.filter((each) => each !== find) }))}>{say`Remove`}</Button>
            </li>
          ))}
        </ul>
      ) : null}
      {before.length > 0 ? (
        <p className="mt-1 text-sm">
          <strong>{say`Found on this item before:`}</strong>{' '}
          {before
            .slice(0, 6)
            .map((find) => say`${find.place} (mend ${find.mendId})`)
            .join('; ')}
          {before.length > 6 ? say` and ${before.length - 6} more` : ''}. {say`Check that those still hold.`}
        </p>
      ) : null}
      <p className="mt-1 text-sm text-faint">{say`One leak does not rule out another: go on to the end.`}</p>
    </section>
  );
}

/** Whether a test works on the outer layer of a place. */
function fits(families: readonly string[], construction: Construction, catalogue: Catalogue, location: string): boolean {
  if (families.length === 0) return true;
  const place = construction.locations.find((each) => each.id === location);
  const layers = place?.layers ?? construction.layers;
  const outer = place?.fromBottom ? layers.at(-1) : layers[0];
  const substance = catalogue.substances.find((each) => each.id === outer?.substance);
  return families.some((family) => substance?.families.includes(family));
}

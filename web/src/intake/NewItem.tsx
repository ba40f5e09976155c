import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { useOnce } from '../api/once';
import { catalogueQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { MeasureField } from '../ui/MeasureField';
import { Problems } from '../ui/Notice';
import { familyWords } from '../ui/words';
import { say } from '../words/say';

type Item = Schemas['ItemView'];

const families = Object.entries(familyWords) as [Schemas['GearFamily'], string][];

interface Props {
  ready: boolean;
  /** What its button says. */
  words: string;
  onAdded: (item: Item) => void;
}

/** An item that was not here before. */
export function NewItem({ ready, words, onAdded }: Props) {
  const catalogue = useQuery(catalogueQuery);
  const queryClient = useQueryClient();
  const [tag, setTag] = useState('');
  const [name, setName] = useState('');
  const [construction, setConstruction] = useState('pu-polyester-board');
  const [family, setFamily] = useState<Schemas['GearFamily']>('boards');
  const [age, setAge] = useState(24);
  const built = (of: Schemas['GearFamily']) => (catalogue.data?.constructions ?? []).filter((each) => each.family === of);
  const pickFamily = (of: Schemas['GearFamily']) => {
    setFamily(of);
    const first = built(of)[0];
    if (first) setConstruction(first.id);
  };
  const once = useOnce();
  const add = useMutation({
    mutationFn: () =>
      ask(api.POST('/api/items', { params: { header: once(`item ${tag}`) }, body: { tag, name, construction, ageMonths: age, warranty: 'unknown' } })),
    onSuccess: (item) => {
      void queryClient.invalidateQueries({ queryKey: ['items'] });
      onAdded(item);
    },
  });
  const field = 'h-11 w-full rounded-sm border-2 border-line bg-sheet px-3';
  return (
    <form
      className="flex flex-col gap-4 border-l-2 border-ink pl-6"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <h2 className="text-2xl">{say`Add an item`}</h2>
      <label>
        <span className="lettering mb-1 block">{say`Tag`}</span>
        <input className={field} value={tag} onChange={(event) => setTag(event.target.value)} autoComplete="off" />
      </label>
      <label>
        <span className="lettering mb-1 block">{say`Name`}</span>
        <input className={field} value={name} onChange={(event) => setName(event.target.value)} autoComplete="off" />
      </label>
      <Choice label={say`Kind of gear`} value={family} options={families} onPick={pickFamily} />
      <Choice label={say`Construction`} value={construction} options={built(family).map((each) => [each.id, each.name] as const)} onPick={setConstruction} />
      <MeasureField label={say`Age`} path="item.ageMonths" value={age} step={1} onChange={setAge} />
      <Problems problems={problemsIn(add.error)} />
      <Button type="submit" look="main" disabled={!ready || add.isPending}>
        {words}
      </Button>
    </form>
  );
}

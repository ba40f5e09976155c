import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { catalogueQuery, itemsQuery } from '../api/queries';
import { useOnce } from '../api/once';
import type { Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { MeasureField } from '../ui/MeasureField';
import { Problems } from '../ui/Notice';
import { familyWords } from '../ui/words';
import { say } from '../words/say';
import { found } from './find';

type Item = Schemas['ItemView'];

const families = Object.entries(familyWords) as [Schemas['GearFamily'], string][];

/** More than a hand scrolls through. */
const shown = 40;

/** Pick what is hurt, from the fleet or a new one. */
export function FleetPage() {
  const items = useQuery(itemsQuery);
  const catalogue = useQuery(catalogueQuery);
  const ready = catalogue.data !== undefined;
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const once = useOnce();
  const [typed, setTyped] = useState('');
  const named = new Map(catalogue.data?.constructions.map((each) => [each.id, each.name]));
  const listed = found(items.data ?? [], typed, (item) => [item.tag, item.name, named.get(item.construction) ?? '']);
  const open = useMutation({
    mutationFn: (item: Item) => ask(api.POST('/api/mends', { params: { header: once(`mend ${item.id}`) }, body: { itemId: item.id, case: null } })),
    onSuccess: async (mend) => {
      queryClient.setQueryData(['mend', mend.id], mend);
      void queryClient.invalidateQueries({ queryKey: ['bench'] });
      await navigate({ to: '/mends/$id/$stage', params: { id: String(mend.id), stage: 'look' } });
    },
  });
  return (
    <div className="mx-auto grid max-w-[1500px] gap-8 px-5 py-5 lg:grid-cols-[minmax(0,1fr)_27rem]">
      <section>
        <div className="flex flex-wrap items-end justify-between gap-x-6">
          <h1 className="text-3xl">{say`What needs mending?`}</h1>
          <Link to="/gallery" className="inline-flex min-h-11 items-center text-act underline underline-offset-4">{say`Or open a worked example`}</Link>
        </div>
        <Problems problems={problemsIn(open.error)} />
        <label className="mt-3 block">
          <span className="lettering">{say`Find it by any word`}</span>
          <input
            type="search"
            className="mt-1 h-14 w-full rounded-sm border-2 border-strong-line bg-sheet px-4 text-xl"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <p role="status" className="min-h-6 text-faint">
          {listed.length > shown
            ? say`${listed.length} items: type another word to find yours`
            : typed && listed.length === 0
              ? say`Nothing here is called that. Add it beside.`
              : ''}
        </p>
        <ul className="grid gap-x-8 sm:grid-cols-2">
          {listed.slice(0, shown).map((item) => (
            <li key={item.id} className="border-b border-line">
              <button
                type="button"
                className="grid min-h-16 w-full grid-cols-[6.5rem_1fr] items-center text-left hover:bg-sheet"
                disabled={!ready || open.isPending}
                onClick={() => open.mutate(item)}
              >
                <span className="numeral text-2xl">{item.tag}</span>
                <span className="leading-tight">
                  <span className="block font-semibold">{item.name}</span>
                  <span className="text-sm text-faint">
                    {item.ageMonths === null ? say`age unknown` : say`${item.ageMonths} months`}
                    {item.mendCount === 1 ? say`, 1 mend` : item.mendCount > 1 ? say`, ${item.mendCount} mends` : ''}
                  </span>
                </span>
              </button>
            </li>
          ))}
        </ul>
        {items.data?.length === 0 ? <p className="mt-4 text-lg text-faint">{say`The fleet is empty. Add the first item.`}</p> : null}
      </section>
      <NewItem ready={ready} onAdded={(item) => open.mutate(item)} />
    </div>
  );
}

function NewItem({ ready, onAdded }: { ready: boolean; onAdded: (item: Item) => void }) {
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
      <Button type="submit" look="main" disabled={!ready || add.isPending}>{say`Add it and look`}</Button>
    </form>
  );
}

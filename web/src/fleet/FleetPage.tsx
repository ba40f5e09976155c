import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { problemsIn } from '../api/client';
import { catalogueQuery, itemsQuery } from '../api/queries';
import { Problems } from '../ui/Notice';
import { tagIn } from '../scan/address';
import { Scan } from '../scan/Scan';
import { say } from '../words/say';
import { found } from '../intake/find';
import { NewItem } from '../intake/NewItem';
import { useOpenMend } from '../intake/useOpenMend';

/** More than a hand scrolls through. */
const shown = 40;

/** Pick what is hurt, from the fleet or a new one. */
export function FleetPage() {
  const items = useQuery(itemsQuery);
  const catalogue = useQuery(catalogueQuery);
  const [typed, setTyped] = useState('');
  const words = tagIn(typed).trim();
  const queryClient = useQueryClient();
  const named = new Map(catalogue.data?.constructions.map((each) => [each.id, each.name]));
  const listed = found(items.data ?? [], words, (item) => [item.tag, item.name, named.get(item.construction) ?? '']);
  const open = useOpenMend();
  // A scanner is quicker than the list of a large fleet.
  const scanned = async (code: string) => {
    const tag = tagIn(code).trim();
    const item = (items.data ?? (await queryClient.query(itemsQuery))).find((each) => each.tag.toLowerCase() === tag.toLowerCase());
    if (!item) return say`There is no item ${tag} here.`;
    if (!open.isPending) open.mutate(item.id);
    return null;
  };
  return (
    <div className="mx-auto grid max-w-[1500px] gap-8 px-5 py-5 lg:grid-cols-[minmax(0,1fr)_27rem]">
      <section>
        <div className="flex flex-wrap items-end justify-between gap-x-6">
          <h1 className="text-3xl">{say`What needs mending?`}</h1>
          <Link to="/gallery" className="inline-flex min-h-11 items-center text-act underline underline-offset-4">{say`Or open a worked example`}</Link>
        </div>
        <Problems problems={problemsIn(open.error ?? (items.data ? null : items.error))} />
        <form
          className="mt-3 flex items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void scanned(typed);
          }}
        >
          <label className="min-w-0 flex-1">
            <span className="lettering">{say`Find it by any word, or scan its label`}</span>
            <input
              type="search"
              className="mt-1 h-14 w-full rounded-sm border-2 border-strong-line bg-sheet px-4 text-xl"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
            />
          </label>
          <Scan title={say`Scan the label of an item`} onRead={scanned} />
        </form>
        <p role="status" className="min-h-6 text-faint">
          {listed.length > shown
            ? say`${listed.length} items: type another word to find yours`
            : words && listed.length === 0
              ? say`Nothing here is called that. Add it beside.`
              : ''}
        </p>
        <ul className="grid gap-x-8 sm:grid-cols-2">
          {listed.slice(0, shown).map((item) => (
            <li key={item.id} className="border-b border-line">
              <button
                type="button"
                className="grid min-h-16 w-full grid-cols-[6.5rem_1fr] items-center text-left hover:bg-sheet"
                disabled={open.isPending}
                onClick={() => open.mutate(item.id)}
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
      <NewItem ready={catalogue.data !== undefined} words={say`Add it and look`} onAdded={(item) => open.mutate(item.id)} />
    </div>
  );
}

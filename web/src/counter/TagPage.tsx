import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import { problemsIn } from '../api/client';
import { benchQuery, catalogueQuery, itemsQuery } from '../api/queries';
import { useOpenMend } from '../intake/useOpenMend';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';

const row = 'flex min-h-16 items-center justify-between gap-4 border-b border-line text-xl hover:bg-sheet';

/** What the code on an item opens: what is done with it now, and what was done before. */
export function TagPage() {
  const { tag } = useParams({ from: '/tags/$tag' });
  const items = useQuery(itemsQuery);
  const bench = useQuery(benchQuery);
  const catalogue = useQuery(catalogueQuery);
  const item = items.data?.find((each) => each.tag === tag);
  const open = useOpenMend();
  if (!items.data || !bench.data) return <div className="p-5">{items.error ? <Problems problems={problemsIn(items.error)} /> : say`Loading …`}</div>;
  if (!item) return <p className="p-5 text-xl">{say`There is no item ${tag} here.`}</p>;
  const running = bench.data.entries.filter((each) => each.tag === tag);
  const drafts = bench.data.drafts.filter((each) => each.tag === tag);
  return (
    <div className="mx-auto max-w-2xl px-5 py-5">
      <h1 className="numeral text-4xl">{item.tag}</h1>
      <p className="text-xl">{item.name}</p>
      <p className="text-faint">{catalogue.data?.constructions.find((each) => each.id === item.construction)?.name}</p>
      <div className="mt-4 border-t-2 border-ink">
        {running.map((mend) => (
          <Link key={mend.id} to="/mends/$id/$stage" params={{ id: String(mend.id), stage: 'mend' }} className={row}>
            <span>{say`Mend ${mend.id} is under way`}</span>
            <span className="text-base text-faint">{mend.stepTitle}</span>
          </Link>
        ))}
        {drafts.map((mend) => (
          <Link key={mend.id} to="/mends/$id/$stage" params={{ id: String(mend.id), stage: 'look' }} className={row}>
            <span>{say`Mend ${mend.id} is not begun`}</span>
          </Link>
        ))}
        <Link to="/log" search={{ q: item.tag }} className={row}>
          <span>{say`What was done before`}</span>
          <span className="numeral">{item.mendCount - running.length - drafts.length}</span>
        </Link>
      </div>
      <div className="mt-4">
        <Problems problems={problemsIn(open.error)} />
        <Button
          look={running.length + drafts.length > 0 ? 'plain' : 'main'}
          size="hand"
          disabled={open.isPending}
          onClick={() => open.mutate(item.id)}
        >{say`Start a mend`}</Button>
      </div>
    </div>
  );
}

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { api, ask, problemsIn } from '../api/client';
import { heard } from '../api/heard';
import { shelfQuery, usesQuery } from '../api/queries';
import { lookWords, paceWords } from '../measures/pace';
import { when } from '../measures/time';
import { useNow } from '../shop/clock';
import { amount, typedAmount, unitName } from '../measures/stock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { LotForm } from './LotForm';
import { LotLabel } from './LotLabel';
import { whole, type Lot, type LotView } from './shelfView';
import { goodFor } from './Tin';
import { usePutLot } from './usePutLot';

/** One lot: how much is left, what was done with it, and who got something of it. */
export function LotPanel({ lot, today, onClose }: { lot: LotView; today: string; onClose: () => void }) {
  const [editing, setEditing] = useState(false);
  const put = usePutLot(() => setEditing(false));
  const kept = whole(lot.lot);
  const change = (changed: Partial<Lot>) => put.mutate({ lot: { ...kept, ...changed }, was: kept });
  if (editing) return <LotForm was={kept} start={kept} title={lot.title} fixed={kept.id !== null} put={put} onClose={() => setEditing(false)} />;
  return (
    <section aria-label={lot.name} className="border-2 border-ink bg-sheet p-4">
      <div className="flex items-start justify-between gap-3">
        <h2 className="text-2xl leading-tight">
          <span className="numeral mr-2">{lot.name}</span>
          {lot.title}
        </h2>
        <Button look="quiet" onClick={onClose}>{say`Close`}</Button>
      </div>
      <p className="text-lg">
        {[kept.openedOn ? say`opened ${kept.openedOn}` : say`sealed`, goodFor(lot), lot.lot.batch && say`batch ${lot.lot.batch}`, lot.lot.standsAt]
          .filter(Boolean)
          .join(', ')}
      </p>
      {lot.pace ? (
        <p>
          {say`From what was felt:`} {paceWords(lot.pace.rate)} ({lookWords(lot.pace.looks)}).
        </p>
      ) : null}
      {lot.lot.had ? <Count key={lot.name + String(lot.left)} lot={lot} /> : null}
      <div className="mt-3 flex flex-wrap gap-2">
        {lot.lot.openedOn ? null : <Button onClick={() => change({ openedOn: today })}>{say`Opened today`}</Button>}
        <Button onClick={() => setEditing(true)}>{lot.lot.had ? say`Change it` : say`Name it and count it`}</Button>
        {lot.lot.goneOn ? (
          <Button onClick={() => change({ goneOn: null })}>{say`It is there after all`}</Button>
        ) : (
          <Button look="stop" onClick={() => change({ goneOn: today })}>{say`Used up`}</Button>
        )}
      </div>
      <div className="mt-3 empty:mt-0">
        <Problems problems={problemsIn(put.error)} />
      </div>
      <LotLabel lot={lot} />
      <Uses lot={lot} />
    </section>
  );
}

const shares = [
  [1, say`Full`],
  [0.75, '¾'],
  [0.5, '½'],
  [0.25, '¼'],
  [0, say`Empty`],
] as const;

function Count({ lot }: { lot: LotView }) {
  const { units } = useUnits();
  const queryClient = useQueryClient();
  const { unit } = whole(lot.lot);
  const typed = typedAmount(unit);
  const [left, setLeft] = useState(Math.max(0, lot.left ?? 0));
  const count = useMutation({
    mutationFn: (value: number) => ask(api.POST('/api/shelf/{name}/count', { params: { path: { name: lot.name } }, body: { left: value } })),
    onSuccess: (view) => heard(queryClient, shelfQuery.queryKey, view),
  });
  const had = lot.lot.had ?? 0;
  return (
    <div className="mt-3">
      <p className="lettering">{say`Left of ${amount(had, unit, units)}`}</p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {shares.map(([share, word]) => (
          <Button key={share} className="min-h-14 min-w-14" onClick={() => count.mutate(had * share)}>
            {word}
          </Button>
        ))}
      </div>
      <div className="mt-2 flex items-end gap-2">
        <NumberField
          label={say`Or exactly`}
          value={typed.shown(left, units)}
          unit={unitName(unit, units)}
          step={1}
          onChange={(shown) => setLeft(typed.kept(shown, units))}
        />
        <Button look="main" disabled={Number.isNaN(left) || count.isPending} onClick={() => count.mutate(left)}>{say`Counted`}</Button>
      </div>
      <Problems problems={problemsIn(count.error)} />
    </div>
  );
}

function Uses({ lot }: { lot: LotView }) {
  const uses = useQuery(usesQuery(lot.name));
  const { units } = useUnits();
  const now = useNow();
  const zone = useZone();
  if (!uses.data) return null;
  return (
    <div className="mt-4 border-t border-line pt-3">
      <h3 className="text-lg">{say`Mends that took of it`}</h3>
      {uses.data.length === 0 ? <p className="text-faint">{say`None so far.`}</p> : null}
      <ul>
        {uses.data.map((use) => (
          <li key={use.mend} className="flex flex-wrap items-baseline justify-between gap-x-3 border-b border-line py-1.5">
            <Link to="/mends/$id/$stage" params={{ id: String(use.mend), stage: 'mend' }} className="min-h-11 font-semibold underline underline-offset-4">
              {use.tag} {use.itemName}
            </Link>
            <span>
              {amount(use.amount, whole(lot.lot).unit, units)}, {when(use.at, now, zone)}
              {use.handedBackAt ? say`, handed back` : say`, still here`}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

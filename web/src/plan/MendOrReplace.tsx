import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { problemsIn } from '../api/client';
import { mendOrReplaceQuery } from '../api/queries';
import { money } from '../measures/money';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';

const field = 'h-11 w-full rounded-sm border-2 border-strong-line bg-sheet px-3';

const numberIn = (text: string): number | null =>
  text.trim() === '' || !Number.isFinite(Number(text.replace(',', '.'))) ? null : Number(text.replace(',', '.'));

interface Props {
  id: number;
  version: number;
  currency: string;
}

/** What the mend and its risk cost against a new one, once it is said what a new one costs and how long things serve. */
export function MendOrReplace({ id, version, currency }: Props) {
  const [price, setPrice] = useState('');
  const [serves, setServes] = useState('');
  const [left, setLeft] = useState('');
  const asked = { price: numberIn(price), servesMonths: numberIn(serves), leftMonths: numberIn(left) };
  const { data, error } = useQuery(mendOrReplaceQuery(id, version, asked));
  const text = (label: string, value: string, change: (text: string) => void) => (
    <label>
      <span className="lettering block">{label}</span>
      <input className={field} inputMode="decimal" value={value} onChange={(event) => change(event.target.value)} />
    </label>
  );
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-act">{say`Mend or replace`}</summary>
      <div className="grid gap-3 sm:grid-cols-3">
        {text(say`A new one costs, ${currency}`, price, setPrice)}
        {text(say`A new one serves, months`, serves, setServes)}
        {text(say`This one has left, months`, left, setLeft)}
      </div>
      <div role="status" className="min-h-14 py-2">
        <Problems problems={problemsIn(error)} />
        {data ? (
          <>
            <p className="text-lg font-bold">
              {data.mend
                ? say`Mending is the cheaper way.`
                : data.worthUpTo > 0
                  ? say`A new one is the cheaper way: a mend is worth up to ${money(data.worthUpTo, currency)}.`
                  : say`A new one is the cheaper way.`}
            </p>
            <p className="text-faint">
              {say`For the months that are left, mending costs ${money(data.mendCost, currency)}, ${money(data.riskCost, currency)} of it for the ${(data.failShare * 100).toFixed(0)} in 100 that fail before they are over; that part of a new one costs ${money(data.replaceCost, currency)}.`}{' '}
              {data.seen.mends > 0
                ? say`How many fail goes by ${data.seen.mends} such mends that were looked at again here, ${data.seen.failed} of which had failed.`
                : say`How many fail is from memory.`}
            </p>
          </>
        ) : null}
      </div>
    </details>
  );
}

import { clock } from '../measures/time';
import { useZone } from '../shop/zone';
import { say } from '../words/say';
import { timesOf, type CupLabel as Written, type LabelledMend } from './cupLabels';

/** One label: what goes in, how long it may be used, and by which clock once that runs. */
export function CupLabel({ label, mend }: { label: Written; mend: LabelledMend }) {
  const zone = useZone();
  const { mixedAt, useBy } = timesOf(mend, label.stepId);
  return (
    <div className="break-inside-avoid border-2 border-dashed border-ink p-3">
      <p className="flex items-baseline justify-between gap-3">
        <strong className="numeral text-3xl">{mend.tag}</strong>
        <span>{say`Mend ${mend.id}`}</span>
      </p>
      <p className="text-lg leading-tight font-bold">{label.title}</p>
      <p className="leading-tight text-faint">
        {mend.plan.damages.length > 1 ? `[${label.damages.join(', ')}] ` : ''}
        {mend.plan.damages[label.damages[0]! - 1]?.system?.materialName}
      </p>
      <dl className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 border-y border-line py-1">
        {label.parts.map((part) => (
          <div key={part.name} className="contents">
            <dt>{part.name}</dt>
            <dd className="numeral text-right text-lg">{part.amount}</dd>
          </div>
        ))}
      </dl>
      {label.cups > 1 ? (
        <p className="font-bold">{say`This goes into each of ${label.cups} cups, one after another: mix the next when this one is spread.`}</p>
      ) : null}
      {label.shares.length > 0 ? (
        <ul className="mt-1 font-bold">
          {label.shares.map((share) => (
            <li key={share}>{share}</li>
          ))}
        </ul>
      ) : null}
      {label.warning ? <p className="mt-1 border-l-4 border-ink pl-2 leading-tight font-bold">{label.warning}</p> : null}
      <p className="mt-1">{label.useWithin ? <strong>{say`Use it within ${label.useWithin}.`}</strong> : <strong>{say`Keep it in the dark.`}</strong>}</p>
      <p className="mt-3 grid grid-cols-2 gap-4">
        <Filled words={say`Mixed at`} at={mixedAt ? clock(mixedAt, zone) : null} />
        <Filled words={label.useWithin ? say`Discard after` : say`By`} at={label.useWithin && useBy ? clock(useBy, zone) : null} />
      </p>
    </div>
  );
}

/** What the bench knows by now stands there; the rest is left to a pen. */
function Filled({ words, at }: { words: string; at: string | null }) {
  return (
    <span className="border-b border-dotted border-ink pb-0.5">
      {words} {at ? <strong className="numeral text-xl">{at}</strong> : null}
    </span>
  );
}

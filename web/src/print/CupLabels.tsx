import { useUnits } from '../shop/units';
import { cupLabels, type CupLabel, type SharedCups } from './cupLabels';
import { Paper, type PlannedMend } from './Paper';
import { say } from '../words/say';

/** Labels to cut out and tape to the cups: what goes in, and how long it may be used. */
export const CupLabels = () => <Paper from="plan" of={Labels} />;

function Labels({ mend }: { mend: PlannedMend }) {
  const { units } = useUnits();
  const labels = cupLabels(mend.plan, units, togetherOf(mend));
  return (
    <>
      <h1 className="no-print mb-3 text-3xl">{say`Cup labels, ${mend.tag}`}</h1>
      {labels.length === 0 ? <p className="text-lg">{say`Nothing is mixed in this mend.`}</p> : null}
      <ul className="grid grid-cols-2 gap-4">
        {labels.map((label) => (
          <Label key={label.stepId} label={label} mend={mend} />
        ))}
      </ul>
    </>
  );
}

/** The cups that are shared as the mend now stands. */
const togetherOf = (mend: PlannedMend): SharedCups =>
  new Map(
    (mend.run?.fronts ?? []).flatMap((front) =>
      front.together ? [[mend.plan.steps.find((step) => step.id === front.stepId)?.uses ?? front.stepId, front.together]] : [],
    ),
  );

function Label({ label, mend }: { label: CupLabel; mend: PlannedMend }) {
  return (
    <li className="break-inside-avoid border-2 border-dashed border-ink p-3">
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
        <span className="border-b border-dotted border-ink pb-0.5">{say`Mixed at`}</span>
        <span className="border-b border-dotted border-ink pb-0.5">{label.useWithin ? say`Discard after` : say`By`}</span>
      </p>
    </li>
  );
}

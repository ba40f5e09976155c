import { CupLabel } from '../label/CupLabel';
import { cupLabels } from '../label/cupLabels';
import { useUnits } from '../shop/units';
import { Paper, type PlannedMend } from './Paper';
import { say } from '../words/say';

/** Labels to cut out and tape to the cups: what goes in, and how long it may be used. */
export const CupLabels = () => <Paper from="plan" of={Labels} />;

function Labels({ mend }: { mend: PlannedMend }) {
  const { units } = useUnits();
  const labels = cupLabels(mend, units);
  return (
    <>
      <h1 className="no-print mb-3 text-3xl">{say`Cup labels, ${mend.tag}`}</h1>
      {labels.length === 0 ? <p className="text-lg">{say`Nothing is mixed in this mend.`}</p> : null}
      <ul className="grid grid-cols-2 gap-4">
        {labels.map((label) => (
          <li key={label.stepId}>
            <CupLabel label={label} mend={mend} />
          </li>
        ))}
      </ul>
    </>
  );
}

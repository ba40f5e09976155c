import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { problemsIn } from '../api/client';
import { shelfQuery } from '../api/queries';
import { CodeLabel } from '../label/CodeLabel';
import { lotLines } from '../label/lotLines';
import { addressOfLot } from '../scan/address';
import { Problems } from '../ui/Notice';
import { say } from '../words/say';
import { Sheet } from './Paper';

/** A label for each lot that has a name, to be cut out and stuck on: scanned, it is there to be counted. */
export function LotLabels() {
  const shelf = useQuery(shelfQuery);
  if (!shelf.data) return <div className="p-5">{shelf.error ? <Problems problems={problemsIn(shelf.error)} /> : say`Loading …`}</div>;
  const named = shelf.data.lots.filter((each) => each.lot.id).sort((one, other) => one.name.localeCompare(other.name, undefined, { numeric: true }));
  return (
    <Sheet back={<Link to="/shelf" className="inline-flex min-h-11 items-center underline underline-offset-4">{say`Back to the shelf`}</Link>}>
      <h1 className="no-print mb-3 text-3xl">{say`Labels of the lots`}</h1>
      {named.length === 0 ? <p className="text-lg">{say`No lot has a name written on it yet.`}</p> : null}
      <ul aria-label={say`Labels of the lots`} className="grid gap-4 sm:grid-cols-2 print:grid-cols-2">
        {named.map((lot) => (
          <CodeLabel key={lot.name} code={addressOfLot(lot.name)} name={lot.name} lines={lotLines(lot)} />
        ))}
      </ul>
    </Sheet>
  );
}

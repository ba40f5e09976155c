import { useQuery } from '@tanstack/react-query';
import { heldQuery } from '../api/queries';
import { say } from '../words/say';

/** How the mends of each method have held here, as those who looked again have seen. */
export function HowTheyHeld() {
  const { data } = useQuery(heldQuery);
  if (!data || data.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-act">{say`How mends have held here`}</summary>
      <div className="overflow-x-auto">
        <table className="text-left">
          <thead>
            <tr className="lettering">
              <th className="py-1 pr-6 font-medium">{say`Method`}</th>
              <th className="py-1 pr-6 text-right font-medium">{say`Looked at`}</th>
              <th className="py-1 pr-6 text-right font-medium">{say`Failed`}</th>
              <th className="py-1 pr-6 text-right font-medium">{say`Years in use`}</th>
              <th className="py-1 text-right font-medium">{say`Expected to fail in a year`}</th>
            </tr>
          </thead>
          <tbody>
            {data.map(({ method, name, seen, failAYear }) => (
              <tr key={method} className="border-t border-line">
                <td className="py-1 pr-6">{name}</td>
                <td className="numeral py-1 pr-6 text-right">{seen.mends}</td>
                <td className="numeral py-1 pr-6 text-right">{seen.failed}</td>
                <td className="numeral py-1 pr-6 text-right">{seen.years.toFixed(1)}</td>
                <td className="numeral py-1 text-right">{say`${(failAYear * 100).toFixed(0)} in 100`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 max-w-prose text-sm text-faint">{say`What is expected goes by what is generally found, corrected by what was seen here: the more was seen, the more it counts.`}</p>
    </details>
  );
}

import type { PlannedDamage, Schemas } from '../api/types';
import { measure } from '../measures/units';
import { useUnits } from '../shop/units';
import { offcutSheets } from './offcutSheet';
import { say } from '../words/say';

interface Props {
  placements: readonly Schemas['Placement'][];
  damages: readonly PlannedDamage[];
  offcuts: readonly Schemas['Offcut'][] | null | undefined;
  leaves: readonly Schemas['PieceLeft'][] | null | undefined;
}

/** The offcuts that patches are cut from, with the patches where they lie, and what is kept of them. */
export function OffcutSheets({ placements, damages, offcuts, leaves }: Props) {
  const { units } = useUnits();
  const sheets = offcutSheets(placements, damages, offcuts ?? [], { width: 240, height: 100 });
  if (sheets.length === 0) return null;
  return (
    <div className="flex w-full flex-wrap items-end gap-6">
      {sheets.map((sheet) => (
        <figure key={sheet.id}>
          <svg
            viewBox={`-1 -1 ${sheet.width + 2} ${sheet.height + 2}`}
            width={sheet.width + 2}
            height={sheet.height + 2}
            role="img"
            aria-label={say`Cut from ${sheet.words}`}
          >
            <rect width={sheet.width} height={sheet.height} fill="var(--line)" stroke="var(--ink)" strokeWidth={1.5} />
            {sheet.patches.map((patch) => (
              <path key={patch.name} d={patch.path} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="6 3" />
            ))}
            {sheet.patches.map((patch) => (
              <text key={patch.name} x={patch.at.x} y={patch.at.y + 6} textAnchor="middle" fontSize={18} fontWeight={700} fill="var(--ink)">
                {patch.name}
              </text>
            ))}
          </svg>
          <figcaption className="text-sm text-faint">
            {say`Offcut “${sheet.id}”`}
            {(leaves ?? [])
              .filter((left) => left.offcut === sheet.id)
              .map((left, i) => (
                <span key={i} className="block">
                  {say`Keep ${measure(left.lengthMm, 'mm', 0, units)} × ${measure(left.widthMm, 'mm', 0, units)}`}
                </span>
              ))}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

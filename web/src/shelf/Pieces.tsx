import { Link } from '@tanstack/react-router';
import type { Schemas } from '../api/types';
import { measure } from '../measures/units';
import { useUnits } from '../shop/units';
import { say } from '../words/say';

/** The longest piece of a material is drawn so wide, the others in its scale. */
const widestPx = 220;

/** Pieces of cloth that are left over, to scale: what is cut off a piece comes off here, and what is left is kept. */
export function Pieces({ pieces, words }: { pieces: Schemas['ShelfView']['pieces']; words: string }) {
  const { units } = useUnits();
  const asked = words.trim().toLowerCase();
  const shown = pieces.filter(({ piece, title }) => `${piece.id} ${title}`.toLowerCase().includes(asked));
  if (shown.length === 0) return null;
  const pxPerMm = Math.min(...shown.map(({ piece }) => Math.min(widestPx / piece.lengthMm, 110 / piece.widthMm)));
  return (
    <section aria-label={say`Offcuts`} className="mb-6">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3 border-b-8 border-strong-line">
        {shown.map(({ piece, title, heldFor }) => (
          <figure key={piece.id} className="max-w-56">
            <figcaption className="text-sm leading-tight">
              <strong className="block">{piece.id}</strong>
              <span className="block text-faint">{title}</span>
              <span className="numeral block">{`${measure(piece.lengthMm, 'mm', 0, units)} × ${measure(piece.widthMm, 'mm', 0, units)}`}</span>
              {heldFor == null ? null : (
                <Link
                  to="/mends/$id/$stage"
                  params={{ id: String(heldFor), stage: 'mend' }}
                  className="inline-flex min-h-11 items-center text-act underline underline-offset-4"
                >
                  {say`Kept for mend ${heldFor}`}
                </Link>
              )}
            </figcaption>
            <div
              className={`mt-1 border-2 border-b-0 border-ink ${heldFor ? 'bg-line' : 'bg-sheet'}`}
              style={{ width: Math.max(6, piece.lengthMm * pxPerMm), height: Math.max(6, piece.widthMm * pxPerMm) }}
            />
          </figure>
        ))}
      </div>
      <h2 className="lettering mt-1">{say`Offcuts`}</h2>
    </section>
  );
}

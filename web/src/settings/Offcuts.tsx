import { useState } from 'react';
import { useUnits } from '../shop/units';
import type { Catalogue, Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { length } from '../measures/units';
import { say } from '../words/say';

type Settings = Schemas['ShopSettings'];

/** Pieces that are left over: the plan fits its patches on them before it cuts into a roll. */
export function Offcuts({ mine, setMine, catalogue }: { mine: Settings; setMine: (settings: Settings) => void; catalogue: Catalogue }) {
  const { units } = useUnits();
  const stock = [...catalogue.materials, ...(mine.products ?? [])].filter((material) => material.role === 'cloth' || material.role === 'patch-stock');
  const offcuts = mine.offcuts ?? [];
  const [name, setName] = useState('');
  const [material, setMaterial] = useState(stock[0]?.id ?? '');
  const [long, setLong] = useState('');
  const [wide, setWide] = useState('');
  const set = (next: Schemas['Offcut'][]) => setMine({ ...mine, offcuts: next });
  const size = (text: string) => length.kept(Number(text.replace(',', '.')), units);
  const ready = name.trim() !== '' && size(long) > 0 && size(wide) > 0;
  const add = () => {
    set([...offcuts, { id: name.trim(), material, lengthMm: size(long), widthMm: size(wide) }]);
    setName('');
    setLong('');
    setWide('');
  };
  const field = 'h-11 w-full rounded-sm border-2 border-line bg-sheet px-3';
  return (
    <section className="lg:col-span-2" aria-label={say`Offcuts`}>
      <h2 className="text-xl">{say`Offcuts`}</h2>
      <div className="mt-1 grid items-end gap-3 sm:grid-cols-[1fr_1.4fr_7rem_7rem_auto]">
        <label>
          <span className="lettering block">{say`Label on it`}</span>
          <input className={field} maxLength={40} value={name} onChange={(event) => setName(event.target.value)} />
        </label>
        <label>
          <span className="lettering block">{say`Material`}</span>
          <select className={field} value={material} onChange={(event) => setMaterial(event.target.value)}>
            {stock.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="lettering block">{say`Length, ${length.unit(units)}`}</span>
          <input className={field} inputMode="decimal" value={long} onChange={(event) => setLong(event.target.value)} />
        </label>
        <label>
          <span className="lettering block">{say`Width, ${length.unit(units)}`}</span>
          <input className={field} inputMode="decimal" value={wide} onChange={(event) => setWide(event.target.value)} />
        </label>
        <Button onClick={add} disabled={!ready}>{say`Add the offcut`}</Button>
      </div>
      <ul className="mt-1 grid gap-x-10 md:grid-cols-2">
        {offcuts.map((piece) => (
          <li key={piece.id} className="flex min-h-12 items-center justify-between gap-3 border-b border-line">
            <span>
              <strong>{piece.id}</strong> <span className="text-faint">{stock.find((each) => each.id === piece.material)?.name ?? piece.material}</span>
            </span>
            <span className="flex items-center gap-3">
              <span className="numeral">
                {length.shown(piece.lengthMm, units)} × {length.shown(piece.widthMm, units)} {length.unit(units)}
              </span>
              <Button onClick={() => set(offcuts.filter((each) => each !== piece))}>{say`Used up`}</Button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

import { useState } from 'react';
import type { Schemas } from '../api/types';
import { say } from '../words/say';

type Settings = Schemas['ShopSettings'];
type Rates = Schemas['Rates'];

const none: Rates = { currency: '', hourRate: 0, minimum: 0, consumablesPercent: 0, taxPercent: 0 };

/** What the shop asks for its work: every plan is estimated by it. */
export function Money({ mine, setMine }: { mine: Settings; setMine: (settings: Settings) => void }) {
  const rates = mine.rates ?? none;
  const set = (change: Partial<Rates>) => {
    const next = { ...rates, ...change };
    // Who names no money asks for none: nothing is estimated then.
    setMine({ ...mine, rates: next.currency.trim() === '' ? null : next });
  };
  return (
    <section className="lg:col-span-2" aria-label={say`What the shop asks`}>
      <h2 className="text-xl">{say`What the shop asks`}</h2>
      <div className="mt-1 grid gap-3 sm:grid-cols-5">
        <label>
          <span className="lettering block">{say`Money`}</span>
          <input
            className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3"
            maxLength={8}
            placeholder="EUR"
            value={rates.currency}
            onChange={(event) => set({ currency: event.target.value })}
          />
        </label>
        <Sum label={say`For an hour of hands`} value={rates.hourRate} onChange={(hourRate) => set({ hourRate })} off={!rates.currency} />
        <Sum label={say`At least, for a mend`} value={rates.minimum} onChange={(minimum) => set({ minimum })} off={!rates.currency} />
        <Sum
          label={say`Consumables, % of labour`}
          value={rates.consumablesPercent}
          onChange={(consumablesPercent) => set({ consumablesPercent })}
          off={!rates.currency}
        />
        <Sum label={say`Tax, %`} value={rates.taxPercent} onChange={(taxPercent) => set({ taxPercent })} off={!rates.currency} />
      </div>
      <p className="mt-1 text-sm text-faint">{say`Material is priced by the lots on the shelf. Without a name for the money nothing is estimated.`}</p>
    </section>
  );
}

function Sum({ label, value, onChange, off }: { label: string; value: number; onChange: (value: number) => void; off: boolean }) {
  const [text, setText] = useState(String(value));
  const typed = Number(text.replace(',', '.'));
  const wrong = text.trim() === '' || !(typed >= 0);
  return (
    <label>
      <span className="lettering block">{label}</span>
      <input
        inputMode="decimal"
        disabled={off}
        className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3 aria-invalid:border-late"
        aria-invalid={wrong}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          const next = Number(event.target.value.replace(',', '.'));
          if (event.target.value.trim() !== '' && next >= 0) onChange(next);
        }}
      />
    </label>
  );
}

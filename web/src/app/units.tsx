import { createContext, use, useState, type ReactNode } from 'react';
import type { Units } from '../ui/units';

const key = 'able-mend.units';

interface UnitsChoice {
  units: Units;
  choose: (units: Units) => void;
}

const UnitsContext = createContext<UnitsChoice>({ units: 'metric', choose: () => undefined });

/** Remembers the units on this device; a device that never chose follows the shop. */
export function UnitsProvider({ shop, children }: { shop: Units; children: ReactNode }) {
  const [chosen, setChosen] = useState(() => localStorage.getItem(key) as Units | null);
  const choose = (units: Units) => {
    localStorage.setItem(key, units);
    setChosen(units);
  };
  return <UnitsContext value={{ units: chosen ?? shop, choose }}>{children}</UnitsContext>;
}

export const useUnits = () => use(UnitsContext);

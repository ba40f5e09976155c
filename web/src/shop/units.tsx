import { useQueryClient } from '@tanstack/react-query';
import { createContext, use, useState, type ReactNode } from 'react';
import { speakIn } from '../api/client';
import type { Units } from '../measures/units';

const key = 'able-mend.units';

interface UnitsChoice {
  units: Units;
  choose: (units: Units) => void;
}

const UnitsContext = createContext<UnitsChoice>({ units: 'metric', choose: () => undefined });

/** Remembers the units on this device; a device that never chose follows the shop. Sentences are asked for anew in them. */
export function UnitsProvider({ shop, children }: { shop: Units; children: ReactNode }) {
  const queryClient = useQueryClient();
  const [chosen, setChosen] = useState(() => localStorage.getItem(key) as Units | null);
  const units = chosen ?? shop;
  speakIn(units);
  const choose = (next: Units) => {
    localStorage.setItem(key, next);
    speakIn(next);
    setChosen(next);
    void queryClient.invalidateQueries();
  };
  return <UnitsContext value={{ units, choose }}>{children}</UnitsContext>;
}

export const useUnits = () => use(UnitsContext);

import { useState, type ReactNode } from 'react';
import type { MendDesk } from '../desk/damageInHand';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

/** It belongs to the device: what hangs on the wall is read from afar at every mend. */
const place = 'able-mend-from-afar';

/** Whether this device is read from afar, and how that is turned. */
export function useAfar(): [boolean, () => void] {
  const [on, setOn] = useState(() => localStorage.getItem(place) === 'on');
  const turn = () => {
    if (on) localStorage.removeItem(place);
    else localStorage.setItem(place, 'on');
    setOn(!on);
  };
  useKeys(['f'], turn);
  return [on, turn];
}

/** The step in hand over the whole of the screen, so large that it is read from two metres; the alarms stay above it. */
export function Afar({ on, turn, desk, sideways, children }: { on: boolean; turn: () => void; desk: MendDesk; sideways: ReactNode; children: ReactNode }) {
  return (
    <div className={on ? 'afar fixed inset-0 z-10 flex flex-col gap-4 overflow-y-auto bg-paper px-[3vw] pt-3 pb-28' : 'flex flex-col gap-4'}>
      {on ? (
        <p className="flex flex-wrap items-center justify-between gap-x-5 border-b border-ink pb-2">
          <span className="numeral text-4xl leading-none">{desk.mend.tag}</span>
          <span className="min-w-0 flex-1 font-semibold">{desk.mend.itemName}</span>
          <Turn onClick={turn}>{say`Close up`}</Turn>
        </p>
      ) : null}
      {children}
      <div className="flex flex-wrap items-start gap-3">
        {sideways}
        {on ? null : <Turn onClick={turn}>{say`Read it from afar`}</Turn>}
      </div>
    </div>
  );
}

function Turn({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <Button className="min-h-14 self-start" onClick={onClick}>
      {children} <kbd className="text-sm opacity-80">F</kbd>
    </Button>
  );
}

import type { Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { say } from '../words/say';
import { DeviceFields, DeviceKind, usualDevices } from './Device';

type NamedDevice = Schemas['NamedDevice'];

/** A device to begin from: what a shop most often has beside the cup. */
const another = (count: number): NamedDevice => ({ name: say`Scale ${count}`, device: { ...usualDevices.scale, stepG: 0.1 } as NamedDevice['device'] });

/** What else a shop measures with: each under its own name and with its own steps, to be picked where a mend is planned. */
export function Devices({ devices, onChange }: { devices: NamedDevice[]; onChange: (devices: NamedDevice[]) => void }) {
  const set = (i: number, change: Partial<NamedDevice>) => onChange(devices.map((each, k) => (k === i ? { ...each, ...change } : each)));
  return (
    <div role="group" aria-label={say`Other devices`} className="grid gap-3">
      {devices.map((each, i) => (
        <div key={i} className="grid gap-3 border-l-4 border-line pl-3">
          <div className="flex flex-wrap items-end gap-3">
            <label className="min-w-0 flex-1">
              <span className="lettering block">{say`Device`}</span>
              <input
                className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3"
                maxLength={40}
                value={each.name}
                onChange={(event) => set(i, { name: event.target.value })}
              />
            </label>
            <Button onClick={() => onChange(devices.filter((_, k) => k !== i))}>{say`Remove ${each.name}`}</Button>
          </div>
          <DeviceKind label={say`What it is`} device={each.device} onChange={(device) => set(i, { device })} />
          <DeviceFields device={each.device} onChange={(device) => set(i, { device })} />
        </div>
      ))}
      <div>
        <Button onClick={() => onChange([...devices, another(devices.length + 2)])}>{say`Another device`}</Button>
      </div>
    </div>
  );
}

import type { MendDesk } from '../desk/damageInHand';
import { DeviceChoice, useDevices, type Device } from '../desk/DeviceChoice';
import { say } from '../words/say';

/** Another device for what is still to be mixed: a scale goes flat, syringes are at hand. */
export function OtherDevice({ desk }: { desk: MendDesk }) {
  const device = desk.mend.run?.device;
  return device ? <Offered desk={desk} device={device} /> : null;
}

function Offered({ desk, device }: { desk: MendDesk; device: Device }) {
  if (useDevices(device).length < 2) return null;
  return (
    <details>
      <summary className="min-h-14 cursor-pointer content-center text-lg">{say`Measure it with something else`}</summary>
      <DeviceChoice
        label={say`Measured with`}
        chosen={device}
        onPick={(other) => desk.happened({ kind: 'measured-with', stepId: null, device: other })}
        large
      />
    </details>
  );
}

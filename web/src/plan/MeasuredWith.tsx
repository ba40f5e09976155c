import type { MendDesk } from '../desk/damageInHand';
import { DeviceChoice } from '../desk/DeviceChoice';
import { withDevice } from '../desk/edit';
import { say } from '../words/say';

/** What the mixes of a plan are measured with. Amounts, cups and the error of the ratio follow. */
export function MeasuredWith({ desk }: { desk: MendDesk }) {
  // Drops are drops, whatever the resin is measured with.
  const measures = desk.plan?.steps.some((step) => step.pour?.cup?.ingredients.some((each) => each.part === 'hardener'));
  return measures ? (
    <DeviceChoice label={say`Measured with`} chosen={desk.repairCase.tools.measure} onPick={(device) => desk.change(withDevice(desk.repairCase, device))} />
  ) : null;
}

import { useQuery } from '@tanstack/react-query';
import { shopQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { withDevice } from '../desk/edit';
import { measure, type Units } from '../measures/units';
import { useUnits } from '../shop/units';
import { Choice } from '../ui/Choice';
import { say } from '../words/say';

type Device = Schemas['MeasuringDevice'];

/** What the mixes of a plan are measured with: the shop's usual device, or another of its own. Amounts, cups and the error of the ratio follow. */
export function MeasuredWith({ desk }: { desk: MendDesk }) {
  const { units } = useUnits();
  const { data } = useQuery(shopQuery);
  const chosen = desk.repairCase.tools.measure;
  const offered = data ? offers(data.settings, chosen, units) : [];
  // Drops are drops, whatever the resin is measured with.
  const measures = desk.plan?.steps.some((step) => step.pour?.cup?.ingredients.some((each) => each.part === 'hardener'));
  if (offered.length < 2 || !measures) return null;
  return (
    <Choice
      label={say`Measured with`}
      value={String(offered.findIndex((each) => isSame(each.device, chosen)))}
      options={offered.map((each, i) => [String(i), each.name] as const)}
      onPick={(i) => desk.change(withDevice(desk.repairCase, offered[Number(i)]!.device))}
    />
  );
}

/** The usual device first, then the shop's others; what a case was planned with before is still there. */
function offers({ tools, devices }: Schemas['ShopSettings'], chosen: Device, units: Units): { name: string; device: Device }[] {
  const all = [{ name: kindOf(tools.measure, units), device: tools.measure }, ...(devices ?? [])];
  return all.some((each) => isSame(each.device, chosen)) ? all : [...all, { name: say`As before: ${kindOf(chosen, units)}`, device: chosen }];
}

/** A device by its kind and its step. */
function kindOf(device: Device, units: Units): string {
  switch (device.kind) {
    case 'cup':
      return say`Cup, lines every ${measure(device.lineEveryMl, 'mL', 1, units)}`;
    case 'scale':
      return say`Scale, steps of ${measure(device.stepG, 'g', 1, units)}`;
    case 'syringe':
      return say`Syringes, marks every ${measure(device.graduationMl, 'mL', 1, units)}`;
    case 'pump':
      return say`Pumps, ${measure(device.strokeMl, 'mL', 1, units)} a stroke`;
  }
}

/** Whether two devices are the same, in whatever order their fields were written. */
const isSame = (one: Device, other: Device) => written(one) === written(other);
const written = (device: Device) => JSON.stringify(Object.entries(device).sort(([a], [b]) => a.localeCompare(b)));

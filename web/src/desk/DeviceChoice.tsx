import { useQuery } from '@tanstack/react-query';
import { shopQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { asRead } from '../measures/read';
import type { Units } from '../measures/units';
import { useUnits } from '../shop/units';
import { Choice } from '../ui/Choice';
import { say } from '../words/say';

export type Device = Schemas['MeasuringDevice'];

interface Props {
  label: string;
  chosen: Device;
  onPick: (device: Device) => void;
  /** For gloves, at the bench. */
  large?: boolean;
}

/** What a mix is measured with: the shop's usual device, or another of its own. Nothing where there is nothing to choose. */
export function DeviceChoice({ label, chosen, onPick, large }: Props) {
  const offered = useDevices(chosen);
  if (offered.length < 2) return null;
  return (
    <Choice
      label={label}
      value={String(offered.findIndex((each) => isSame(each.device, chosen)))}
      options={offered.map((each, i) => [String(i), each.name] as const)}
      onPick={(i) => onPick(offered[Number(i)]!.device)}
      large={large}
    />
  );
}

/** The usual device first, then the shop's others; what was measured with before is still there. */
export function useDevices(chosen: Device): readonly { name: string; device: Device }[] {
  const { units } = useUnits();
  const { data } = useQuery(shopQuery);
  if (!data) return [];
  const { tools, devices } = data.settings;
  const all = [{ name: deviceWords(tools.measure, units), device: tools.measure }, ...(devices ?? [])];
  return all.some((each) => isSame(each.device, chosen)) ? all : [...all, { name: say`As before: ${deviceWords(chosen, units)}`, device: chosen }];
}

/** The finest scale of a shop shows thousandths of a gram. */
const mostDigits = 3;

/** A device by its kind and its step. */
export function deviceWords(device: Device, units: Units): string {
  switch (device.kind) {
    case 'cup':
      return say`Cup, lines every ${asRead(device.lineEveryMl, 'mL', units, mostDigits)}`;
    case 'scale':
      return say`Scale, steps of ${asRead(device.stepG, 'g', units, mostDigits)}`;
    case 'syringe':
      return say`Syringes, marks every ${asRead(device.graduationMl, 'mL', units, mostDigits)}`;
    case 'pump':
      return say`Pumps, ${asRead(device.strokeMl, 'mL', units, mostDigits)} a stroke`;
  }
}

/** Whether two devices are the same, in whatever order their fields were written. */
const isSame = (one: Device, other: Device) => written(one) === written(other);
const written = (device: Device) => JSON.stringify(Object.entries(device).sort(([a], [b]) => a.localeCompare(b)));

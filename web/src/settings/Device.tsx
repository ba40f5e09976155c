import type { Schemas } from '../api/types';
import { Choice } from '../ui/Choice';
import { MeasureField } from '../ui/MeasureField';
import { say } from '../words/say';

type Device = Schemas['MeasuringDevice'];

/** What a device of each kind usually is, to begin from. */
export const usualDevices: Record<Device['kind'], Device> = {
  cup: { kind: 'cup', lineEveryMl: 5, lineErrorMl: 0.5, holdsMl: 60 },
  scale: { kind: 'scale', stepG: 1 },
  syringe: { kind: 'syringe', graduationMl: 0.5, barrelMl: 20 },
  pump: { kind: 'pump', strokeMl: 8, strokeErrorPercent: 4 },
};

interface Props {
  device: Device;
  onChange: (device: Device) => void;
}

/** What kind of device it is. */
export function DeviceKind({ label, device, onChange }: Props & { label: string }) {
  return (
    <Choice
      label={label}
      value={device.kind}
      options={[
        ['cup', say`A cup with lines`],
        ['scale', say`A scale`],
        ['syringe', say`Syringes`],
        ['pump', say`Pumps`],
      ]}
      onPick={(kind) => onChange(usualDevices[kind])}
    />
  );
}

/** The steps of a device, and how far they may be off. */
export function DeviceFields({ device, onChange }: Props) {
  switch (device.kind) {
    case 'cup':
      return (
        <div className="grid gap-3 sm:grid-cols-3">
          <MeasureField
            label={say`Lines every`}
            path="tools.measure.lineEveryMl"
            value={device.lineEveryMl}
            step={{ metric: 0.5, us: 0.05 }}
            onChange={(lineEveryMl) => onChange({ ...device, lineEveryMl })}
          />
          <MeasureField
            label={say`Off a line by up to`}
            path="tools.measure.lineErrorMl"
            value={device.lineErrorMl}
            step={{ metric: 0.1, us: 0.005 }}
            onChange={(lineErrorMl) => onChange({ ...device, lineErrorMl })}
          />
          <MeasureField
            label={say`Holds`}
            path="tools.measure.holdsMl"
            value={device.holdsMl}
            step={{ metric: 10, us: 0.5 }}
            onChange={(holdsMl) => onChange({ ...device, holdsMl })}
          />
        </div>
      );
    case 'scale':
      return (
        <MeasureField
          label={say`Smallest step`}
          path="tools.measure.stepG"
          value={device.stepG}
          step={{ metric: 0.1, us: 0.005 }}
          onChange={(stepG) => onChange({ ...device, stepG })}
        />
      );
    case 'syringe':
      return (
        <div className="grid gap-3 sm:grid-cols-2">
          <MeasureField
            label={say`Graduations every`}
            path="tools.measure.graduationMl"
            value={device.graduationMl}
            step={{ metric: 0.1, us: 0.005 }}
            onChange={(graduationMl) => onChange({ ...device, graduationMl })}
          />
          <MeasureField
            label={say`Draws at once`}
            path="tools.measure.barrelMl"
            value={device.barrelMl}
            step={{ metric: 5, us: 0.2 }}
            onChange={(barrelMl) => onChange({ ...device, barrelMl })}
          />
        </div>
      );
    case 'pump':
      return (
        <div className="grid gap-3 sm:grid-cols-2">
          <MeasureField
            label={say`A stroke of resin gives`}
            path="tools.measure.strokeMl"
            value={device.strokeMl}
            step={{ metric: 0.5, us: 0.02 }}
            onChange={(strokeMl) => onChange({ ...device, strokeMl })}
          />
          <MeasureField
            label={say`Strokes differ by`}
            path="tools.measure.strokeErrorPercent"
            value={device.strokeErrorPercent}
            step={{ metric: 0.5, us: 0.5 }}
            onChange={(strokeErrorPercent) => onChange({ ...device, strokeErrorPercent })}
          />
        </div>
      );
  }
}

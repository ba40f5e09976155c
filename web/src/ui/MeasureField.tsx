import { useUnits } from '../shop/units';
import { useMeasured } from './limits';
import { NumberField } from './NumberField';

interface Props {
  label: string;
  /** Path of the number in a case, by which its unit and its limits are known. */
  path: string;
  /** The number as it is kept. */
  value: number;
  /** By how much a turn changes it, in the unit that is shown: one number, or another one for inches. */
  step: number | { metric: number; us: number };
  onChange: (kept: number) => void;
  wrong?: boolean;
  /** Most that it may be in this case, as it is kept, where that is less than anywhere. */
  most?: number;
}

/** A number of a case, turned or typed in the units of this device and kept in the core's. */
export function MeasureField({ label, path, value, step, onChange, wrong, most }: Props) {
  const { units } = useUnits();
  const measured = useMeasured(path, most);
  return (
    <NumberField
      label={label}
      value={measured.shown(value)}
      unit={measured.unit}
      step={typeof step === 'number' ? step : step[units]}
      wrong={wrong}
      limits={measured.limits}
      onChange={(shown) => onChange(measured.kept(shown))}
    />
  );
}

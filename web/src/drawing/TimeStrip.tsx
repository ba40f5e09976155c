import { useId } from 'react';
import { clock, dayAndClock } from '../measures/time';
import { stripBands, stripTicks, stripX, type StripBand, type StripRange } from './strip';
import type { Schemas } from '../api/types';
import { say } from '../words/say';

const words: Record<StripBand['kind'], string> = { hands: say`hands on`, early: say`too early`, good: say`good`, late: say`too late` };

interface Props {
  bands: readonly Schemas['Band'][];
  range: StripRange;
  height: number;
  nowMs?: number;
  label: string;
}

/** One mend against the clock. */
export function TimeStrip({ bands, range, height, nowMs, label }: Props) {
  const id = useId();
  return (
    <svg viewBox={`0 0 ${range.width} ${height}`} width="100%" height={height} preserveAspectRatio="none" role="img" aria-label={label}>
      <defs>
        <pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="4" height="8" fill="var(--early)" opacity="0.45" />
        </pattern>
      </defs>
      {stripTicks(range).map((tick) => (
        <line key={tick} x1={stripX(range, tick)} x2={stripX(range, tick)} y1={0} y2={height} stroke="var(--line)" />
      ))}
      {stripBands(bands, range).map((band) => (
        <Band key={`${band.kind}${band.x}`} band={band} height={height} hatch={id} />
      ))}
      {nowMs === undefined ? null : <line x1={stripX(range, nowMs)} x2={stripX(range, nowMs)} y1={0} y2={height} stroke="var(--ink)" strokeWidth={2} />}
    </svg>
  );
}

function Band({ band, height, hatch }: { band: StripBand; height: number; hatch: string }) {
  const title = (
    <title>
      {`${band.title}: `}
      {words[band.kind]}
    </title>
  );
  const middle = height / 2;
  if (band.kind === 'hands')
    return (
      <rect x={band.x} y={middle - 13} width={band.width} height={26} fill="var(--ink)">
        {title}
      </rect>
    );
  if (band.kind === 'early')
    return (
      <rect x={band.x} y={middle - 6} width={band.width} height={12} fill={`url(#${hatch})`}>
        {title}
      </rect>
    );
  const color = band.kind === 'good' ? 'var(--good)' : 'var(--late)';
  return (
    <rect x={band.x} y={middle - 9} width={band.width} height={18} fill={color}>
      {title}
    </rect>
  );
}

const legend: Record<StripBand['kind'], string> = { hands: 'bg-ink h-4', early: 'hatch-early h-2.5', good: 'bg-good h-3', late: 'bg-late h-3' };

/** What the marks of a strip mean. */
export function StripLegend() {
  return (
    <ul aria-label={say`What the marks mean`} className="flex flex-wrap gap-x-5 gap-y-1 text-sm text-faint">
      {(Object.keys(legend) as StripBand['kind'][]).map((kind) => (
        <li key={kind} className="flex items-center gap-2">
          <span aria-hidden className={`inline-block w-6 ${legend[kind]}`} />
          {words[kind]}
        </li>
      ))}
    </ul>
  );
}

/** The hours above a strip. */
export function TimeAxis({ range, zone }: { range: StripRange; zone: string }) {
  const long = range.toMs - range.fromMs > 30 * 3600_000;
  return (
    <svg viewBox={`0 0 ${range.width} 18`} width="100%" height={18} preserveAspectRatio="none" aria-hidden>
      {stripTicks(range, long ? 96 : 64)
        .filter((tick) => stripX(range, tick) + (long ? 92 : 34) <= range.width)
        .map((tick) => (
          <text key={tick} x={stripX(range, tick) + 3} y={13} fontSize={11} fill="var(--faint)">
            {long ? dayAndClock(new Date(tick).toISOString(), zone) : clock(new Date(tick).toISOString(), zone)}
          </text>
        ))}
    </svg>
  );
}

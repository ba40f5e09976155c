import { useZone } from '../shop/zone';
import { dayAndClock } from '../measures/time';

interface CurvePoint {
  atMs: number;
  value: number;
  /** Whether it is judged by; the others are drawn hollow. */
  counts: boolean;
}

interface Props {
  label: string;
  points: readonly CurvePoint[];
  /** What the points are taken to lie on: drawn through these. */
  line?: readonly Pick<CurvePoint, 'atMs' | 'value'>[];
  /** When something is expected, with the ends between which it lies; an open end is not known. */
  expected?: { atMs: number; fromMs: number; toMs: number | null } | null;
  show: (value: number) => string;
}

const width = 420;
const height = 180;
const left = 62;
const bottom = 24;

/** Measures against the clock: what was read, what they lie on, and when the answer comes. */
export function Curve({ label, points, line = [], expected = null, show }: Props) {
  const zone = useZone();
  const all = [...points, ...line];
  // One reading is no curve yet.
  if (all.length < 2) return null;
  const fromMs = Math.min(...all.map((each) => each.atMs));
  const toMs = Math.max(...all.map((each) => each.atMs), expected?.toMs ?? expected?.atMs ?? fromMs, fromMs + 60_000);
  const values = all.map((each) => each.value);
  const least = Math.min(...values);
  const most = Math.max(...values, least + 1e-6);
  const x = (atMs: number) => left + ((atMs - fromMs) / (toMs - fromMs)) * (width - left - 10);
  const y = (value: number) => 10 + (1 - (value - least) / (most - least)) * (height - bottom - 20);
  const path = (list: typeof line) => list.map((each, i) => `${i === 0 ? 'M' : 'L'}${x(each.atMs).toFixed(1)} ${y(each.value).toFixed(1)}`).join('');
  return (
    <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label} className="h-auto w-full max-w-xl bg-sheet">
      {expected ? (
        <>
          <rect
            x={x(expected.fromMs)}
            y={0}
            width={Math.max(2, x(expected.toMs ?? toMs) - x(expected.fromMs))}
            height={height - bottom}
            fill="var(--good)"
            opacity={0.18}
          />
          <line x1={x(expected.atMs)} x2={x(expected.atMs)} y1={0} y2={height - bottom} stroke="var(--good)" strokeWidth={2} />
        </>
      ) : null}
      <path d={path(line)} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
      {points.map((each) => (
        <circle
          key={each.atMs}
          cx={x(each.atMs)}
          cy={y(each.value)}
          r={4}
          fill={each.counts ? 'var(--ink)' : 'var(--sheet)'}
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
      ))}
      <line x1={left} x2={width} y1={height - bottom} y2={height - bottom} stroke="var(--line)" />
      <g fontSize={13} fill="var(--ink)">
        <text x={left - 8} y={y(most) + 5} textAnchor="end">
          {show(most)}
        </text>
        <text x={left - 8} y={y(least) + 5} textAnchor="end">
          {show(least)}
        </text>
        <text x={left} y={height - 7}>
          {dayAndClock(new Date(fromMs).toISOString(), zone)}
        </text>
        <text x={width - 4} y={height - 7} textAnchor="end">
          {dayAndClock(new Date(toMs).toISOString(), zone)}
        </text>
      </g>
    </svg>
  );
}

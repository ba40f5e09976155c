import { memo, useId, type MouseEvent } from 'react';
import type { Schemas } from '../api/types';
import type { PlanModel, Ring } from './planView';
import { say } from '../words/say';

const strokes: Record<Ring['kind'], { stroke: string; width: number; dash?: string; fill: string }> = {
  key: { stroke: 'var(--act)', width: 2, dash: '2 4', fill: 'none' },
  patch: { stroke: 'var(--ink)', width: 1.8, fill: 'var(--sheet)' },
  cut: { stroke: 'var(--ink)', width: 1.5, dash: '7 3', fill: 'var(--resin-soft)' },
  mark: { stroke: 'var(--resin)', width: 2, fill: 'none' },
  damage: { stroke: 'var(--late)', width: 2, dash: '5 3', fill: 'none' },
};

interface Props {
  model: PlanModel;
  /** Points traced so far, and what to do with a tap; absent where the view is only looked at. */
  trace?: { points: readonly Schemas['PointMm'][]; onTap: (point: Schemas['PointMm']) => void };
}

/** The damage from above, with the outlines that are cut, laid and taped. */
export const PlanView = memo(function PlanView({ model, trace }: Props) {
  const id = useId();
  const grid = model.grid.mm * model.pxPerMm;
  const tap = (event: MouseEvent<SVGSVGElement>) => {
    if (!trace) return;
    const box = event.currentTarget.getBoundingClientRect();
    const scale = model.width / box.width;
    trace.onTap(model.toMm((event.clientX - box.left) * scale, (event.clientY - box.top) * scale));
  };
  return (
    <svg
      viewBox={`0 0 ${model.width} ${model.height}`}
      width="100%"
      role="img"
      aria-label={say`The damage from above, with the outlines that are cut, laid and taped`}
      onClick={tap}
      className={trace ? 'cursor-crosshair' : ''}
    >
      <defs>
        <pattern id={id} width={grid} height={grid} x={model.width / 2} y={model.height / 2} patternUnits="userSpaceOnUse">
          <path d={`M${grid} 0H0V${grid}`} fill="none" stroke="var(--line)" strokeWidth="0.7" />
        </pattern>
      </defs>
      <rect width={model.width} height={model.height} fill={`url(#${id})`} />
      {model.rings.map((ring) => (
        <RingShape key={ring.kind + ring.path} ring={ring} />
      ))}
      {model.rings.map((ring) => (
        <RingWords key={ring.kind + ring.path} ring={ring} />
      ))}
      {trace?.points.map((point, i) => {
        const at = model.toPx(point);
        return <circle key={`${i}-${point.x}-${point.y}`} cx={at.x} cy={at.y} r={5} fill="var(--late)" />;
      })}
      <g fontSize={11} fill="var(--faint)">
        <path d={`M8 ${model.height - 8}v-5m0 3h${grid}m0 -3v5`} stroke="var(--faint)" fill="none" />
        <text x={14 + grid} y={model.height - 7}>
          {model.grid.words}
        </text>
      </g>
    </svg>
  );
});

function RingShape({ ring }: { ring: Ring }) {
  const look = strokes[ring.kind];
  return <path d={ring.path} fill={look.fill} fillOpacity={0.75} stroke={look.stroke} strokeWidth={look.width} strokeDasharray={look.dash} />;
}

/** Names go on after every outline, so that none is struck through. */
function RingWords({ ring }: { ring: Ring }) {
  if (!ring.words) return null;
  return (
    <text
      x={ring.at.x}
      y={ring.at.y - 7}
      fontSize={13}
      fontWeight={700}
      textAnchor="middle"
      fill="var(--ink)"
      stroke="var(--paper)"
      strokeWidth={3}
      paintOrder="stroke"
    >
      {ring.words}
    </text>
  );
}

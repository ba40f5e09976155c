import { Slider } from 'radix-ui';
import { memo, useId } from 'react';
import { useUnits } from '../shop/units';
import { measure } from '../measures/units';
import { dimensionPx, type LayerBand, type Mark, type SectionModel } from './section';
import { wordPx, type Word } from './words';
import { say } from '../words/say';

const fillOf: Record<LayerBand['texture'], string> = {
  clear: 'var(--coat)',
  weave: 'var(--weave)',
  foam: 'var(--foam)',
  beads: 'var(--beads)',
  wood: 'var(--wood)',
  sheet: 'var(--coat)',
  rubber: 'var(--rubber)',
  cloth: 'var(--weave)',
  metal: 'var(--metal)',
  threads: 'var(--beads)',
  air: 'var(--air)',
};

const textured: ReadonlySet<LayerBand['texture']> = new Set(['foam', 'beads', 'weave', 'wood', 'rubber', 'cloth', 'metal', 'threads']);

interface Props {
  model: SectionModel;
  /** Depth in millimetres and what to do when it is dragged; absent where the section is only looked at. */
  depth?: { mm: number; maxMm: number; onChange: (mm: number) => void };
  /** Layer that a rule protects, to be pointed out. */
  protectedLayer?: string | null;
}

/** The section through the item's layers, with the damage and the work cut into it. */
export const Section = memo(function Section({ model, depth, protectedLayer }: Props) {
  const id = useId();
  const { units } = useUnits();
  const bodyRight = model.width - 132;
  return (
    <div className="relative" style={{ height: model.height }}>
      <svg
        viewBox={`0 0 ${model.width} ${model.height}`}
        width="100%"
        height={model.height}
        preserveAspectRatio="xMinYMin meet"
        role="img"
        aria-label={describe(model)}
      >
        <Textures id={id} />
        {model.layers.map((layer) => (
          <Layer key={layer.id} layer={layer} id={id} right={bodyRight} units={units} protectedHere={layer.id === protectedLayer} />
        ))}
        <line x1={8} x2={bodyRight} y1={model.surfaceY} y2={model.surfaceY} stroke="var(--ink)" strokeWidth={2} />
        <path d={model.wound} fill="var(--paper)" stroke="var(--late)" strokeWidth={2} strokeDasharray="5 3" />
        {model.marks.map((mark, i) => (
          <MarkShape key={`${mark.kind}${i}`} mark={mark} id={id} />
        ))}
        {/* Words come last: whatever lies on the shape that they name does not hide them. */}
        {model.marks.map((mark, i) => (mark.words ? <MarkWords key={`${mark.kind}${i}`} words={mark.words} /> : null))}
        <Dimensions model={model} units={units} />
      </svg>
      {depth ? <DepthHandle model={model} {...depth} /> : null}
    </div>
  );
});

function describe(model: SectionModel): string {
  const touched = model.layers.filter((layer) => layer.touched).map((layer) => layer.name);
  return say`Section. The damage goes into: ${touched.join(', ') || say`nothing`}.`;
}

function Textures({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}foam`} width="9" height="9" patternUnits="userSpaceOnUse">
        <circle cx="2" cy="3" r="0.9" fill="var(--strong-line)" />
        <circle cx="7" cy="7" r="0.7" fill="var(--strong-line)" />
      </pattern>
      <pattern id={`${id}beads`} width="14" height="12" patternUnits="userSpaceOnUse">
        <circle cx="4" cy="4" r="3.4" fill="none" stroke="var(--strong-line)" strokeWidth="0.7" />
        <circle cx="11" cy="9" r="3" fill="none" stroke="var(--strong-line)" strokeWidth="0.7" />
      </pattern>
      <pattern id={`${id}weave`} width="8" height="8" patternUnits="userSpaceOnUse">
        <path d="M0 8L8 0M-2 2L2 -2M6 10L10 6" stroke="var(--strong-line)" strokeWidth="0.9" />
      </pattern>
      <pattern id={`${id}wood`} width="26" height="10" patternUnits="userSpaceOnUse">
        <path d="M0 3Q13 0 26 3M0 8Q13 6 26 8" fill="none" stroke="var(--strong-line)" strokeWidth="0.7" />
      </pattern>
      <pattern id={`${id}rubber`} width="7" height="7" patternUnits="userSpaceOnUse">
        <circle cx="3.5" cy="3.5" r="0.8" fill="var(--strong-line)" />
      </pattern>
      <pattern id={`${id}cloth`} width="8" height="6" patternUnits="userSpaceOnUse">
        <path d="M0 3h4M4 0v3M4 6h4" fill="none" stroke="var(--strong-line)" strokeWidth="0.8" />
      </pattern>
      <pattern id={`${id}metal`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0v6M3 0v6" stroke="var(--strong-line)" strokeWidth="0.6" />
      </pattern>
      <pattern id={`${id}threads`} width="10" height="14" patternUnits="userSpaceOnUse">
        <path d="M2 0L8 14M8 0L2 14" fill="none" stroke="var(--strong-line)" strokeWidth="0.7" />
      </pattern>
      <pattern id={`${id}resin`} width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="var(--resin-soft)" />
        <path d="M0 6L6 0" stroke="var(--resin)" strokeWidth="0.8" />
      </pattern>
    </defs>
  );
}

/** Beside the section there is so much room for a layer's name; one of more letters is set narrower. */
const nameWidthPx = 120;
const longestName = 25;

function Layer({ layer, id, right, units, protectedHere }: { layer: LayerBand; id: string; right: number; units: 'metric' | 'us'; protectedHere: boolean }) {
  const middle = layer.y + layer.height / 2;
  const words = `${shortName(layer.name)} ${measure(layer.thicknessMm, 'mm', digits(layer.thicknessMm), units)}`;
  return (
    <g>
      <rect x={8} y={layer.y} width={right - 8} height={layer.height} fill={fillOf[layer.texture]} />
      {textured.has(layer.texture) ? <rect x={8} y={layer.y} width={right - 8} height={layer.height} fill={`url(#${id}${layer.texture})`} /> : null}
      <line x1={8} x2={right} y1={layer.y + layer.height} y2={layer.y + layer.height} stroke="var(--ink)" strokeWidth={0.7} />
      {protectedHere ? <rect x={9} y={layer.y + 1} width={right - 10} height={layer.height - 2} fill="none" stroke="var(--late)" strokeWidth={3} /> : null}
      <line x1={right} x2={right + 6} y1={middle} y2={middle} stroke="var(--strong-line)" />
      <text
        x={right + 9}
        y={middle + 4}
        fontSize={11}
        fill={layer.touched || protectedHere ? 'var(--ink)' : 'var(--faint)'}
        fontWeight={layer.touched ? 700 : 400}
        style={{ fontStretch: '80%' }}
        textLength={words.length > longestName ? nameWidthPx : undefined}
        lengthAdjust="spacingAndGlyphs"
      >
        {words}
      </text>
    </g>
  );
}

/** Digits after the point that a thickness needs. */
function digits(mm: number): number {
  if (mm < 1) return 2;
  return mm < 10 && !Number.isInteger(mm) ? 1 : 0;
}

function shortName(name: string): string {
  return (name.split(/[,:]/)[0] ?? name).replace('Polyurethane foam core', 'PU foam').replace('EPS foam core', 'EPS foam').replace(' sanding', '');
}

const strokes: Record<Mark['kind'], { fill: string; stroke: string; width: number; dash?: string }> = {
  key: { fill: 'none', stroke: 'var(--act)', width: 5, dash: '2 4' },
  cut: { fill: 'var(--paper)', stroke: 'var(--ink)', width: 1.5, dash: '7 3' },
  fill: { fill: 'resin', stroke: 'var(--resin)', width: 1.5 },
  patch: { fill: 'var(--sheet)', stroke: 'var(--ink)', width: 1.6 },
  coat: { fill: 'none', stroke: 'var(--resin)', width: 3 },
  film: { fill: 'none', stroke: 'var(--act)', width: 2.5, dash: '9 4' },
  tape: { fill: 'none', stroke: 'var(--act)', width: 5 },
  finish: { fill: 'none', stroke: 'var(--good)', width: 2 },
  bead: { fill: 'resin', stroke: 'var(--ink)', width: 1.2 },
  glue: { fill: 'resin', stroke: 'var(--resin)', width: 3 },
  clamp: { fill: 'var(--early-soft)', stroke: 'var(--ink)', width: 1.6 },
  drill: { fill: 'var(--paper)', stroke: 'var(--late)', width: 1.6 },
  wrap: { fill: 'var(--weave)', stroke: 'var(--ink)', width: 1.6 },
  forbidden: { fill: 'none', stroke: 'var(--late)', width: 6, dash: '3 3' },
  flow: { fill: 'none', stroke: 'var(--act)', width: 2.5, dash: '6 4' },
};

function MarkShape({ mark, id }: { mark: Mark; id: string }) {
  const look = strokes[mark.kind];
  return (
    <path
      d={mark.path}
      fill={look.fill === 'resin' ? `url(#${id}resin)` : look.fill}
      stroke={look.stroke}
      strokeWidth={look.width}
      strokeDasharray={look.dash}
    />
  );
}

function MarkWords({ words }: { words: Word }) {
  return (
    <text x={words.x} y={words.y} fontSize={wordPx} textAnchor="middle" fill="var(--ink)" stroke="var(--paper)" strokeWidth={3} paintOrder="stroke">
      {words.text}
    </text>
  );
}

function Dimensions({ model, units }: { model: SectionModel; units: 'metric' | 'us' }) {
  return (
    <g stroke="var(--ink)" strokeWidth={1} fill="var(--ink)">
      {model.dimensions.map((dimension) =>
        dimension.side === 'top' ? (
          <g key="top">
            <path
              d={`M${dimension.from.x} ${model.surfaceY - 26}v-30M${dimension.to.x} ${model.surfaceY - 26}v-30M${dimension.from.x} 26H${dimension.to.x}`}
              fill="none"
            />
            <path d={`M${dimension.from.x} 26l7 -3v6zM${dimension.to.x} 26l-7 -3v6z`} stroke="none" />
            <text x={dimension.wordsAt.x} y={dimension.wordsAt.y} textAnchor="middle" fontSize={dimensionPx} fontWeight={700} stroke="none">
              {measure(dimension.mm, 'mm', 0, units)}
            </text>
          </g>
        ) : (
          <g key="right">
            <path d={`M${dimension.from.x} ${dimension.from.y}V${dimension.to.y}`} fill="none" strokeDasharray="3 2" />
            <text
              x={dimension.wordsAt.x}
              y={dimension.wordsAt.y}
              fontSize={dimensionPx}
              fontWeight={700}
              stroke="var(--paper)"
              strokeWidth={4}
              paintOrder="stroke"
            >{say`${measure(dimension.mm, 'mm', dimension.mm < 1 ? 2 : 1, units)} deep`}</text>
          </g>
        ),
      )}
    </g>
  );
}

function DepthHandle({ model, mm, maxMm, onChange }: { model: SectionModel; mm: number; maxMm: number; onChange: (mm: number) => void }) {
  const { units } = useUnits();
  const reach = model.scale.heightPx;
  const place = Number.isFinite(mm) ? model.scale.y(mm) : 0;
  return (
    <Slider.Root
      orientation="vertical"
      inverted
      min={0}
      max={reach}
      step={0.5}
      value={[place]}
      onValueChange={([y]) => onChange(Math.max(0.1, Math.round(model.scale.depth(y ?? 0) * 10) / 10))}
      className="absolute left-0 w-full touch-none"
      style={{ top: model.surfaceY, height: reach }}
    >
      <Slider.Track className="absolute inset-0 cursor-ns-resize" />
      <Slider.Thumb
        aria-label={say`Depth of the damage`}
        aria-valuetext={say`${measure(mm, 'mm', 1, units)} of ${measure(maxMm, 'mm', 1, units)}`}
        className="relative block h-7 w-11 rounded-sm border-2 border-act bg-sheet text-center leading-5 font-bold text-act shadow"
        style={{ left: 12 }}
        onKeyDown={(event) => {
          const by = { ArrowDown: 0.1, ArrowUp: -0.1, PageDown: 1, PageUp: -1 }[event.key];
          if (by === undefined) return;
          event.preventDefault();
          onChange(Math.min(maxMm, Math.max(0.1, Math.round((mm + by) * 10) / 10)));
        }}
      >
        <span aria-hidden>↕</span>
      </Slider.Thumb>
    </Slider.Root>
  );
}

import { useEffect, useMemo, useRef, useState } from 'react';
import type { Catalogue } from '../api/types';
import { useUnits } from '../app/units';
import { PlanView } from '../drawing/PlanView';
import { planView } from '../drawing/planView';
import { Section } from '../drawing/Section';
import { section } from '../drawing/section';
import { totalThicknessMm, withDamage } from '../look/edit';
import { highlight } from './highlight';
import { reachedMarks } from './reached';
import type { Stage } from './stages';
import type { MendDesk } from './useMend';

const sectionHeight = 316;

/** The picture of the mend: section and plan view, on screen from first look to hand-back. */
export function MendDrawing({ desk, catalogue, stage }: { desk: MendDesk; catalogue: Catalogue; stage: Stage }) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box);
  const { stepId, layer } = highlight.use();
  const { units } = useUnits();
  const { plan, repairCase, mend } = desk;
  const reached = useMemo(() => reachedMarks(stage, plan, mend.run, stage === 'plan' ? stepId : null), [stage, plan, mend.run, stepId]);
  const { kind } = repairCase.damage;
  const model = useMemo(
    () => plan && section({ drawing: plan.drawing, kind, patches: plan.patches, reached, width, height: sectionHeight }),
    [plan, kind, reached, width],
  );
  const above = useMemo(() => plan && planView({ drawing: plan.drawing, patches: plan.patches, reached, width, height: 250, units }), [plan, reached, width, units]);
  if (!plan || !model || !above) return <div ref={box} style={{ height: sectionHeight }} />;
  const draft = mend.status === 'draft';
  const construction = catalogue.constructions.find((each) => each.id === repairCase.item.construction);
  const shape = repairCase.damage.shape;
  const tracing = draft && stage === 'look' && shape.kind === 'traced';
  return (
    <div ref={box} className="flex flex-col gap-2">
      <figure>
        <figcaption className="lettering">
          Section{draft && stage === 'look' ? ': drag to where the damage ends' : ''}
          {model.scale.exaggerates ? '. Thin layers drawn thicker than they are' : ''}
        </figcaption>
        <Section
          model={model}
          protectedLayer={stage === 'match' ? layer : null}
          depth={
            draft && stage === 'look' && construction
              ? {
                  mm: repairCase.damage.depthMm,
                  maxMm: totalThicknessMm(construction, repairCase.damage.location),
                  onChange: (depthMm) => desk.change(withDamage(repairCase, { depthMm })),
                }
              : undefined
          }
        />
      </figure>
      <figure className="border-t border-line pt-1">
        <figcaption className="lettering">From above{tracing ? ': tap round the damage' : ''}</figcaption>
        <PlanView
          model={above}
          trace={
            tracing
              ? {
                  points: shape.points,
                  onTap: (point) => desk.change(withDamage(repairCase, { shape: { kind: 'traced', points: [...shape.points, point] } })),
                }
              : undefined
          }
        />
      </figure>
    </div>
  );
}

function useWidth(box: React.RefObject<HTMLDivElement | null>): number {
  const [width, setWidth] = useState(520);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.max(300, Math.round(entry.contentRect.width)));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
  return width;
}

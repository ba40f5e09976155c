import { useEffect, useMemo, useRef, useState } from 'react';
import type { Catalogue } from '../api/types';
import { useUnits } from '../shop/units';
import { PlanView } from '../drawing/PlanView';
import { planView } from '../drawing/planView';
import { Section } from '../drawing/Section';
import { section } from '../drawing/section';
import { totalThicknessMm, withSeen } from '../desk/edit';
import { numbered } from '../api/numbering';
import { DamageTabs } from './DamageTabs';
import { highlight } from '../desk/highlight';
import { reachedMarks } from '../desk/reached';
import type { Stage } from '../desk/stages';
import type { MendDesk } from '../desk/damageInHand';
import { say } from '../words/say';

const greater = 316;
const lesser = 250;

/** The picture of the mend: section and plan view, on screen from first look to hand-back. */
export function MendDrawing({ desk, catalogue, stage }: { desk: MendDesk; catalogue: Catalogue; stage: Stage }) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box);
  const { stepId, layer } = highlight.use();
  const { units } = useUnits();
  const { plan, repairCase, mend } = desk;
  // A step that is pointed at brings up the damage that it is for.
  const pointed = stage === 'plan' ? stepId : null;
  const number = pointed ? numbered(pointed).number : desk.number;
  const planned = plan?.damages[number - 1] ?? null;
  const { seen } = repairCase.damages[number - 1] ?? desk.toMend;
  const reached = useMemo(() => reachedMarks(stage, plan, number, mend.run, pointed), [stage, plan, number, mend.run, pointed]);
  const { kind } = seen;
  // The picture that tells leads, and has the room: of cloth, mesh, rubber and skins that is the view from above.
  const skin = planned?.drawing.leads === 'above';
  const [sectionHeight, aboveHeight] = skin ? [lesser, greater] : [greater, lesser];
  const model = useMemo(
    () => planned && section({ drawing: planned.drawing, kind, patches: planned.patches, reached, width, height: sectionHeight }),
    [planned, kind, reached, width, sectionHeight],
  );
  const above = useMemo(
    () => planned && planView({ drawing: planned.drawing, patches: planned.patches, reached, width, height: aboveHeight, units }),
    [planned, reached, width, aboveHeight, units],
  );
  if (!planned || !model || !above) return <div ref={box} style={{ height: greater }} />;
  const draft = mend.status === 'draft';
  const construction = catalogue.constructions.find((each) => each.id === repairCase.item.construction);
  const { shape } = seen;
  const tracing = draft && stage === 'look' && shape.kind === 'traced';
  const fromAbove = (
    <figure key="above" className="first:border-none border-t border-line pt-1">
      <figcaption className="lettering">{tracing ? say`From above: tap round the damage` : say`From above`}</figcaption>
      <PlanView
        model={above}
        trace={
          tracing
            ? {
                points: shape.points,
                onTap: (point) => desk.editDamage((now) => withSeen(now, { shape: { kind: 'traced', points: [...shape.points, point] } })),
              }
            : undefined
        }
      />
    </figure>
  );
  const through = (
    <figure key="section" className="first:border-none border-t border-line pt-1">
      <figcaption className="lettering">
        {draft && stage === 'look' && !skin ? say`Section: drag to where the damage ends` : say`Section`}
        {model.scale.exaggerates ? `. ${say`Thin layers drawn thicker than they are`}` : ''}
      </figcaption>
      <Section
        model={model}
        protectedLayer={stage === 'match' ? layer : null}
        depth={
          draft && stage === 'look' && construction && !skin
            ? {
                mm: seen.depthMm,
                maxMm: totalThicknessMm(construction, seen.location),
                onChange: (depthMm) => desk.editDamage((now) => withSeen(now, { depthMm })),
              }
            : undefined
        }
      />
    </figure>
  );
  return (
    <div ref={box} className="flex flex-col gap-2">
      {stage === 'mend' ? null : (
        <DamageTabs desk={desk} shown={number} usual={draft && stage === 'look' ? catalogue.usualDamages[repairCase.item.construction]?.[0] : undefined} />
      )}
      {!skin ? [through, fromAbove] : stage === 'look' ? fromAbove : [fromAbove, through]}
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

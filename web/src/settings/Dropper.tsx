import type { Schemas } from '../api/types';
import { useReading } from '../instruments/live';
import { measure } from '../measures/units';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { MeasureField } from '../ui/MeasureField';
import { say } from '../words/say';

type Tools = Schemas['Tools'];

/** Twenty drops as they usually fall, on a fine scale. */
const begun: NonNullable<Tools['dropper']> = { drops: 20, grams: 0.5, stepG: 0.01 };

/** The shop's own dropper: so many drops of catalyst, counted onto a scale. A scale that stands by is read. */
export function Dropper({ tools, onChange }: { tools: Tools; onChange: (tools: Tools) => void }) {
  const { units } = useUnits();
  const scale = useReading('mass');
  const dropper = tools.dropper ?? null;
  const set = (change: Partial<typeof begun>) => onChange({ ...tools, dropper: { ...(dropper ?? begun), ...change } });
  const told = (grams: number, decimals: number) => measure(grams, 'g', decimals, units);
  const read = scale?.instrument.isAttached && scale.isStill && scale.value !== null && scale.value > 0 ? { grams: scale.value, stepG: scale.step } : null;
  return (
    <div className="grid gap-3" role="group" aria-label={say`Dropper`}>
      <Choice
        label={say`Drops of catalyst`}
        value={dropper ? 'own' : 'usual'}
        options={[
          ['usual', say`As they usually are`],
          ['own', say`Of my dropper, weighed`],
        ]}
        onPick={(whose) => onChange({ ...tools, dropper: whose === 'own' ? begun : null })}
      />
      {dropper ? (
        <>
          <div className="grid gap-3 sm:grid-cols-3">
            <MeasureField label={say`Drops counted`} path="tools.dropper.drops" value={dropper.drops} step={1} onChange={(drops) => set({ drops })} />
            <MeasureField
              label={say`They weigh`}
              path="tools.dropper.grams"
              value={dropper.grams}
              step={{ metric: 0.01, us: 0.0005 }}
              onChange={(grams) => set({ grams })}
            />
            <MeasureField
              label={say`Step of the scale`}
              path="tools.dropper.stepG"
              value={dropper.stepG}
              step={{ metric: 0.01, us: 0.0005 }}
              onChange={(stepG) => set({ stepG })}
            />
          </div>
          {read ? (
            <p>
              <Button onClick={() => set(read)}>{say`Take what ${scale!.instrument.name} shows: ${told(read.grams, read.stepG < 0.1 ? 2 : 1)}`}</Button>
            </p>
          ) : null}
          <p className="text-sm text-faint">
            {say`Zero a dry pan, hold the dropper upright, and count. One drop: ${told(dropper.grams / dropper.drops, 3)}. Gloves and eye cover: peroxide blinds.`}
          </p>
        </>
      ) : null}
    </div>
  );
}

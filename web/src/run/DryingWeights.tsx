import { useState } from 'react';
import type { Front } from '../api/types';
import { Curve } from '../drawing/Curve';
import type { MendDesk } from '../desk/damageInHand';
import { useReading } from '../instruments/live';
import { when } from '../measures/time';
import { measure, typedIn } from '../measures/units';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

type Drying = NonNullable<Front['drying']>;

const grams = typedIn('g');
const tones = { dry: 'good', 'not-yet': 'early', 'too-few': 'early' } as const;
const words = { dry: say`It is dry.`, 'not-yet': say`Not yet dry.`, 'too-few': say`Weigh it.` };

/** What dries is weighed: a curve through its weights says when it is dry, and how sure that is. */
export function DryingWeights({ drying, stepId, desk }: { drying: Drying; stepId: string; desk: MendDesk }) {
  const { units } = useUnits();
  const [typed, setTyped] = useState('');
  const scale = useReading('mass');
  const live = scale?.instrument.isAttached && scale.isStill ? scale : null;
  const number = typed.trim() === '' ? null : Number(typed.replace(',', '.'));
  const value = number === null ? (live?.value ?? null) : grams.kept(number, units);
  return (
    <section aria-label={say`Weighings`} className="flex flex-col gap-3">
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (value === null) return;
          desk.happened({ kind: 'weighed', stepId, value, ...(number === null ? { resolution: live!.step } : {}) });
          setTyped('');
        }}
      >
        <label className="min-w-0 flex-1">
          <span className="lettering block">{say`Weight, ${grams.unit(units)}`}</span>
          <input
            className="numeral h-16 w-full min-w-0 rounded-sm border-2 border-strong-line bg-sheet px-3 text-2xl"
            inputMode="decimal"
            placeholder={live?.value == null ? '' : String(grams.shown(live.value, units))}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <Button type="submit" className="min-h-16" disabled={value === null || !Number.isFinite(value) || desk.busy}>{say`Save weight`}</Button>
      </form>
      <Notice tone={tones[drying.result.verdict]} word={words[drying.result.verdict]}>
        <SoFar drying={drying} />
      </Notice>
      <Curve
        label={say`Weight against time`}
        points={drying.weighings.map((each) => ({ atMs: Date.parse(each.at), value: each.grams, counts: true }))}
        line={fitted(drying)}
        expected={
          drying.dryAt && drying.earliestAt
            ? { atMs: Date.parse(drying.dryAt), fromMs: Date.parse(drying.earliestAt), toMs: drying.latestAt ? Date.parse(drying.latestAt) : null }
            : null
        }
        show={(mass) => measure(mass, 'g', 0, units)}
      />
    </section>
  );
}

function SoFar({ drying: { result, dryAt, earliestAt, latestAt } }: { drying: Drying }) {
  const now = useNow();
  const zone = useZone();
  const { units } = useUnits();
  const mass = (value: number | null | undefined) => measure(value ?? 0, 'g', 0, units);
  if (result.verdict === 'too-few')
    return say`Weighed ${result.given} times; four, the first before it dries and the others half a day or a day apart, are the least that tell a curve.`;
  const left = say`Water left: ${mass(result.waterLeftG)}, between ${mass(result.waterLeastG)} and ${mass(result.waterMostG)}.`;
  if (result.verdict === 'dry') return left;
  const date = latestAt
    ? say`Dry enough ${when(dryAt, now, zone)}, between ${when(earliestAt, now, zone)} and ${when(latestAt, now, zone)}.`
    : say`Dry enough ${when(dryAt, now, zone)} at the soonest guess; how late it may be cannot be told yet.`;
  return `${left} ${date}`;
}

const hourMs = 3600_000;
const parts = 40;

/** The curve that the weights are taken to lie on, drawn to where it is dry. */
function fitted({ result, since, dryAt, weighings }: Drying) {
  const { tauHours, dryG, waterLeftG } = result;
  if (!since || tauHours == null || dryG == null || waterLeftG == null) return [];
  const first = Date.parse(since);
  const last = Date.parse(weighings.at(-1)!.at);
  const end = Math.max(last, dryAt ? Date.parse(dryAt) : last);
  return Array.from({ length: parts + 1 }, (_, i) => {
    const atMs = first + ((end - first) * i) / parts;
    return { atMs, value: dryG + waterLeftG * Math.exp(-(atMs - last) / hourMs / tauHours) };
  });
}

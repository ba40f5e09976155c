import { useEffect, useRef, useState } from 'react';
import type { Figure, Front, NewEvent } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { useReading, type Live } from '../instruments/live';
import { countdown } from '../measures/time';
import { measure } from '../measures/units';
import { onShopClock, useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';
import { CupDrawing } from './CupDrawing';
import { byHandOf, levelsOf, weighed, type ByHand, type PartStand } from './pouring';

type Cup = NonNullable<Front['cup']>;

/** Seconds that a cup is stirred: a full minute, with a look at its sides and its bottom on the way. */
const stirS = 60;

/** Two steps of the display: from there on it is being poured, and not a breath on the pan. */
const stepsOfABreath = 2;

/** Whether this page measures by a scale that stands by: who put it aside for one cup does not want it back at the next. */
const wanted = { scale: true };

/** Measures a cup in, part by part: what is poured moves the mark of what comes next. */
export function CupCoach({ cup, desk, isSpread }: { cup: Cup; desk: MendDesk; isSpread: boolean }) {
  const scale = useReading('mass');
  const [byScale, setByScale] = useState(wanted.scale);
  const onScale = byScale && scale?.instrument.isAttached === true;
  return (
    <section aria-label={say`Cup`} className="border-2 border-ink bg-sheet p-3">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h3 className="text-2xl">{cup.of > 1 ? say`Cup ${cup.number} of ${cup.of}` : say`Cup`}</h3>
        <ScaleLine scale={scale} on={onScale} setOn={(on) => setByScale((wanted.scale = on))} />
      </header>
      <Parts cup={cup} desk={desk} stepG={onScale ? scale.step : null} />
      <Says cup={cup} />
      {cup.turn === 'stir' ? (
        <Stir key={`${String(cup.number)}-${cup.setsAt ?? ''}`} cup={cup} desk={desk} isSpread={isSpread} />
      ) : cup.turn === 'throw-out' ? (
        <ThrowOut cup={cup} desk={desk} />
      ) : (
        <Pouring
          key={`${String(cup.number)} ${cup.next ?? ''} ${cup.turn} ${cup.parts.map((part) => part.poured).join(' ')}`}
          cup={cup}
          desk={desk}
          scale={onScale ? scale : null}
        />
      )}
    </section>
  );
}

function ScaleLine({ scale, on, setOn }: { scale: Live | null; on: boolean; setOn: (on: boolean) => void }) {
  if (!scale) return null;
  return scale.instrument.isAttached ? (
    <label className="flex min-h-11 items-center gap-2">
      <input type="checkbox" className="size-6 accent-(--act)" checked={on} onChange={(event) => setOn(event.target.checked)} />
      {say`By ${scale.instrument.name}`}
    </label>
  ) : (
    <span className="text-late">{say`${scale.instrument.name} is not attached: measure by hand.`}</span>
  );
}

const figuresOf = (desk: MendDesk) => new Map(desk.plan!.figures.map((figure): [string, Figure] => [figure.id, figure]));

/** Everything that goes in, what is in of it, and up to where it goes. */
function Parts({ cup, desk, stepG }: { cup: Cup; desk: MendDesk; stepG: number | null }) {
  const { units } = useUnits();
  const figures = figuresOf(desk);
  return (
    <ol className="flex flex-wrap gap-x-6 gap-y-1 py-1">
      {cup.parts.map((part) => {
        const figure = figures.get(part.figure);
        const hand = byHandOf(part, figure, stepG !== null, stepG ?? 1);
        const told = (amount: number) => measure(amount * hand.factor, hand.unit, hand.decimals, units);
        return (
          <li
            key={part.part}
            aria-current={part.part === cup.next ? 'step' : undefined}
            className="border-b-4 border-transparent aria-[current=step]:border-resin"
          >
            <span className="lettering block">{figure?.label}</span>
            <span className="numeral text-xl">{part.poured > 0 ? say`${told(part.poured)} of ${told(part.wanted)}` : told(part.wanted)}</span>
          </li>
        );
      })}
    </ol>
  );
}

function Says({ cup }: { cup: Cup }) {
  const now = useNow();
  const grave = cup.turn === 'throw-out' || cup.turn === 'take-out' || cup.says.length > 0;
  const word = { pour: say`Look:`, 'take-out': say`Too much.`, stir: say`Look:`, 'throw-out': say`Lost.` }[cup.turn];
  return (
    <div role="status" className="flex flex-col gap-2">
      {grave && cup.says.length > 0 ? (
        <Notice tone={cup.turn === 'throw-out' || cup.turn === 'take-out' ? 'late' : 'early'} word={word}>
          {cup.says.join(' ')}
        </Notice>
      ) : null}
      {cup.offPercent !== null ? (
        <p className="text-lg">
          {ratioWords(cup.offPercent, cup.bandPercent)}
          {cup.setsAt && Date.parse(cup.setsAt) > now ? `. ${say`Spread it within ${countdown(Date.parse(cup.setsAt) - now)}`}` : null}
        </p>
      ) : null}
    </div>
  );
}

/** How far hardener or catalyst is off its share, and how well that is known. */
function ratioWords(off: number, band: number | null): string {
  const much = Math.abs(off).toFixed(1);
  const way = much === '0.0' ? say`The ratio is right` : off > 0 ? say`Hardener over by ${much} %` : say`Hardener short by ${much} %`;
  return band === null ? way : say`${way}, known to ${band.toFixed(1)} %`;
}

/** One part on its way in, or some of it on its way out. */
function Pouring({ cup, desk, scale }: { cup: Cup; desk: MendDesk; scale: Live | null }) {
  const { units } = useUnits();
  const part = cup.parts.find((each) => each.part === cup.next)!;
  const figure = figuresOf(desk).get(part.figure);
  const hand = byHandOf(part, figure, scale !== null, scale?.step ?? 0.1);
  const pan = usePan(cup, scale);
  const out = cup.turn === 'take-out';
  const live = pan.amount === null || !part.isWeighed ? null : out ? -pan.amount : pan.amount;
  const keep = (amount: number, fromScale: boolean) => {
    if (fromScale) pan.keep();
    desk.happened(poured(cup, part, out ? -amount : amount, fromScale ? { step: scale!.step, at: pan.begunAt() } : null));
  };
  const isOn = scale !== null && part.isWeighed;
  return (
    <div className="flex flex-wrap items-center gap-4">
      <CupDrawing levels={levelsOf(cup, out ? null : live)} pouring={out ? null : cup.next} />
      <div className="min-w-40 flex-1">
        <p className="text-xl font-bold">
          {out ? say`Take out again: ${figure?.label ?? ''}` : part.poured > 0 ? say`Pour more: ${figure?.label ?? ''}` : say`Pour: ${figure?.label ?? ''}`}
        </p>
        <p className="numeral text-6xl leading-none afar:text-(length:--two-from-afar)">{measure(cup.change * hand.factor, hand.unit, hand.decimals, units)}</p>
        {isOn ? <OnThePan pan={pan} live={live} change={cup.change} scale={scale} /> : null}
      </div>
      {isOn && pan.amount === null ? (
        <Keyed look="main" disabled={desk.busy || !scale.isStill} onClick={pan.zero} className="min-h-20 w-full text-2xl">
          {cup.parts.some((each) => each.poured > 0) ? say`The cup is on the scale: go on from here` : say`The empty cup is on the scale: zero`}
        </Keyed>
      ) : isOn ? (
        <Keyed
          look="main"
          disabled={desk.busy || !scale.isStill || live === null || live < scale.step / 2}
          onClick={() => keep(live!, true)}
          className="min-h-20 w-full text-2xl"
        >
          {out ? say`${weighed(live ?? 0, scale.step, units)} is out` : say`${weighed(Math.max(0, live ?? 0), scale.step, units)} is in`}
        </Keyed>
      ) : (
        <ByHandAmount key={cup.change} hand={hand} aim={cup.change} busy={desk.busy} out={out} onKeep={(amount) => keep(amount, false)} />
      )}
    </div>
  );
}

/** What the pan shows of this part, against what is wanted of it. */
function OnThePan({ pan, live, change, scale }: { pan: Pan; live: number | null; change: number; scale: Live }) {
  const { units } = useUnits();
  if (live === null) return <p className="text-lg text-faint">{scale.isStill ? say`Put the cup on the scale.` : say`The scale still moves …`}</p>;
  const left = change - live;
  const near = Math.max(scale.step, change * 0.02);
  return (
    <div role="meter" aria-label={say`On the scale`} aria-valuemin={0} aria-valuemax={change} aria-valuenow={live} className="mt-2">
      <p
        className={`numeral text-4xl afar:text-(length:--one-from-afar) afar:leading-none ${left < -near ? 'text-late' : Math.abs(left) <= near ? 'text-good' : ''}`}
      >
        {weighed(live, scale.step, units)}
        <span className="ml-3 text-xl afar:text-(length:--words-from-afar)">
          {Math.abs(left) <= near
            ? say`at the mark`
            : left > 0
              ? say`${weighed(left, scale.step, units)} to go`
              : say`${weighed(-left, scale.step, units)} over`}
        </span>
      </p>
      <button type="button" className="min-h-11 text-act underline underline-offset-4" onClick={pan.zero}>{say`Zero again`}</button>
    </div>
  );
}

/** By lines, drops or strokes: what was aimed at, or what it became. */
function ByHandAmount({ hand, aim, busy, out, onKeep }: { hand: ByHand; aim: number; busy: boolean; out: boolean; onKeep: (amount: number) => void }) {
  const { units } = useUnits();
  const [other, setOther] = useState('');
  const number = Number(other.replace(',', '.'));
  const ready = other.trim() !== '' && Number.isFinite(number) && number > 0;
  const aimed = measure(aim * hand.factor, hand.unit, hand.decimals, units);
  return (
    <form
      className="flex w-full flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) onKeep(number / hand.factor);
      }}
    >
      <Keyed look="main" disabled={busy} onClick={() => onKeep(aim)} className="min-h-20 min-w-56 flex-1 text-2xl">
        {out ? say`${aimed} is out` : say`${aimed} is in`}
      </Keyed>
      <label>
        <span className="lettering block">{say`It became, ${hand.unit}`}</span>
        <input
          inputMode="decimal"
          className="numeral h-16 w-28 rounded-sm border-2 border-strong-line bg-paper px-3 text-2xl"
          value={other}
          onChange={(event) => setOther(event.target.value)}
        />
      </label>
      <Button type="submit" size="hand" disabled={!ready || busy}>{say`Save that`}</Button>
    </form>
  );
}

/** Stirs for a minute by the clock; then it is mixed. */
function Stir({ cup, desk, isSpread }: { cup: Cup; desk: MendDesk; isSpread: boolean }) {
  const now = useNow();
  const [from] = useState(now);
  const left = Math.max(0, stirS - Math.round((now - from) / 1000));
  const words = left > 40 ? say`Stir slowly, no bubbles` : left > 20 ? say`Scrape the sides` : left > 0 ? say`Scrape the bottom` : say`Stirred`;
  return (
    <div className="flex flex-wrap items-center gap-4">
      <CupDrawing levels={levelsOf(cup, null)} pouring={null} />
      <p className="min-w-56 flex-1 text-2xl font-bold afar:text-(length:--words-from-afar)" role="status">
        {words} {left > 0 ? <span className="numeral text-6xl leading-none afar:text-(length:--one-from-afar)">{left}</span> : null}
      </p>
      <Keyed
        look={left > 0 ? 'plain' : 'main'}
        disabled={desk.busy}
        onClick={() => desk.happened({ kind: isSpread ? 'stirred' : 'hands-done', stepId: cup.stepId })}
        className="min-h-20 w-full text-2xl"
      >{say`Mixed`}</Keyed>
    </div>
  );
}

function ThrowOut({ cup, desk }: { cup: Cup; desk: MendDesk }) {
  return (
    <Keyed look="main" disabled={desk.busy} onClick={() => desk.happened({ kind: 'thrown-out', stepId: cup.stepId })} className="min-h-20 w-full text-2xl">
      {say`It is thrown out: begin a new cup`}
    </Keyed>
  );
}

/** The one button of the coach, on the key of whatever is done next. */
function Keyed(props: Parameters<typeof Button>[0]) {
  useKeys(['d'], () => {
    if (!props.disabled) (props.onClick as (() => void) | undefined)?.();
  });
  return (
    <Button size="hand" {...props}>
      {props.children} <kbd className="text-base opacity-80">D</kbd>
    </Button>
  );
}

function poured(cup: Cup, part: PartStand, amount: number, from: { step: number; at: string | null } | null): NewEvent {
  const [value, resolution] = [Number(amount.toFixed(4)), from?.step ?? null];
  return { kind: 'poured', stepId: cup.stepId, text: part.part, value, resolution, ...(from?.at ? { at: from.at } : {}) };
}

interface Pan {
  /** Grams of this part on the pan; null before the cup was zeroed. */
  amount: number | null;
  zero: () => void;
  /** Takes what is on the pan as the zero of the next part. */
  keep: () => void;
  /** When the first gram of it fell; the pot clock runs from there. */
  begunAt: () => string | null;
}

/** Where the pan stood when each cup's last part was in: the zero of the next. It outlives the part, and not the page. */
const zeros = new Map<string, number>();

function usePan(cup: Cup, scale: Live | null): Pan {
  const key = `${cup.stepId} ${String(cup.number)} ${scale?.instrument.id ?? ''}`;
  const [zero, setZero] = useState(zeros.get(key) ?? null);
  const begun = useRef<number | null>(null);
  const value = scale?.value ?? null;
  const amount = zero === null || value === null || !scale ? null : Number((value - zero).toFixed(3));
  const pours = amount !== null && scale !== null && Math.abs(amount) >= stepsOfABreath * scale.step;
  useEffect(() => {
    if (pours) begun.current ??= onShopClock(Date.now());
  }, [pours]);
  const set = (next: number) => {
    zeros.set(key, next);
    begun.current = null;
    setZero(next);
  };
  return {
    amount,
    zero: () => value !== null && set(value),
    keep: () => value !== null && zeros.set(key, value),
    begunAt: () => (begun.current === null ? null : new Date(begun.current).toISOString()),
  };
}

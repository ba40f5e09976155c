import { Popover } from 'radix-ui';
import { useRef, useState, type RefObject } from 'react';
import type { Figure, Schemas } from '../api/types';
import { useUnits } from '../shop/units';
import { useEffects, usePlanFigures } from './planFigures';
import { Button } from './Button';
import { byHand, measure } from '../measures/units';
import { sourceWords } from './words';
import { say } from '../words/say';

interface Props {
  figure: Figure;
  /** Sets the figure by hand, or takes that back when the value is null; absent where the plan is frozen. */
  onSet?: (value: number | null, reason: string) => void;
  large?: boolean;
}

/**
 * One number, one reason: the figure opens to its inputs, its rule and its source. A plan has dozens of these, so what opens
 * is only made when it is opened.
 */
export function FigureButton({ figure, onSet, large }: Props) {
  const { units } = useUnits();
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="group flex min-h-11 flex-col items-start justify-center text-left"
      >
        <span className="lettering leading-tight">{figure.label}</span>
        <span
          className={`numeral leading-tight underline decoration-dotted underline-offset-4 ${large ? 'text-4xl afar:text-(length:--two-from-afar) afar:leading-none' : 'text-xl afar:text-4xl'}`}
        >
          {measure(figure.value, figure.unit, figure.decimals, units)}
          {figure.setByHand ? <span className="ml-1 text-sm text-resin">{say`by hand`}</span> : null}
        </span>
      </button>
      {open ? <Opened figure={figure} onSet={onSet} button={button} close={() => setOpen(false)} /> : null}
    </>
  );
}

function Opened({ figure, onSet, button, close }: Props & { button: RefObject<HTMLButtonElement | null>; close: () => void }) {
  return (
    <Popover.Root open modal={false} onOpenChange={close}>
      <Popover.Anchor virtualRef={button} />
      <Popover.Portal>
        <Popover.Content
          side="bottom"
          align="start"
          collisionPadding={12}
          aria-label={figure.label}
          onInteractOutside={(event) => button.current?.contains(event.target as Node) && event.preventDefault()}
          onCloseAutoFocus={() => button.current?.focus()}
          className="z-30 max-h-(--radix-popover-content-available-height) min-h-64 w-[26rem] max-w-[94vw] overflow-y-auto border-2 border-ink bg-sheet p-4 shadow-xl"
        >
          <Why figure={figure} />
          {onSet ? <SetByHand figure={figure} onSet={onSet} /> : null}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Why({ figure }: { figure: Figure }) {
  const { units } = useUnits();
  const { derivation, setByHand } = figure;
  const effects = useEffects(figure.id);
  return (
    <>
      <p className="text-lg font-bold">
        {figure.label}: {measure(figure.value, figure.unit, figure.decimals, units)}
      </p>
      {setByHand ? (
        <p className="mt-1">
          <strong className="text-resin">{say`Set by hand.`}</strong> {setByHand.reason} {say`Calculated, it would be`}{' '}
          {measure(setByHand.computed, figure.unit, figure.decimals, units)}.
        </p>
      ) : null}
      <p className="mt-2">{derivation.rule}</p>
      <Inputs figure={figure} effects={effects} />
      {derivation.wouldChange ? <p className="mt-2">{derivation.wouldChange}</p> : null}
      <p className="mt-2 text-sm text-faint">
        {sourceWords[derivation.source.kind]}: {derivation.source.citation}
      </p>
      {figure.foundedOn !== derivation.source.kind && figure.kind === 'worked' ? (
        <p className="text-sm text-faint">{say`Only as reliable as its weakest input: ${sourceWords[figure.foundedOn].toLowerCase()}.`}</p>
      ) : null}
    </>
  );
}

/** What went in, each of which opens to what went into it, down to the facts of the case and the labels. */
function Inputs({ figure, effects }: { figure: Figure; effects?: readonly Schemas['Effect'][] }) {
  const { figures } = usePlanFigures();
  const inputs = figure.derivation.inputs.map((id) => figures.get(id)).filter((each) => each !== undefined);
  if (inputs.length === 0) return null;
  return (
    <ul className="mt-2 border-y border-line py-1">
      {inputs.map((input) => (
        <InputRow key={input.id} input={input} of={figure} effect={effects?.find((each) => each.input === input.id)} />
      ))}
    </ul>
  );
}

function InputRow({ input, of, effect }: { input: Figure; of: Figure; effect?: Schemas['Effect'] }) {
  const { units } = useUnits();
  const [open, setOpen] = useState(false);
  const row = (
    <>
      <span className="flex-1 text-left">{input.label}</span>
      <span className="numeral">{measure(input.value, input.unit, input.decimals, units)}</span>
    </>
  );
  return (
    <li>
      <button type="button" aria-expanded={open} className="flex min-h-9 w-full items-center gap-3 text-faint" onClick={() => setOpen(!open)}>
        <span aria-hidden className="w-3">
          {open ? '−' : '+'}
        </span>
        {row}
      </button>
      {open ? (
        <div className="border-l-2 border-line pb-1 pl-4">
          {input.derivation.rule ? <p>{input.derivation.rule}</p> : null}
          {effect ? (
            <p>{say`At ${measure(effect.value, input.unit, Math.max(input.decimals, 1), units)} it would be ${measure(effect.becomes, of.unit, Math.max(of.decimals, 1), units)}.`}</p>
          ) : null}
          <Inputs figure={input} />
          <p className="text-sm text-faint">
            {kindWords[input.kind]}. {sourceWords[input.derivation.source.kind]}: {input.derivation.source.citation}
          </p>
        </div>
      ) : null}
    </li>
  );
}

const kindWords: Record<Figure['kind'], string> = {
  worked: say`Calculated`,
  constant: say`A value used in the trade`,
  shape: say`Measured on an outline`,
  fact: say`From this case`,
  label: say`From the label`,
};

function SetByHand({ figure, onSet }: { figure: Figure; onSet: NonNullable<Props['onSet']> }) {
  const { units } = useUnits();
  const hand = byHand(figure.unit, figure.decimals);
  const [value, setValue] = useState(String(hand.shown(figure.value, units)));
  const [reason, setReason] = useState(figure.setByHand?.reason ?? '');
  const ready = Number(value) > 0 && reason.trim().length >= 3;
  const field = 'h-11 rounded-sm border-2 border-line bg-paper px-2';
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2 border-t border-line pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) onSet(hand.kept(Number(value), units), reason.trim());
      }}
    >
      <label className="w-24">
        <span className="lettering block">{say`By hand, ${hand.unit(units) || say`number`}`}</span>
        <input className={`${field} w-full`} inputMode="decimal" value={value} onChange={(event) => setValue(event.target.value)} />
      </label>
      <label className="flex-1">
        <span className="lettering block">{say`Reason`}</span>
        <input className={`${field} w-full`} value={reason} onChange={(event) => setReason(event.target.value)} />
      </label>
      <Button type="submit" look="main" disabled={!ready}>{say`Set it`}</Button>
      {figure.setByHand ? <Button onClick={() => onSet(null, '')}>{say`Undo`}</Button> : null}
    </form>
  );
}

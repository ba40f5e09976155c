import { Plus, Trash2 } from 'lucide-react';
import type { Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { useDamageWords } from '../ui/damageWords';
import type { MendDesk } from '../desk/damageInHand';
import { say } from '../words/say';

const most = 12;

interface Props {
  desk: MendDesk;
  /** Number of the damage that the drawing shows. */
  shown: number;
  /** What another damage starts from; absent where none can be added. */
  usual?: Schemas['Damage'];
}

/** The damages of the item, by number: which one is in hand, and another one to add. */
export function DamageTabs({ desk, shown, usual }: Props) {
  const damageWords = useDamageWords();
  const { damages } = desk.repairCase;
  if (damages.length === 1 && !usual) return null;
  return (
    <div className="flex flex-wrap items-center gap-2" role="group" aria-label={say`Damages of this item`}>
      {damages.length > 1
        ? damages.map(({ seen }, i) => (
            <button
              key={i}
              type="button"
              aria-pressed={shown === i + 1}
              onClick={() => desk.pick(i + 1)}
              className="flex min-h-11 items-center gap-2 border-2 border-line bg-sheet px-3 aria-pressed:border-ink aria-pressed:font-bold"
            >
              <span className="numeral text-xl">{i + 1}</span> {damageWords(seen, desk.repairCase.item.construction)}
            </button>
          ))
        : null}
      {usual && damages.length < most ? (
        <Button onClick={() => desk.addDamage({ seen: usual, choice: null, overrides: null })}>
          <Plus aria-hidden className="mr-1 inline size-5" />
          {say`Another damage`}
        </Button>
      ) : null}
      {usual && damages.length > 1 ? (
        <Button onClick={() => desk.removeDamage(desk.number)} aria-label={say`Remove damage ${desk.number}`}>
          <Trash2 aria-hidden className="inline size-5" />
        </Button>
      ) : null}
    </div>
  );
}

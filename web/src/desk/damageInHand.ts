import { useCallback, useState } from 'react';
import { numbered } from '../api/numbering';
import type { DamageToMend, PlannedDamage } from '../api/types';
import { withDamage } from './edit';
import type { MendState } from './useMend';

/** A mend on the desk with the damage that is looked at: an item may have several. */
export interface MendDesk extends MendState {
  /** Number of the damage in hand, from 1. */
  number: number;
  toMend: DamageToMend;
  planned: PlannedDamage | null;
  pick: (number: number) => void;
  /** Changes the damage in hand as it is at that moment. */
  editDamage: (how: (damage: DamageToMend) => DamageToMend) => void;
  addDamage: (damage: DamageToMend) => void;
  removeDamage: (number: number) => void;
}

/**
 * The damage in hand: the one that was picked, or while the mend runs the one that needs hands first. Picking another holds until
 * the run leads somewhere else.
 */
export function useDamageInHand(state: MendState | null): MendDesk | null {
  const leads = state?.mend.run?.currentStepId ?? null;
  const [picked, setPicked] = useState<{ number: number; while: string | null } | null>(null);
  const wanted = picked && picked.while === leads ? picked.number : numbered(leads ?? '').number;
  const number = Math.min(wanted, state?.repairCase.damages.length ?? 1);
  const edit = state?.edit;
  const editDamage = useCallback<MendDesk['editDamage']>((how) => edit?.((repairCase) => withDamage(repairCase, number, how)), [edit, number]);
  if (!state) return null;
  const { repairCase, plan } = state;
  return {
    ...state,
    number,
    toMend: repairCase.damages[number - 1]!,
    planned: plan?.damages[number - 1] ?? null,
    pick: (next) => setPicked({ number: next, while: leads }),
    editDamage,
    addDamage: (damage) => {
      state.edit((before) => ({ ...before, damages: [...before.damages, damage] }));
      setPicked({ number: repairCase.damages.length + 1, while: leads });
    },
    removeDamage: (gone) => {
      state.edit((before) => ({ ...before, damages: before.damages.filter((_, i) => i !== gone - 1) }));
      setPicked({ number: Math.max(1, gone - 1), while: leads });
    },
  };
}

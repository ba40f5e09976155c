import { describe, expect, it } from 'vitest';
import type { RepairPlan, RunState, Schemas } from '../api/types';
import { aftercareLines } from './aftercare';

const bleed = { id: 'air.bleed', label: 'Bleed to', value: 87, unit: 'kPa', decimals: 0 };
type Damage = Partial<Schemas['PlannedDamage']>;
const plan = ({ aftercare = { watch: [], lookAgainAt: null }, properRepair, ...change }: Damage & Partial<RepairPlan>, ...others: Damage[]) =>
  ({
    figures: [bleed],
    readyAt: '2026-11-25T12:00:00Z',
    fullCureAt: '2026-11-25T12:00:00Z',
    properRepairBy: null,
    damages: [{ aftercare, properRepair }, ...others],
    ...change,
  }) as unknown as RepairPlan;
const lines = (change: Damage & Partial<RepairPlan>) => aftercareLines(plan(change), null, 'metric', 'Europe/Dublin');

describe('what goes back with the item', () => {
  it('says what to watch, with the figure that goes with it', () => {
    const aftercare = {
      watch: [
        { id: 'a', text: 'Let air out in the sun.', figure: 'air.bleed' },
        { id: 'b', text: 'Soap it.', figure: null },
      ],
      lookAgainAt: '2026-12-02T12:00:00Z',
    };
    expect(lines({ aftercare })).toEqual(['Let air out in the sun. Bleed to: 87 kPa.', 'Soap it.', 'Look again Wed 2 Dec.']);
    expect(aftercareLines(plan({ aftercare }), null, 'us', 'Europe/Dublin')[0]).toBe('Let air out in the sun. Bleed to: 12.6 psi.');
  });

  it('asks for easy use only while it still cures', () => {
    expect(lines({})).toEqual([]);
    expect(lines({ fullCureAt: '2026-11-28T12:00:00Z' })).toEqual(['Easy use at first: full strength Sat 28 Nov 12:00.']);
  });

  it('goes by the run once there is one', () => {
    const run = { readyAt: '2026-11-26T12:00:00Z', fullCureAt: '2026-11-30T12:00:00Z', lookAgainAt: '2026-12-10T12:00:00Z' } as unknown as RunState;
    expect(aftercareLines(plan({}), run, 'metric', 'Europe/Dublin')).toEqual(['Easy use at first: full strength Mon 30 Nov 12:00.', 'Look again Thu 10 Dec.']);
  });

  it('names the proper repair of a mend for now and its day', () => {
    expect(lines({ properRepair: 'Glass it', properRepairBy: '2026-12-25T09:00:00Z' })).toEqual(['Proper repair by Fri 25 Dec: Glass it.']);
  });

  it('has nothing to say of a plan from before there was aftercare', () => {
    expect(lines({ aftercare: null })).toEqual([]);
  });

  it('says once what several damages have in common, and looks again at the first of their days', () => {
    const soap = { id: 'b', text: 'Soap it.', figure: null };
    const one = { aftercare: { watch: [soap], lookAgainAt: '2026-12-09T12:00:00Z' } };
    const other = { aftercare: { watch: [soap, { id: 'c', text: 'Keep it out of the sun.', figure: null }], lookAgainAt: '2026-12-02T12:00:00Z' } };
    expect(aftercareLines(plan(one, other), null, 'metric', 'Europe/Dublin')).toEqual(['Soap it.', 'Keep it out of the sun.', 'Look again Wed 2 Dec.']);
  });
});

import { describe, expect, it } from 'vitest';
import type { RepairPlan } from '../api/types';
import { cupLabels } from './cupLabels';

const figure = (id: string, label: string, value: number, unit: string) => ({ id, label, value, unit, decimals: 1 });
const plan = (figures: ReturnType<typeof figure>[], useWithinMin: number | null = 29.95) =>
  ({
    figures,
    steps: [
      { id: 'cut', stage: 'prepare', title: 'Cut away', figures: [], useWithinMin: null },
      { id: 'fill-mix', stage: 'mix', title: 'Mix the fill', figures: figures.map((each) => each.id), useWithinMin },
    ],
  }) as unknown as RepairPlan;

describe('cup labels', () => {
  it('are written for what is mixed, and for nothing else', () => {
    expect(cupLabels(plan([]), 'metric').map((label) => label.title)).toEqual(['Mix the fill']);
  });

  it('name the parts and not the batch that they make', () => {
    const label = cupLabels(plan([figure('fill.batch', 'Batch', 15, 'mL'), figure('fill.part-a', 'Resin (A)', 10, 'mL'), figure('fill.part-b', 'Hardener (B)', 5, 'mL'), figure('fill.peak', 'Hottest', 80, '°C')]), 'metric')[0]!;
    expect(label.parts).toEqual([{ name: 'Resin (A)', amount: '10.0 mL' }, { name: 'Hardener (B)', amount: '5.0 mL' }]);
  });

  it('name resin before filler, whatever is worked out first', () => {
    const label = cupLabels(plan([figure('fill.filler', 'Microballoons', 0.7, 'g'), figure('fill.batch', 'Resin', 3, 'mL')]), 'metric')[0]!;
    expect(label.parts.map((part) => part.name)).toEqual(['Resin', 'Microballoons']);
  });

  it('name the resin where it comes in one part', () => {
    expect(cupLabels(plan([figure('fill.batch', 'Resin', 4.6, 'mL')]), 'metric')[0]!.parts).toEqual([{ name: 'Resin', amount: '4.6 mL' }]);
  });

  it('never give longer than the pot lives, and nothing where it has no end', () => {
    expect(cupLabels(plan([]), 'metric')[0]!.useWithin).toBe('29 min');
    expect(cupLabels(plan([], null), 'metric')[0]!.useWithin).toBeNull();
  });

  // A label with the whole batch on it would put three cups' worth into one, and that cup smokes.
  it('give what goes into one cup where the batch is split', () => {
    const label = cupLabels(plan([figure('fill.batches', 'Batches', 3, ''), figure('fill.part-a', 'Resin (A)', 90, 'mL'), { ...figure('fill.catalyst-drops', 'Catalyst', 8, 'drops'), decimals: 0 }]), 'metric')[0]!;
    expect(label.cups).toBe(3);
    expect(label.parts.map((part) => part.amount)).toEqual(['30.0 mL', '2.7 drops']);
  });
});

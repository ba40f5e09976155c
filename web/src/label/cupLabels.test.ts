import { describe, expect, it } from 'vitest';
import type { RepairPlan, RunState } from '../api/types';
import { cupLabels, linesOf, timesOf, type LabelledMend } from './cupLabels';

const figure = (id: string, label: string, value: number, unit: string) => ({ id, label, value, unit, decimals: 1 });
const plan = (figures: ReturnType<typeof figure>[], useWithinMin: number | null = 29.95, cups: string | null = null, perCup = true) =>
  ({
    figures,
    steps: [
      { id: 'cut', stage: 'prepare', title: 'Cut away', figures: [], useWithinMin: null, pour: null, uses: null, timing: { damage: 1 } },
      {
        id: '2:fill-mix',
        stage: 'mix',
        title: 'Mix the fill',
        figures: [],
        useWithinMin,
        pour: { parts: figures.map((each) => each.id).filter((id) => id !== cups), lead: [], cups, perCup, warning: null },
        uses: null,
        timing: { damage: 2, also: [3] },
      },
      { id: '3:fill-mix', stage: 'mix', title: 'Take it from the cup', figures: [], useWithinMin: null, pour: null, uses: '2:fill-mix', timing: { damage: 3 } },
    ],
  }) as unknown as RepairPlan;

/** A mend of a plan, with one front of its run. */
const of = (planned: RepairPlan, front: object | null = null, startedAt: string | null = null) => ({
  plan: planned,
  run: front && ({ fronts: [front], steps: [{ stepId: '2:fill-mix', startedAt }] } as unknown as RunState),
});

describe('cup labels', () => {
  it('are written for what is mixed, and for nothing else', () => {
    expect(cupLabels(of(plan([])), 'metric').map((label) => [label.title, label.damages])).toEqual([['Mix the fill', [2, 3]]]);
  });

  it('name what is poured, in the order of the plan', () => {
    const label = cupLabels(of(plan([figure('fill.part-a', 'Resin (A)', 10, 'mL'), figure('fill.part-b', 'Hardener (B)', 5, 'mL')])), 'metric')[0]!;
    expect(label.parts).toEqual([
      { name: 'Resin (A)', amount: '10.0 mL' },
      { name: 'Hardener (B)', amount: '5.0 mL' },
    ]);
  });

  it('never give longer than the pot lives, and nothing where it has no end', () => {
    expect(cupLabels(of(plan([])), 'metric')[0]!.useWithin).toBe('29 min');
    expect(cupLabels(of(plan([], null)), 'metric')[0]!.useWithin).toBeNull();
  });

  // A label with the whole batch on it would put three cups' worth into one, and that cup smokes.
  it('give what goes into one cup where the batch is split, and an old plan put all cups together', () => {
    const labelOf = (perCup: boolean) =>
      cupLabels(
        of(
          plan(
            [
              figure('fill.batches', 'Batches', 3, ''),
              figure('fill.part-a', 'Resin (A)', 90, 'mL'),
              { ...figure('fill.catalyst-drops', 'Catalyst', 8, 'drops'), decimals: 0 },
            ],
            29.95,
            'fill.batches',
            perCup,
          ),
        ),
        'metric',
      )[0]!;
    expect(labelOf(true).cups).toBe(3);
    expect(labelOf(true).parts.map((part) => part.amount)).toEqual(['90.0 mL', '8 drops']);
    expect(labelOf(false).parts.map((part) => part.amount)).toEqual(['30.0 mL', '2.7 drops']);
  });

  // Two items of 12 and 20 g: one cup of 32 g, and on the label whose is what.
  it('tell a shared cup whole, and whose is what', () => {
    const cup = {
      isMixedHere: true,
      scale: 2.5,
      taken: 1,
      workMin: 12,
      lifeMin: 17.4,
      own: 12,
      total: 32,
      isWeighed: true,
      others: [{ mend: 7, item: 'Red', stepId: 'fill-mix', amount: 20 }],
    };
    const labelOf = (isMixedHere: boolean) =>
      cupLabels(
        of(plan([figure('fill.part-a', 'Resin (A)', 10, 'mL')]), { stepId: '2:fill-mix', together: { ...cup, isMixedHere, beganAt: null, useBy: null } }),
        'metric',
      )[0]!;
    expect(labelOf(true)).toMatchObject({
      parts: [{ name: 'Resin (A)', amount: '25.0 mL' }],
      useWithin: '17 min',
      shares: ['12.0 g for this one', '20.0 g for Red'],
    });
    expect(labelOf(false)).toMatchObject({ parts: [], shares: ['12.0 g for this one, from the cup of Red', '20.0 g for Red'] });
  });

  it('are told to a printer line by line, the tag first, with what is known by now', () => {
    const [began, useBy] = ['2026-05-04T09:00:00Z', '2026-05-04T09:25:00Z'];
    const mixed = of(
      plan([figure('fill.part-a', 'Resin (A)', 10, 'mL')]),
      { stepId: '2:fill-mix', useBy: null, cup: { stepId: '2:fill-mix', setsAt: useBy } },
      began,
    );
    const mend = {
      ...mixed,
      id: 4,
      tag: 'BRD-07',
      plan: { ...mixed.plan, damages: [{}, { system: { materialName: 'Epoxy, 2:1' } }] },
    } as unknown as LabelledMend;
    expect(linesOf(cupLabels(mend, 'metric')[0]!, mend, (iso) => iso.slice(11, 16))).toEqual([
      'BRD-07',
      'Mix the fill',
      'Epoxy, 2:1',
      'Resin (A): 10.0 mL',
      'Use it within 29 min.',
      'Mixed at 09:00',
      'Discard after 09:25',
    ]);
  });

  it('have their times on them as soon as the bench knows', () => {
    const [began, useBy] = ['2026-05-04T09:00:00Z', '2026-05-04T09:25:00Z'];
    expect(timesOf(of(plan([]), { stepId: '2:fill-mix', useBy: null, cup: { stepId: '2:fill-mix', setsAt: useBy } }, began), '2:fill-mix')).toEqual({
      mixedAt: began,
      useBy,
    });
    expect(timesOf(of(plan([]), { stepId: '3:fill-mix', useBy, cup: null }, began), '2:fill-mix')).toEqual({ mixedAt: began, useBy });
  });

  // One step, three cups: the second was not mixed when the first was.
  it('do not give a later cup the begin of the first', () => {
    const [began, useBy] = ['2026-05-04T09:00:00Z', '2026-05-04T09:50:00Z'];
    const second = of(plan([]), { stepId: '2:fill-mix', useBy: null, cup: { stepId: '2:fill-mix', number: 2, setsAt: useBy } }, began);
    expect(timesOf(second, '2:fill-mix')).toEqual({ mixedAt: null, useBy });
  });

  it('are left to a pen before the mix, and for a cup that is in nobody’s hand', () => {
    const pen = { mixedAt: null, useBy: null };
    expect(timesOf(of(plan([]), { stepId: '2:fill-mix', useBy: null, cup: { stepId: '2:fill-mix', setsAt: null } }, null), '2:fill-mix')).toEqual(pen);
    expect(timesOf(of(plan([]), { stepId: 'cut', useBy: '2026-05-04T09:25:00Z', cup: null }, '2026-05-04T09:00:00Z'), '2:fill-mix')).toEqual(pen);
    expect(timesOf(of(plan([])), '2:fill-mix')).toEqual(pen);
  });
});

import { describe, expect, it } from 'vitest';
import type { MendView, NewEvent } from '../api/types';
import { ahead } from './ahead';

const at = '2026-05-06T10:00:00.000Z';
const wait = { kind: 'flash', check: 'Dry?', whenLate: 'Wipe it again.' };
const step = (id: string, more: object = {}) => ({ id, useWithinMin: null, uses: null, timing: { damage: 1, wait: null }, ...more });
const front = (stepId: string) => ({ damage: 1, stepId, phase: 'next', window: null, useBy: null });

function mend(current: string): MendView {
  const steps = [step('cut'), step('clean', { timing: { damage: 1, wait } }), step('mix', { useWithinMin: 20 }), step('lay', { uses: 'mix' })];
  return {
    plan: { steps },
    events: [],
    run: {
      currentStepId: current,
      phase: 'next',
      fronts: [front(current)],
      steps: steps.map((each) => ({ stepId: each.id, phase: 'ahead' })),
      timeline: [{ stepId: 'clean', handsEndAt: '2026-05-06T09:00:00Z', opensAt: '2026-05-06T09:05:00Z', closesAt: '2026-05-06T10:05:00Z' }],
    },
  } as unknown as MendView;
}

const happened = (kind: NewEvent['kind'], stepId: string, more: Partial<NewEvent> = {}) => ({ kind, stepId, at, ...more }) as NewEvent;

describe('the run ahead of the server', () => {
  it('goes on to the next step where there is nothing to wait for', () => {
    const run = ahead(mend('cut'), [happened('hands-done', 'cut')]).run!;
    expect(run.currentStepId).toBe('clean');
    expect(run.fronts[0]!.phase).toBe('next');
    expect(run.steps[0]!.phase).toBe('done');
  });

  it('does not go on twice for what the server has, though nobody heard that it has', () => {
    const heard = { ...mend('clean'), events: [{ kind: 'hands-done', stepId: 'clean', at: '2026-05-06T10:00:00Z' }] } as unknown as MendView;
    expect(ahead(heard, [happened('hands-done', 'clean')]).run!.phase).toBe('next');
    expect(ahead(heard, [happened('hands-done', 'clean', { at: '2026-05-06T10:00:01Z' })]).run!.phase).toBe('waiting');
  });

  it('waits from the moment of the tap, for as long as the plan waited', () => {
    const run = ahead(mend('clean'), [happened('hands-done', 'clean')]).run!;
    expect(run.phase).toBe('waiting');
    expect(run.window).toMatchObject({ fromAt: at, opensAt: '2026-05-06T10:05:00.000Z', closesAt: '2026-05-06T11:05:00.000Z' });
    expect(ahead(mend('clean'), [happened('hands-done', 'clean'), happened('ready', 'clean')]).run!.currentStepId).toBe('mix');
  });

  it('runs the pot clock from the tap that began the mix, on into the step that uses it', () => {
    const begun = ahead(mend('mix'), [happened('begin', 'mix')]).run!;
    expect(begun).toMatchObject({ phase: 'hands', useBy: '2026-05-06T10:20:00.000Z' });
    expect(ahead(mend('mix'), [happened('begin', 'mix'), happened('hands-done', 'mix')]).run!.fronts[0]).toMatchObject({
      stepId: 'lay',
      useBy: '2026-05-06T10:20:00.000Z',
    });
  });

  it('knows what was read for a test, and how long one lasts that was begun', () => {
    const before = mend('lay');
    before.run!.fronts[0]!.test = { first: null, then: null, thenFrom: null, difference: null, offBy: null, verdict: null, forMin: 10, until: null };
    const read = ahead(before, [happened('measured', 'lay', { value: 3212 }), happened('begin', 'lay')]).run!.fronts[0]!;
    expect(read).toMatchObject({ phase: 'hands', test: { first: { at, value: 3212 }, then: null, until: '2026-05-06T10:10:00.000Z' } });
    expect(ahead(before, [happened('measured', 'lay', { value: 3212 }), happened('measured', 'lay', { value: 3214 })]).run!.fronts[0]!.test!.then!.value).toBe(
      3214,
    );
    expect(ahead(mend('lay'), [happened('measured', 'lay', { value: 1 })])).toEqual(mend('lay'));
  });

  it('ends with the last step, stops at a failed test, and leaves alone what it does not know', () => {
    expect(ahead(mend('lay'), [happened('hands-done', 'lay')]).run).toMatchObject({ currentStepId: null, fronts: [] });
    expect(ahead(mend('lay'), [happened('proof', 'lay', { passed: false })]).run!.phase).toBe('failed');
    expect(ahead(mend('cut'), [happened('note', 'cut', { text: 'x' }), happened('ready', 'gone')])).toEqual(mend('cut'));
  });
});

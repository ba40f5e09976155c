import { describe, expect, it } from 'vitest';
import { merge } from './merge';

const base = { bench: { temperatureC: 20, zone: 'Etc/UTC' }, damages: [{ depthMm: 3, wet: false }], wanted: { neededBy: null } };
const with_ = (change: (copy: typeof base) => void) => {
  const copy = structuredClone(base);
  change(copy);
  return copy;
};

describe('two changes of one case', () => {
  it('are both kept where they do not touch the same', () => {
    const mine = with_((copy) => (copy.damages[0]!.depthMm = 5));
    const theirs = with_((copy) => (copy.bench.temperatureC = 15));
    expect(merge(base, mine, theirs)).toEqual({ value: { ...mine, bench: theirs.bench }, collides: false });
  });

  it('are no collision where both did the same, or one of them nothing', () => {
    const mine = with_((copy) => (copy.damages[0]!.wet = true));
    expect(merge(base, mine, structuredClone(mine))).toEqual({ value: mine, collides: false });
    expect(merge(base, structuredClone(base), mine)).toEqual({ value: mine, collides: false });
    expect(merge(base, mine, structuredClone(base))).toEqual({ value: mine, collides: false });
  });

  it('collide where both changed one thing, and what only they changed is kept all the same', () => {
    const mine = with_((copy) => (copy.damages[0]!.depthMm = 5));
    const theirs = with_((copy) => {
      copy.damages[0]!.depthMm = 7;
      copy.bench.zone = 'Europe/Dublin';
    });
    const merged = merge(base, mine, theirs);
    expect(merged.collides).toBe(true);
    expect(merged.value.damages[0]!.depthMm).toBe(5);
    expect(merged.value.bench.zone).toBe('Europe/Dublin');
  });

  it('collide where both added to one list', () => {
    const mine = with_((copy) => copy.damages.push({ depthMm: 1, wet: false }));
    const theirs = with_((copy) => copy.damages.push({ depthMm: 2, wet: false }));
    expect(merge(base, mine, theirs).collides).toBe(true);
  });

  it('do not collide with what this device sent itself and never heard of', () => {
    const sent = with_((copy) => (copy.damages[0]!.depthMm = 5));
    const mine = with_((copy) => (copy.damages[0]!.depthMm = 6));
    expect(merge(base, mine, structuredClone(sent), [base, sent])).toEqual({ value: mine, collides: false });
    expect(merge(base, mine, sent).collides).toBe(true);
    // It did not arrive, and somebody else was there.
    const theirs = with_((copy) => (copy.damages[0]!.depthMm = 7));
    expect(merge(base, mine, theirs, [base, sent]).collides).toBe(true);
    expect(merge(base, mine, structuredClone(base), [base, sent])).toEqual({ value: mine, collides: false });
  });

  it('do not collide with it either where somebody else was there since, and what that one changed is kept', () => {
    const sent = with_((copy) => (copy.damages[0]!.depthMm = 5));
    const since = with_((copy) => {
      copy.damages[0]!.depthMm = 5;
      copy.bench.temperatureC = 15;
    });
    const mine = with_((copy) => (copy.damages[0]!.depthMm = 6));
    expect(merge(base, mine, since, [sent])).toEqual({ value: { ...mine, bench: since.bench }, collides: false });
    // Taken back to what it was before it was sent.
    expect(merge(base, structuredClone(base), since, [sent])).toEqual({ value: { ...base, bench: since.bench }, collides: false });
    expect(
      merge(
        base,
        with_((copy) => (copy.bench.temperatureC = 10)),
        since,
        [sent],
      ).collides,
    ).toBe(true);
  });

  // Whatever two people do: nothing that only one of them touched is lost.
  it('lose nothing that one of them alone changed, over many drawn pairs', () => {
    let state = 7;
    const draw = (most: number) => (state = (state * 48271) % 2147483647) % most;
    for (let i = 0; i < 2000; i++) {
      const document = () => Object.fromEntries(Array.from({ length: 6 }, (_, key) => [`k${key}`, { a: draw(3), b: draw(3) }]));
      const [before, mine, theirs] = [document(), document(), document()];
      const merged = merge(before, mine, theirs);
      let collided = false;
      for (const key of Object.keys(before)) {
        for (const leaf of ['a', 'b'] as const) {
          const [was, my, their, now] = [before[key]![leaf], mine[key]![leaf], theirs[key]![leaf], merged.value[key]![leaf]];
          if (my === was) expect(now).toBe(their);
          else expect(now).toBe(my);
          collided ||= my !== was && their !== was && my !== their;
        }
      }
      expect(merged.collides).toBe(collided);
    }
  });
});

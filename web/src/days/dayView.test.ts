import { expect, test } from 'vitest';
import type { Schemas } from '../api/types';
import { blocksOn, daysOf, minutesOf, rangeOf, sharesOf, shelvesOf, togetherOn, turnOf, worthWords } from './dayView';

const block = (startsAt: string, endsAt: string, person = 0): Schemas['DayBlock'] => ({
  mend: 1,
  stepId: 'cut',
  titles: ['Cut'],
  person,
  startsAt,
  endsAt,
  waits: null,
  overAt: null,
  closesAt: null,
  missed: false,
  pinned: false,
  inWarm: false,
});
const first = block('2026-05-06T08:00:00Z', '2026-05-06T08:30:00Z');
const second = block('2026-05-06T09:00:00Z', '2026-05-06T09:20:00Z');
const tomorrow = block('2026-05-06T23:30:00Z', '2026-05-06T23:40:00Z', 1);
const all = [first, second, tomorrow];

test('what is in hand is what has begun and is not over; what comes next is the one after it', () => {
  expect(turnOf(all, 0, Date.parse('2026-05-06T08:10:00Z'))).toEqual({ now: first, next: second });
  expect(turnOf(all, 0, Date.parse('2026-05-06T08:40:00Z'))).toEqual({ now: null, next: second });
  expect(turnOf(all, 0, Date.parse('2026-05-06T09:30:00Z'))).toEqual({ now: null, next: null });
});

test('a day is a day of the shop, and today is there even when nothing is done', () => {
  expect(daysOf(all, '2026-05-05T12:00:00Z', 'Europe/Dublin')).toEqual(['2026-05-05', '2026-05-06', '2026-05-07']);
  expect(blocksOn(all, '2026-05-07', 'Europe/Dublin')).toEqual([tomorrow]);
});

test('the picture of a day runs over whole hours, and never over fewer than eight', () => {
  const { fromMs, toMs } = rangeOf([first, second], 0);
  expect(new Date(fromMs).toISOString()).toBe('2026-05-06T08:00:00.000Z');
  expect(toMs - fromMs).toBe(8 * 3600_000);
});

test('hands are counted by person', () => {
  expect(minutesOf(all, 0)).toBe(50);
  expect(minutesOf(all, 1)).toBe(10);
});

test('clamps come before places and the warm, by number, and only those that are taken meanwhile', () => {
  const taken = (thing: 'clamp' | 'place' | 'warm', number: number, from: string, until: string) => ({ thing, number, mend: number, from, until });
  const early = taken('place', 1, '2026-05-06T05:00:00Z', '2026-05-06T08:00:00Z');
  const [second, first] = [
    taken('place', 2, '2026-05-06T07:00:00Z', '2026-05-07T08:00:00Z'),
    taken('place', 1, '2026-05-06T09:00:00Z', '2026-05-06T10:00:00Z'),
  ];
  const clamp = taken('clamp', 1, '2026-05-06T09:00:00Z', '2026-05-06T10:00:00Z');
  const warm = taken('warm', 1, '2026-05-06T09:00:00Z', '2026-05-06T12:00:00Z');
  const range = { fromMs: Date.parse('2026-05-06T08:00:00Z'), toMs: Date.parse('2026-05-06T17:00:00Z') };
  expect(shelvesOf([warm, early, second, first, clamp], range)).toEqual([
    { thing: 'clamp', number: 1, taken: [clamp] },
    { thing: 'place', number: 1, taken: [first] },
    { thing: 'place', number: 2, taken: [second] },
    { thing: 'warm', number: 1, taken: [warm] },
  ]);
});

test('a plan says how late it is, what none could better, and what looking on has gained; and nothing where all is in time', () => {
  const inTime = { missed: 0, lateMin: 0, leastMissed: 0, leastLateMin: 0, fewerMissed: 0, lessLateMin: 0 };
  expect(worthWords(inTime, false)).toEqual([]);
  expect(worthWords({ ...inTime, lateMin: 90, leastLateMin: 30, lessLateMin: 45 }, false)).toEqual([
    'Late by 1 h 30 in all.',
    'No plan could be late by less than 30 min.',
    'Looking on has taken 45 min off that.',
  ]);
  expect(worthWords({ ...inTime, missed: 2, leastMissed: 2, lateMin: 60, leastLateMin: 60, fewerMissed: 1 }, true)).toEqual([
    '2 windows are missed.',
    'No plan could keep more of them.',
    'Late by 60 min in all, each as often as it counts.',
    'No plan could be less late: each is ready as soon as if it were alone.',
    'Looking on has saved 1 window.',
  ]);
});

test('a cup for several stands on the day on which it is mixed, by the clock of the shop, and what is melted stands by itself', () => {
  const cup = (at: string, kind: 'cup' | 'heat' = 'cup') => ({
    at,
    kind,
    mixes: [1, 2, 3].map((mend) => ({ mend, stepId: 'fill-mix', title: mend === 2 ? 'Mix the sanding coat' : 'Mix the fill' })),
  });
  const cups = [cup('2026-05-06T08:00:00Z'), cup('2026-05-06T23:30:00Z'), cup('2026-05-06T09:00:00Z', 'heat')];
  expect(togetherOn(cups, 'cup', '2026-05-06', 'Europe/Dublin')).toEqual([cups[0]]);
  expect(togetherOn(cups, 'heat', '2026-05-06', 'Europe/Dublin')).toEqual([cups[2]]);
  expect(togetherOn(cups, 'cup', '2026-05-07', 'Europe/Dublin')).toEqual([cups[1]]);
  expect(sharesOf(cups[0]!)).toEqual([
    ['Mix the fill', [1, 3]],
    ['Mix the sanding coat', [2]],
  ]);
});

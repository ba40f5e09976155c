import { expect, test } from 'vitest';
import { found } from './find';

const fleet = [
  ['SKI-22L', 'Touring ski, left', 'Ski, wood core'],
  ['SKI-22R', 'Touring ski, right', 'Ski, wood core'],
  ['BRD-02', 'Longboard, sand', 'Surfboard, PU and polyester'],
  ['PDL-07', 'Paddle, ébène', 'Paddle, carbon'],
] as const;
const tags = (typed: string) => found(fleet, typed, (each) => each).map(([tag]) => tag);

test('nothing typed finds all', () => expect(tags(' ')).toHaveLength(4));
test('the beginning of any word of tag, name or construction finds it', () => {
  expect(tags('22')).toEqual(['SKI-22L', 'SKI-22R']);
  expect(tags('carb')).toEqual(['PDL-07']);
  expect(tags('ski-22r')).toEqual(['SKI-22R']);
});
test('each word that is typed has to be found', () => {
  expect(tags('ski left')).toEqual(['SKI-22L']);
  expect(tags('ski longboard')).toEqual([]);
});
test('accents and capitals make no difference', () => expect(tags('EBENE')).toEqual(['PDL-07']));
test('the end of a word finds nothing', () => expect(tags('board')).toEqual([]));

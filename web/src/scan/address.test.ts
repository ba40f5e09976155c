import { expect, test } from 'vitest';
import { lotIn, tagIn } from './address';

test('what a scanner types is the tag of its label', () => {
  expect(tagIn('http://shop.local:5080/tags/SUP-14')).toBe('SUP-14');
  expect(tagIn('https://shop.local/tags/Z%20%2F%201 ')).toBe('Z / 1');
});

test('what a hand types stays as it is', () => {
  expect(tagIn('ski 22')).toBe('ski 22');
  expect(lotIn('L-004')).toBe('L-004');
  expect(tagIn('/tags/%E0%A4%A')).toBe('%E0%A4%A');
});

test('the code of a lot is no tag, and that of an item no lot', () => {
  expect(lotIn('https://bench.lan/shelf?lot=L-004')).toBe('L-004');
  expect(lotIn('https://bench.lan/shelf?lot=%C3%B6l%26wax')).toBe('öl&wax');
  expect(tagIn('https://bench.lan/shelf?lot=L-004')).toBe('https://bench.lan/shelf?lot=L-004');
  expect(lotIn('https://bench.lan/tags/SUP-14')).toBe('https://bench.lan/tags/SUP-14');
});

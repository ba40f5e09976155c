import { expect, test } from 'vitest';
import { tagIn } from './tag';

test('what a scanner types is the tag of its label', () => {
  expect(tagIn('http://shop.local:5080/tags/SUP-14')).toBe('SUP-14');
  expect(tagIn('https://shop.local/tags/Z%20%2F%201 ')).toBe('Z / 1');
});

test('what a hand types stays as it is', () => {
  expect(tagIn('ski 22')).toBe('ski 22');
  expect(tagIn('/tags/%E0%A4%A')).toBe('%E0%A4%A');
});

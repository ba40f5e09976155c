import { expect, test, vi } from 'vitest';
import { addressOfLot, lotIn } from '../scan/address';
import { parseSearch, stringifySearch } from './search';

test.each(['1E3', '12.0', '007', 'true', 'null', '"a"', '{"a":1}', '[1]', 'öl & wax + 2', 'a=b', '50%', 'a b'])('%s stays what it is called', (lot) => {
  expect(parseSearch(stringifySearch({ lot }))).toEqual({ lot });
});

test('nothing is nothing', () => {
  expect(stringifySearch({})).toBe('');
  expect(stringifySearch({ lot: undefined })).toBe('');
  expect(parseSearch('')).toEqual({});
});

test('an address that was copied is read as a label is', () => {
  vi.stubGlobal('location', { origin: 'https://bench.lan' });
  for (const lot of ['a b', 'a+b', '1E3']) expect(lotIn(`https://bench.lan/shelf${stringifySearch({ lot })}`)).toBe(lotIn(addressOfLot(lot)));
});

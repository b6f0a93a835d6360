import { expect, it } from 'vitest';
import { csv, csvHref } from './csv';

it('quotes what RFC 4180 asks to be quoted, and keeps a name from becoming a formula', () => {
  expect(csv([['a', 'b,c', 'say "so"', 'two\nlines', '=SUM(A1)', -3, 2.5]])).toBe(
    'a,"b,c","say ""so""","two\nlines",\'=SUM(A1),-3,2.5',
  );
  expect(csv([['x'], ['y']])).toBe('x\r\ny');
  expect(decodeURIComponent(csvHref('a,é').split(',').slice(1).join(','))).toBe('a,é');
});

import { describe, expect, it } from 'vitest';
import { readNumber } from './number';

describe('a number as somebody types it', () => {
  it.each([
    ['12', {}, 12],
    [' 12.5 ', {}, 12.5],
    ['-3', {}, -3],
    ['−3', {}, -3],
    ['12 A', { unit: 'A' }, 12],
    ['12.5mΩ', { unit: 'mΩ' }, 12.5],
    ['15', { whole: true, min: 5, max: 60 }, 15],
  ] as const)('%j is read', (text, bounds, value) => {
    expect(readNumber(text, bounds)).toBe(value);
  });

  it.each([
    ['purple', { unit: 'A' }, 'A number, such as 12.5 A.'],
    ['purple', {}, 'A number, such as 12.5.'],
    ['purple', { whole: true }, 'A whole number, such as 15.'],
    ['12.5', { whole: true }, 'A whole number, such as 15.'],
    ['1,500', {}, 'A comma may be a thousand or a decimal: write 1500 or 1.5.'],
    ['12 V', { unit: 'A' }, 'A number, such as 12.5 A.'],
    ['1e3', {}, 'A number, such as 12.5.'],
    ['61', { min: 5, max: 60, unit: 'A' }, '5 to 60 A.'],
    ['4', { min: 5, max: 60 }, '5 to 60.'],
  ] as const)('%j is told, not mended', (text, bounds, trouble) => {
    expect(readNumber(text, bounds)).toEqual({ trouble });
  });
});

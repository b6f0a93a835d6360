import { describe, expect, it } from 'vitest';
import { assumedCount, plainValue, readLength } from './values';

describe('a surveyed value', () => {
  it('says how it is known', () => {
    expect(plainValue({ value: 5, basis: 'assumed' })).toMatchObject({ value: 5, assumed: true });
    expect(plainValue({ value: 5, basis: 'measured', entered: '16 ft' })).toMatchObject({
      assumed: false,
      entered: '16 ft',
    });
    expect(plainValue(5)).toMatchObject({ value: 5, basis: 'told', assumed: false });
  });

  it('counts what is assumed at any depth', () => {
    expect(
      assumedCount({
        type: 'x',
        label: 'x',
        a: { value: 1, basis: 'assumed' },
        b: { c: { value: 2, basis: 'assumed' }, d: { value: 3, basis: 'measured' } },
      }),
    ).toBe(2);
  });
});

describe('a length as written', () => {
  it('reads feet and metres and keeps what was entered', () => {
    expect(readLength('18 ft')).toEqual({ value: 5.486, entered: '18 ft' });
    expect(readLength("18'")).toEqual({ value: 5.486, entered: '18 ft' });
    expect(readLength('5.5m')).toEqual({ value: 5.5, entered: '5.5 m' });
  });

  it('reads what is on the other side of a tape', () => {
    expect(readLength('4 in')).toEqual({ value: 0.102, entered: '4 in' });
    expect(readLength('6"')?.value).toBe(0.152);
    expect(readLength('4 ft 6 in')).toEqual({ value: 1.372, entered: '4 ft 6 in' });
    expect(readLength(`4' 6"`)?.value).toBe(1.372);
    expect(readLength('30cm')?.value).toBe(0.3);
    expect(readLength('450 mm')?.value).toBe(0.45);
    for (const odd of ['6 in 4 ft', '3 m 20 cm', '2 miles']) expect(readLength(odd)).toBeNull();
  });

  it('does not guess', () => {
    for (const unclear of ['18', '1,500 m', '-3 m', 'abc', '']) expect(readLength(unclear)).toBeNull();
  });
});

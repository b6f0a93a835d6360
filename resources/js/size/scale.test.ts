import { describe, expect, it } from 'vitest';
import { at, short, TICKS } from './scale';

describe('the scale of the rulers', () => {
  it('runs by tenfold from one ampere to twenty thousand, and ends there', () => {
    expect(at(1)).toBe(0);
    expect(at(20000)).toBe(100);
    expect(at(10) - at(1)).toBeCloseTo(at(1000) - at(100), 9);
    expect(at(0.1)).toBe(0);
    expect(at(90000)).toBe(100);
  });

  it('names amps shortly', () => {
    expect([short(4.94), short(30), short(1500), short(10731), short(5000)]).toEqual([
      '4.9',
      '30',
      '1.5 kA',
      '11 kA',
      '5 kA',
    ]);
  });

  it('has its ticks in order', () => {
    expect([...TICKS].sort((a, b) => a - b)).toEqual(TICKS);
  });
});

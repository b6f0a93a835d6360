import { describe, expect, it } from 'vitest';
import { readReading } from './BaselinePanel';
import { twinOf } from '../shell/units';

describe('a reading as written', () => {
  it('takes a number, with or without its unit', () => {
    expect(readReading('12.6', 'V')).toEqual({ value: 12.6 });
    expect(readReading(' 12.6 V ', 'V')).toEqual({ value: 12.6 });
    expect(readReading('-0.2', 'V')).toEqual({ value: -0.2 });
    expect(readReading('0.3 ohm', 'Ω')).toEqual({ value: 0.3 });
  });

  it('takes a word where there is no number to be had', () => {
    expect(readReading('open', 'Ω')).toEqual({ words: 'open' });
    expect(readReading('says open ground', '')).toEqual({ words: 'says open ground' });
  });

  it('asks back what can be read two ways', () => {
    expect(readReading('12,6', 'V')).toContain('two ways');
    expect(readReading('1,500', 'V')).toContain('two ways');
    expect(readReading('3 A', 'V')).toContain('in V');
    expect(readReading('12 13', 'V')).toContain('one number');
  });
});

describe('gauges that are misread', () => {
  it('are asked back both ways, and no others', () => {
    expect(twinOf('awg:3')).toBe('awg:3/0');
    expect(twinOf('awg:3/0')).toBe('awg:3');
    expect(twinOf('awg:4')).toBe('awg:4/0');
    expect(twinOf('awg:14')).toBeNull();
    expect(twinOf('awg:6')).toBeNull();
    expect(twinOf('mm2:35')).toBeNull();
  });
});

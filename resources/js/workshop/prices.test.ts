import { describe, expect, it } from 'vitest';
import type { Catalogue, Field } from '../api/client';
import { factsOf, freeCode, matching } from './prices';

const offers = [
  { code: 'lug-2-m8', own: false, body: { kind: 'lug', name: 'Lug 2 AWG, M8' } },
  { code: 'inverter-1000', own: true, body: { kind: 'inverter', name: 'Inverter 1000 W, sine', watts: 1000 } },
] as Catalogue['offers'];

describe('finding an offer', () => {
  it('goes by kind, and by every word of name or code', () => {
    expect(matching(offers, '', '').length).toBe(2);
    expect(matching(offers, 'lug', '')[0]!.code).toBe('lug-2-m8');
    expect(matching(offers, '', 'sine 1000')[0]!.code).toBe('inverter-1000');
    expect(matching(offers, 'lug', 'sine')).toEqual([]);
  });
});

describe('a code', () => {
  it('comes from the name, and is free', () => {
    expect(freeCode('Relay 200 A (large)', offers)).toBe('relay-200-a-large');
    expect(freeCode('Lug 2, M8', offers)).toBe('lug-2-m8-2');
    expect(freeCode('???', offers)).toBe('part');
  });
});

it('says what is written on a part', () => {
  const field = (kind: string, label: string, unit = '', choices = {}) => ({ kind, label, unit, choices }) as Field;
  const fields = {
    kind: field('choice', 'Kind'),
    watts: field('number', 'Power', 'W'),
    remote: field('flag', 'Remote switch'),
    waveform: field('choice', 'Waveform', '', { sine: 'sine' }),
  };
  expect(
    factsOf(
      { kind: 'inverter', name: 'X', watts: 1000, remote: true, waveform: 'sine', widthMm: 1, heightMm: 2, depthMm: 3 },
      fields,
    ),
  ).toBe('1000 W, remote switch, sine, 1 × 2 × 3 mm');
});

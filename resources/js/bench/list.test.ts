import { describe, expect, it } from 'vitest';
import type { TakeOff } from '../api/client';
import { asCsv, billAsCsv, choicesAsCsv, money } from './list';

const list: TakeOff = {
  stockM: 7.62,
  cables: [
    {
      size: 'awg:4/0',
      spoken: '4/0 AWG',
      kind: 'positive',
      runs: [{ component: 'a', label: 'Bar, to "unit"', lengthM: 1, cutM: 1.3, assumed: false }],
      totalM: 1.3,
      pieces: [[{ component: 'a', label: 'Bar, to "unit"', cutM: 1.3 }]],
      wasteM: 6.32,
      atLeast: 1,
      proved: true,
      tooLong: [],
    },
  ],
  lugs: [{ size: 'awg:4/0', spoken: '4/0 AWG', kind: 'positive', stud: 'm8', studWords: 'M8, 5/16 in', count: 2 }],
  fuses: [{ label: '400 A Class T', family: 'class_t', ratingA: 400, count: 1, spares: 1, of: ['Main fuse'] }],
  parts: [{ type: 'shunt', label: '=Shunt', words: '500 A' }],
  out: [],
  labels: ['Main fuse'],
  missing: [],
  small: [],
  terminals: [],
  currency: 'EUR',
  choices: [],
  costs: {
    lines: [
      {
        group: 'part',
        label: 'Shunt',
        component: 'shunt',
        quantity: 1,
        unit: 'each',
        code: 'shunt-500',
        offer: 'Shunt 500 A',
        each: 120,
        total: 120,
        minutes: 45,
        assumed: true,
      },
    ],
    tools: [{ name: 'Crimper', price: 120 }],
    material: 120,
    hours: 4.5,
    hoursOf: { fitting: 1, takingOut: 0.5, around: 3 },
    hour: 80,
    labour: 360,
    total: 480,
    without: [],
    assumed: 1,
  },
};

describe('the list as a file', () => {
  it('has a row for all that is bought, quoted where it must be', () => {
    const rows = asCsv(list).split('\r\n');
    expect(rows).toHaveLength(7);
    expect(rows[1]).toBe('cable,4/0 AWG positive lead,1,"1.3 m: Bar, to ""unit"", piece 1"');
    expect(rows[2]).toBe('lug,"4/0 AWG, M8, 5/16 in",2,positive lead');
    expect(rows[4]).toBe('fuse,400 A Class T,2,Main fuse');
  });

  it('keeps a name from becoming a formula', () => {
    expect(asCsv(list)).toContain("part,'=Shunt,1,500 A");
  });
});

describe('the bill', () => {
  it('has every line with its price, the sums below, and tools that are not counted', () => {
    const rows = billAsCsv(list).split('\r\n');
    expect(rows[1]).toBe('Parts,Shunt,1,each,Shunt 500 A,120,120,assumed');
    expect(rows[2]).toContain('120,EUR');
    expect(rows[3]).toContain('4.5,h,,80,360');
    expect(rows[4]).toContain('480');
    expect(rows[5]).toContain('Crimper');
  });

  it('writes money with its currency, or says that there is none', () => {
    expect(money(1234.5, 'EUR')).toBe('1,234.50 EUR');
    expect(money(null, 'EUR')).toBe('–');
    expect(money(3, '')).toBe('3.00');
  });
});

it('has a row for each must of each offer', () => {
  const rows = choicesAsCsv([
    {
      component: 'bank',
      label: 'Bank',
      taken: 'x',
      candidates: [
        {
          code: 'x',
          name: 'X',
          price: 5,
          assumed: true,
          verdict: 'ask',
          stopgap: null,
          musts: [
            { name: 'capacity', wants: '≥ 1 Ah', has: '2 Ah', ok: true },
            { name: 'remote', wants: 'yes', has: null, ok: null },
          ],
        },
      ],
    },
  ]).split('\r\n');
  expect(rows).toHaveLength(3);
  expect(rows[1]).toBe('Bank,X,5,counted,capacity,≥ 1 Ah,2 Ah,yes');
  expect(rows[2]).toBe('Bank,X,5,counted,remote,yes,,?');
});

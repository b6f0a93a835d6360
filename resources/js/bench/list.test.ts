import { describe, expect, it } from 'vitest';
import type { TakeOff } from '../api/client';
import { asCsv } from './list';

const list: TakeOff = {
  stockM: 7.62,
  cables: [
    {
      size: 'awg:4/0',
      spoken: '4/0 AWG',
      kind: 'positive',
      runs: [{ component: 'a', label: 'Bar, to "unit"', lengthM: 1, cutM: 1.3, assumed: false }],
      totalM: 1.3,
      pieces: [[{ component: 'a', label: 'Bar', cutM: 1.3 }]],
      wasteM: 6.32,
      atLeast: 1,
      proved: true,
      tooLong: [],
    },
  ],
  lugs: [{ size: 'awg:4/0', spoken: '4/0 AWG', kind: 'positive', count: 2 }],
  fuses: [{ label: '400 A Class T', ratingA: 400, count: 1, spares: 1, of: ['Main fuse'] }],
  parts: [{ type: 'shunt', label: '=Shunt', words: '500 A' }],
  out: [],
  labels: ['Main fuse'],
  missing: [],
};

describe('the list as a file', () => {
  it('has a row for all that is bought, quoted where it must be', () => {
    const rows = asCsv(list).split('\r\n');
    expect(rows).toHaveLength(7);
    expect(rows[1]).toBe('cable,4/0 AWG positive lead,1,"1.3 m: Bar, to ""unit"""');
    expect(rows[2]).toBe('lug,4/0 AWG,2,positive lead');
    expect(rows[4]).toBe('fuse,400 A Class T,2,Main fuse');
  });

  it('keeps a name from becoming a formula', () => {
    expect(asCsv(list)).toContain("part,'=Shunt,1,500 A");
  });
});

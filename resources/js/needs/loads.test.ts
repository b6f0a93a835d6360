import { describe, expect, it } from 'vitest';
import { clock, freeId, inOrder, moved, pieces, readLoad, stretched, thickness, wattsOf } from './loads';

describe('hours on the day', () => {
  it('move by quarters of an hour, and go round midnight', () => {
    expect(moved({ fromH: 7, hours: 1 }, 0.3)).toEqual({ fromH: 7.25, hours: 1 });
    expect(moved({ fromH: 23.5, hours: 1 }, 1)).toEqual({ fromH: 0.5, hours: 1 });
    expect(moved({ fromH: 0.25, hours: 1 }, -0.5)).toEqual({ fromH: 23.75, hours: 1 });
  });

  it('stretch between a quarter of an hour and a day', () => {
    expect(stretched({ fromH: 7, hours: 0.5 }, -3).hours).toBe(0.25);
    expect(stretched({ fromH: 7, hours: 20 }, 9).hours).toBe(24);
  });

  it('lie in two pieces over midnight', () => {
    expect(pieces({ fromH: 6, hours: 6 })).toEqual([{ left: 0.25, width: 0.25 }]);
    const [first, second] = pieces({ fromH: 18, hours: 12 });
    expect(first).toEqual({ left: 0.75, width: 0.25 });
    expect(second).toEqual({ left: 0, width: 0.25 });
  });

  it('are thick where they are heavy', () => {
    expect(thickness(1400)).toBeGreaterThan(thickness(100));
    expect(thickness(100)).toBeGreaterThan(thickness(5));
    expect(thickness(6000)).toBeLessThanOrEqual(40);
  });

  it('read as on a clock', () => {
    expect([clock(7.25), clock(0), clock(23.999)]).toEqual(['7:15', '0:00', '0:00']);
  });
});

describe('a load as typed', () => {
  it('has its watts, hours, how many and share', () => {
    expect(readLoad('kettle 1400w 7:00 15m 16:30 6m')).toEqual({
      label: 'Kettle',
      supply: 'ac',
      watts: { value: 1400, basis: 'told' },
      spans: { h1: { fromH: 7, hours: 0.25 }, h2: { fromH: 16.5, hours: 0.1 } },
    });
    expect(readLoad('roof fan 12v 25w 21:00 10h 60% x2')).toMatchObject({
      label: 'Roof fan',
      supply: 'dc',
      count: 2,
      duty: 60,
    });
    expect(readLoad('router 12w')?.spans).toEqual({ h1: { fromH: 0, hours: 24 } });
  });

  it('is refused without watts, without a name, or beyond what a rig has', () => {
    for (const text of ['kettle', '1400w', '', 'sun 90000w']) expect(readLoad(text)).toBeNull();
  });
});

it('gives ids that are free, and keeps the order', () => {
  const load = (order: number) => ({ label: 'x', supply: 'ac', watts: { value: 1, basis: 'told' }, order });
  expect(freeId('Air conditioner', {})).toBe('air_conditioner');
  expect(freeId('Fan', { fan: load(1), fan_2: load(2) })).toBe('fan_3');
  expect(freeId('12 V', {})).toBe('x12_v');
  expect(inOrder({ b: load(2), a: load(1) }).map(([id]) => id)).toEqual(['a', 'b']);
  expect(wattsOf({ label: 'x', supply: 'ac', watts: { value: 55, basis: 'assumed' } })).toEqual({
    value: 55,
    assumed: true,
  });
});

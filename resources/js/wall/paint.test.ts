import { describe, expect, it } from 'vitest';
import type { Finding, Link, Paint } from '../api/client';
import { ribbonPaint, witnessSteps } from './paint';

const ac: Link = {
  id: 'f',
  kind: 'ac',
  from: { c: 'a' },
  to: { c: 'b' },
  gate: null,
  label: '',
  assumed: false,
  elements: ['f.hot', 'f.pole'],
};
const paint = (f: object): Paint =>
  ({
    links: { f },
    circuits: {},
    buses: {},
    positions: {},
    moves: [],
    bonds: [],
    closedBonds: [],
    charging: [],
    pins: {},
    gates: {},
    supplies: {},
  }) as Paint;

describe('a ribbon', () => {
  it('is patterned by what arrives at its far end, not by what waits before an open breaker', () => {
    expect(ribbonPaint(ac, paint({ hot: ['S', null] }), undefined)).toMatchObject({ pattern: 'dead', letter: null });
    expect(ribbonPaint(ac, paint({ hot: ['S', 'S'] }), undefined)).toMatchObject({ pattern: 'shore', letter: 'S' });
    expect(ribbonPaint(ac, paint({ hot: ['I', 'I'] }), undefined).pattern).toBe('inverter');
  });

  it('that is live only through a load is neither dead nor healthy, and carries no amps', () => {
    expect(ribbonPaint(ac, paint({ hot: ['I', 'I'], soft: true }), { 'f.hot': 4 })).toMatchObject({
      pattern: 'soft',
      amps: null,
    });
  });

  it('is live where hot and neutral are exchanged, and says so', () => {
    expect(
      ribbonPaint(ac, paint({ hot: [null, null], neutralLive: 'S', exchanged: 'S' }), { 'f.hot': 4 }),
    ).toMatchObject({
      pattern: 'shore',
      letter: 'S',
      amps: 4,
      exchanged: true,
    });
    expect(ribbonPaint(ac, paint({ hot: ['S', 'S'], exchanged: null }), undefined).exchanged).toBe(false);
  });

  it('shows amps when some flow', () => {
    expect(ribbonPaint(ac, paint({ hot: ['S', 'S'] }), { 'f.pole': 12.3 }).amps).toBe(12.3);
    expect(ribbonPaint(ac, paint({ hot: ['S', 'S'] }), {}).amps).toBeNull();
  });

  it('points away from the charger', () => {
    const lead: Link = { ...ac, kind: 'positive', from: { c: 'conv' }, to: { c: 'panel' } };
    expect(ribbonPaint(lead, paint({ on: true, by: ['B', 'C:conv'] }), undefined)).toMatchObject({
      pattern: 'battery',
      charging: 'forward',
    });
    expect(
      ribbonPaint({ ...lead, from: { c: 'panel' }, to: { c: 'conv' } }, paint({ on: true, by: ['C:conv'] }), undefined)
        .charging,
    ).toBe('back');
    expect(ribbonPaint(lead, paint({ on: true, by: ['B'] }), undefined).charging).toBeNull();
  });
});

it('numbers the cables of a proof in the order of its path, each once', () => {
  const links = [
    { ...ac, id: 'b', elements: ['b.hot'] },
    { ...ac, id: 'a', elements: ['a.hot', 'a.pole'] },
  ];
  const finding = { witness: { elements: ['a.hot', 'x', 'b.hot', 'a.pole'] } } as unknown as Finding;
  expect([...witnessSteps(finding, links)]).toEqual([
    ['a', 1],
    ['b', 2],
  ]);
  expect(witnessSteps(null, links).size).toBe(0);
});

import { describe, expect, it } from 'vitest';
import type { Places, PlaceZone } from '../api/client';
import { boxOf, dragged, gaugeOf, outlineOf, WIDTH, zoneAt } from './outline';

const rig = {
  motor: false,
  kind: 'travel_trailer',
  baseM: 4.35,
  noseM: 1.15,
  bodyM: 5.9,
  widthM: 2.35,
  heightM: 2.05,
  axles: 1,
  drawn: true,
  weighedBy: 'scale',
} as Places['rig'];

const zone = (id: string, xM: number, size: number, more: Partial<PlaceZone> = {}) =>
  ({ id, xM, leftM: 0, upM: 0, widthM: size, depthM: size, heightM: size, ...more }) as PlaceZone;

describe('the long side', () => {
  const outline = outlineOf(rig, [], []);

  it('has all of the rig in the picture, both views to one scale', () => {
    expect(outline.x(0)).toBeGreaterThanOrEqual(0);
    expect(outline.x(rig.noseM + rig.bodyM)).toBeLessThanOrEqual(WIDTH);
    expect(outline.across(-rig.widthM / 2)).toBeGreaterThanOrEqual(0);
    expect(outline.up(rig.heightM)).toBeGreaterThan(outline.across(rig.widthM / 2));
    expect(outline.x(1) - outline.x(0)).toBeCloseTo(outline.across(1) - outline.across(0), 6);
    expect(outline.up(0) - outline.up(1)).toBeCloseTo(outline.perM, 6);
  });

  it('makes room for what stands ahead of the coupler', () => {
    const wide = outlineOf(rig, [], [zone('rack', -0.8, 0.6)]);
    expect(wide.x(-1.1)).toBeGreaterThanOrEqual(0);
  });

  it('draws an item to scale about its middle, standing on its bottom', () => {
    const at = { xM: 3, leftM: 0.5, upM: 0.2 };
    const above = boxOf(outline, 'above', [0.4, 0.3, 0.2], at);
    expect(above.x + above.w / 2).toBeCloseTo(outline.x(3), 6);
    expect(above.h / above.w).toBeCloseTo(0.5, 6);
    const side = boxOf(outline, 'side', [0.4, 0.3, 0.2], at);
    expect(side.y + side.h).toBeCloseTo(outline.up(0.2), 6);
    expect(side.h / side.w).toBeCloseTo(0.75, 6);
  });

  it('moves to the rear and to the left from above, to the rear and up from the side', () => {
    const from = { xM: 3, leftM: 0, upM: 0 };
    const m = outline.perM;
    expect(dragged(outline, 'above', from, m, 0.5 * m)).toEqual({ xM: 4, leftM: 0.5, upM: 0 });
    expect(dragged(outline, 'side', from, -m, -0.5 * m)).toEqual({ xM: 2, leftM: 0, upM: 0.5 });
    expect(dragged(outline, 'above', from, 0, 9 * m).leftM).toBe(1.5);
  });
});

describe('zones', () => {
  const zones = [zone('bay', 2, 2), zone('locker', 2.2, 0.6)];

  it('takes the smallest around a place', () => {
    expect(zoneAt(zones, { xM: 2.2, leftM: 0.1, upM: 0.1 })).toBe('locker');
    expect(zoneAt(zones, { xM: 1.2, leftM: 0.1, upM: 0.1 })).toBe('bay');
    expect(zoneAt(zones, { xM: 5, leftM: 0, upM: 0 })).toBe('');
    expect(zoneAt(zones, { xM: 2.2, leftM: 0, upM: 1.5 })).toBe('bay');
  });
});

describe('a gauge', () => {
  it('has every mark on it', () => {
    const at = gaugeOf({
      id: 'coupler',
      label: 'Coupler',
      atM: 0,
      beforeKg: 196,
      afterKg: 162,
      limitKg: 250,
      bandKg: [184, 277],
      over: false,
    });
    expect(at(277)).toBeLessThan(1);
    expect(at(0)).toBe(0);
    expect(at(-20)).toBe(0);
    expect(at(250)).toBeGreaterThan(at(196));
  });
});

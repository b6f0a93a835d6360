import type { Places, PlaceItem, PlaceZone } from '../api/client';

/** Where something stands: to the rear, to the left of the middle, up from the floor, m. */
export interface Spot {
  xM: number;
  leftM: number;
  upM: number;
}

/** A rectangle of the picture, px. */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

export type Face = 'above' | 'side';

/** Room for the ground and the wheels under the floor, m. */
const UNDER = 0.62;
const MARGIN = 14;
/** The picture is as wide as this, px; it is drawn smaller where the rig would be too high. */
export const WIDTH = 900;
const HIGHEST = 500;
const GAP = 30;

/** From metres on the rig to the picture: from above over the long side, both to one scale. */
export interface Outline {
  perM: number;
  x: (m: number) => number;
  /** of the view from above; the left side of the rig is below */
  across: (leftM: number) => number;
  /** of the long side */
  up: (m: number) => number;
  height: number;
  groundY: number;
}

/** The scale at which all of a rig and what stands on it is seen. */
export function outlineOf(rig: Places['rig'], items: PlaceItem[], zones: PlaceZone[]): Outline {
  const xs = [
    0,
    rig.noseM,
    rig.noseM + rig.bodyM,
    ...items.flatMap((i) => [i.at, i.before].flatMap((s) => (s ? [s.xM] : []))),
    ...zones.flatMap((z) => [z.xM - z.widthM / 2, z.xM + z.widthM / 2]),
  ];
  const first = Math.min(...xs) - 0.25;
  const last = Math.max(...xs) + 0.25;
  const tall = rig.widthM + rig.heightM + UNDER;
  const perM = Math.min((WIDTH - 2 * MARGIN) / (last - first), (HIGHEST - GAP) / tall);
  const left = (WIDTH - (last - first) * perM) / 2;
  const middle = MARGIN + (rig.widthM / 2) * perM;
  const floor = MARGIN + (rig.widthM + rig.heightM) * perM + GAP;
  return {
    perM,
    x: (m) => left + (m - first) * perM,
    across: (m) => middle + m * perM,
    up: (m) => floor - m * perM,
    height: floor + UNDER * perM + 6,
    groundY: floor + UNDER * perM,
  };
}

/** Where an item is drawn; what nobody knows the size of is a small square. */
export function boxOf(outline: Outline, face: Face, sides: number[] | null, at: Spot): Box {
  const [w, h, d] = sides ?? [0.18, 0.18, 0.18];
  const px = (m: number) => Math.max(7, m * outline.perM);
  const wide = px(w!);
  const high = face === 'above' ? px(d!) : px(h!);
  return {
    x: outline.x(at.xM) - wide / 2,
    y: face === 'above' ? outline.across(at.leftM) - high / 2 : outline.up(at.upM) - high,
    w: wide,
    h: high,
  };
}

/** Where a zone is drawn. */
export function zoneBox(outline: Outline, face: Face, zone: PlaceZone): Box {
  const across = zone.depthM * outline.perM;
  const high = zone.heightM * outline.perM;
  return {
    x: outline.x(zone.xM - zone.widthM / 2),
    y: face === 'above' ? outline.across(zone.leftM) - across / 2 : outline.up(zone.upM) - high,
    w: zone.widthM * outline.perM,
    h: face === 'above' ? across : high,
  };
}

const tenth = (m: number) => Math.round(m * 100) / 100;

/** Where something is that was dragged by so many px. */
export function dragged(outline: Outline, face: Face, from: Spot, dx: number, dy: number): Spot {
  const held = {
    xM: tenth(from.xM + dx / outline.perM),
    leftM: face === 'above' ? tenth(from.leftM + dy / outline.perM) : from.leftM,
    upM: face === 'side' ? tenth(from.upM - dy / outline.perM) : from.upM,
  };
  return {
    xM: Math.max(-4, Math.min(18, held.xM)),
    leftM: Math.max(-1.5, Math.min(1.5, held.leftM)),
    upM: Math.max(-1.2, Math.min(3.5, held.upM)),
  };
}

/** The zone that a place lies in, the smallest where several do; empty for none. */
export function zoneAt(zones: PlaceZone[], at: Spot): string {
  const around = zones.filter(
    (z) =>
      Math.abs(at.xM - z.xM) <= z.widthM / 2 &&
      Math.abs(at.leftM - z.leftM) <= z.depthM / 2 &&
      at.upM >= z.upM - 0.02 &&
      at.upM <= z.upM + z.heightM,
  );
  const size = (z: PlaceZone) => z.widthM * z.depthM * z.heightM;
  return around.sort((a, b) => size(a) - size(b))[0]?.id ?? '';
}

/** A gauge from nothing to a little more than all that is marked on it: share of its length of a weight. */
export function gaugeOf(scale: Places['scales'][number]): (kg: number) => number {
  const most = 1.12 * Math.max(scale.afterKg, scale.beforeKg, scale.limitKg ?? 0, scale.bandKg?.[1] ?? 0, 1);
  return (kg) => Math.max(0, Math.min(1, kg / most));
}

import type { Wall } from '../../api/client';
import { extentOf } from '../Extent';
import type { Box, Geometry, Point } from '../measures';
import { routeKey } from './graph';

/** What a drawing is judged by: fewer and smaller is better. */
export interface Measure {
  crossings: number;
  bends: number;
  /** of all ribbons, px */
  length: number;
  width: number;
  height: number;
  overlaps: string[];
  underPlates: string[];
  /** type of the smallest words when all of it is in a frame, px */
  text: number;
}

const TYPE = 14;

const touch = (a: Box, b: Box) =>
  a.x < b.x + b.w - 0.5 && b.x < a.x + a.w - 0.5 && a.y < b.y + b.h - 0.5 && b.y < a.y + a.h - 0.5;

/** Whether a stretch of a route runs through a box, its edge left aside. */
function through(a: Point, b: Point, box: Box): boolean {
  const [x1, x2] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const [y1, y2] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  const edge = 1.5;
  return x1 < box.x + box.w - edge && x2 > box.x + edge && y1 < box.y + box.h - edge && y2 > box.y + edge;
}

function stretches(points: Point[]): [Point, Point][] {
  return points.slice(1).map((p, i) => [points[i]!, p]);
}

/** Whether two stretches cross within both, not at an end that they share. */
function cross([a, b]: [Point, Point], [c, d]: [Point, Point]): boolean {
  const flat = Math.abs(a.y - b.y) < 0.5;
  const other = Math.abs(c.y - d.y) < 0.5;
  if (flat === other) return false;
  const [h, v] = flat
    ? [
        [a, b],
        [c, d],
      ]
    : [
        [c, d],
        [a, b],
      ];
  const y = h[0]!.y;
  const x = v[0]!.x;
  return (
    x > Math.min(h[0]!.x, h[1]!.x) + 1 &&
    x < Math.max(h[0]!.x, h[1]!.x) - 1 &&
    y > Math.min(v[0]!.y, v[1]!.y) + 1 &&
    y < Math.max(v[0]!.y, v[1]!.y) - 1
  );
}

/**
 * How often routes cross. Ribbons that share a source run on one line for a while: where one turns off is a joint, not
 * a crossing.
 */
export function crossings(routes: Point[][]): number {
  const list = routes.map(stretches);
  return list.reduce(
    (sum, one, i) =>
      sum +
      list.slice(i + 1).reduce((n, two) => n + one.reduce((m, s) => m + two.filter((t) => cross(s, t)).length, 0), 0),
    0,
  );
}

/** The measure of one rig's wall in a drawing, seen in a frame. */
export function measure(wall: Wall, g: Geometry, frame: { w: number; h: number }): Measure {
  const routes = new Map<string, Point[]>();
  for (const link of wall.links) {
    const route = g.routes[routeKey(link)];
    if (route) routes.set(link.id, route);
  }
  for (const { rows } of Object.values(wall.trays))
    for (const row of rows)
      if (row.circuit && row.strayNeutral && g.forks[row.circuit]) routes.set(row.circuit, g.forks[row.circuit]!);
  const boxes = Object.keys(wall.plates).flatMap((id) => (g.plates[id] ? [[id, g.plates[id]] as const] : []));
  const overlaps = boxes.flatMap(([a, x], i) =>
    boxes.slice(i + 1).flatMap(([b, y]) => (touch(x, y) ? [`${a} over ${b}`] : [])),
  );
  const underPlates = [...routes].flatMap(([id, points]) =>
    boxes.flatMap(([plate, box]) =>
      stretches(points).some(([a, b]) => through(a, b, box)) ? [`${id} under ${plate}`] : [],
    ),
  );
  const list = [...routes.values()].map(stretches);
  const extent = extentOf(wall, g);
  return {
    crossings: crossings([...routes.values()]),
    bends: [...routes.values()].reduce((n, p) => n + Math.max(0, p.length - 2), 0),
    length: Math.round(list.flat().reduce((n, [a, b]) => n + Math.abs(a.x - b.x) + Math.abs(a.y - b.y), 0)),
    width: Math.round(extent.w),
    height: Math.round(extent.h),
    overlaps,
    underPlates,
    text: Math.round(TYPE * Math.min(1, frame.w / extent.w, frame.h / extent.h) * 10) / 10,
  };
}

import type { ElkExtendedEdge } from 'elkjs/lib/elk-api';
import type { Box, Geometry, Point } from '../measures';
import type { Strip } from './graph';

/** Room at the sides, wide enough for a lead to come down there. */
export const MARGIN = 24;

/** Distance of a lead from what it passes, px. */
export const CLEAR = 7;

/** The way of a laid-out cable, so far down. */
export function pointsOf(edge: ElkExtendedEdge, dy: number): Point[] | null {
  const section = edge.sections?.[0];
  if (!section) return null;
  return straightened(
    [section.startPoint, ...(section.bendPoints ?? []), section.endPoint].map((p) => ({
      x: MARGIN + p.x,
      y: dy + p.y,
    })),
  );
}

/** On half pixels, without the points that lie on the way between their neighbours. */
export function straightened(raw: Point[]): Point[] {
  const points = raw.map((p) => ({ x: Math.round(p.x * 2) / 2, y: Math.round(p.y * 2) / 2 }));
  return points.filter((p, i) => {
    const [a, b] = [points[i - 1], points[i + 1]];
    if (a && Math.abs(a.x - p.x) < 0.5 && Math.abs(a.y - p.y) < 0.5) return false;
    return (
      !a ||
      !b ||
      !(
        (Math.abs(a.x - p.x) < 0.5 && Math.abs(p.x - b.x) < 0.5) ||
        (Math.abs(a.y - p.y) < 0.5 && Math.abs(p.y - b.y) < 0.5)
      )
    );
  });
}

/** A bond from a part down to the frame: straight where nothing stands below, else along the side of what does. */
export function toSill(box: Box, sillY: number, boxes: Box[]): Point[] {
  const from = box.y + box.h;
  const below = boxes.filter((b) => b.y > from - 1 && b.y < sillY);
  const free = (x: number) => below.every((b) => x < b.x - 3 || x > b.x + b.w + 3);
  const middle = box.x + box.w / 2;
  const tries = [middle, ...Array.from({ length: Math.floor(box.w / 4) }, (_, i) => box.x + 4 + i * 4)];
  const x = tries.find(free);
  if (x !== undefined)
    return [
      { x, y: from },
      { x, y: sillY },
    ];
  const side = Math.min(box.x, ...below.map((b) => b.x)) - CLEAR;
  return [
    { x: box.x, y: from - 8 },
    { x: side, y: from - 8 },
    { x: side, y: sillY },
  ];
}

/** Feet of negatives: a letter for each place where they come home, at the lower edge of both. */
export function returnsOf(deck: Strip, plates: Record<string, Box>): Geometry['returns'] {
  const homes = [...new Set([...deck.returns.values()].map((r) => r.home))].sort(
    (a, b) => (plates[a]?.x ?? 0) - (plates[b]?.x ?? 0) || (plates[a]?.y ?? 0) - (plates[b]?.y ?? 0),
  );
  const before = new Map<string, number>();
  return Object.fromEntries(
    [...deck.returns].flatMap(([key, { part, home }]) => {
      const [a, b] = [plates[part], plates[home]];
      if (!a || !b) return [];
      const n = before.get(part) ?? 0;
      before.set(part, n + 1);
      const letter = String.fromCharCode(97 + (homes.indexOf(home) % 26));
      const from = { x: a.x + a.w - 14 - n * PILL, y: a.y + a.h + 3 };
      return [[key, { letter, from, to: { x: b.x + 14, y: b.y + b.h + 3 } }]];
    }),
  );
}

/** Width of a foot's letter with the room beside it, px. */
const PILL = 26;

import type { Row } from '../api/client';

export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface Point {
  x: number;
  y: number;
}

export interface Geometry {
  width: number;
  height: number;
  plates: Record<string, Box>;
  /** tray → row key → box */
  rows: Record<string, Record<string, Box>>;
  /** tray → where its neutral and ground rails run */
  rails: Record<string, { x1: number; x2: number; n: number; g: number }>;
  routes: Record<string, Point[]>;
  /** circuits whose neutral lands elsewhere → the way of that neutral */
  forks: Record<string, Point[]>;
  /** grounded plates → number and place of their foot on the sill */
  feet: Record<string, { number: number; x: number; y: number; sillX: number }>;
  /** negatives that are lettered feet and no ribbons: at the part, and at the bar or battery they come home to */
  returns: Record<string, { letter: string; from: Point; to: Point }>;
  sill: Box;
  deckTop: number;
}

/** Height of a row, px: what a pointer hits at the least scale, and what a glove does. */
const ROW = 31;
const ROW_TOUCH = 57;
export const rowHeight = (tall: boolean): number => (tall ? ROW_TOUCH : ROW);
export const MARGIN = 12;
export const HEAD = 30;
export const RAILS = 36;
export const PART_H = 36;
export const TRACK = 14;
export const SILL_H = 22;
export const FOOT = 22;

/** The key of a row within its tray: slot and half, or the circuit for what hangs behind another. */
export function rowKey(row: Row): string {
  return (row.indent ?? 0) > 0 ? `b:${row.circuit}` : `${row.slot}${row.half}`;
}

/** A box as attributes of a drawn rectangle. */
export function rect(box: Box) {
  return { x: box.x, y: box.y, width: box.w, height: box.h };
}

/** A box as the place of an element in the wall. */
export const place = (box: Box) => ({ left: box.x, top: box.y, width: box.w, height: box.h });

/** A route as the path of a line. */
export function line(points: Point[]): string {
  return points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join('');
}

/** Middle of the longest stretch, where a ribbon is labelled. */
export function labelPoint(points: Point[]): { x: number; y: number; flat: boolean; length: number } {
  let best = { x: points[0]!.x, y: points[0]!.y, flat: true, length: 0 };
  let longest = -1;
  points.slice(1).forEach((b, i) => {
    const a = points[i]!;
    const length = Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
    if (length > longest) {
      longest = length;
      best = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, flat: a.y === b.y, length };
    }
  });
  return best;
}

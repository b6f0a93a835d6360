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

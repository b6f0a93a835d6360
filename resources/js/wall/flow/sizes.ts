import type { Plate, Row, Wall } from '../../api/client';
import { HEAD, PART_H, RAILS, rowHeight } from '../measures';
import { unionRows } from './rows';

/** Widths of letters of the wall's type, px at its own size: figures and capitals are wide, the rest narrow. */
export function textWidth(text: string, size = 15): number {
  let w = 0;
  for (const c of text) w += /[A-Z0-9@%&mw₂₄]/.test(c) ? 0.56 : /[ilj.,:;'|·I ]/.test(c) ? 0.27 : 0.47;
  return w * size;
}

export interface Size {
  w: number;
  h: number;
}

const SIGN_W = 26;

/** Of what a part tells below its name, a line. */
const LINE_H = 17;
const PAD = 18;

/** Rows of a tray over all walls, and how wide the widest of them is. */
export function traySize(walls: Wall[], id: string, tall: boolean): Size & { keys: string[] } {
  const keys = unionRows(walls, id);
  const plates = walls.map((w) => w.plates[id]).filter((p): p is Plate => p !== undefined);
  const rows = walls.flatMap((w) => w.trays[id]?.rows ?? []);
  // A panel says at its head from what it lives, and has rails; outlets on equipment and a fuse panel do neither.
  const outlets = plates.some((p) => p.type === 'outlets' || p.band === 'deck');
  const head = Math.max(...plates.map((p) => textWidth(p.label, 16) + (outlets ? 44 : 116)));
  const body = Math.max(120, ...rows.map(rowWidth));
  return {
    keys,
    w: Math.ceil(Math.max(head, body)),
    h: HEAD + keys.length * rowHeight(tall) + (outlets ? 6 : RAILS),
  };
}

function rowWidth(row: Row): number {
  const signs = (row.gfci && row.gfci !== 'none' ? 44 : 0) + ((row.assumed ?? 0) > 0 ? 16 : 0) + SIGN_W;
  return 34 + (row.indent ?? 0) * 12 + textWidth(row.label) + signs + 44 + 30;
}

/** A part of the deck is as wide as its name; a switching plate and a body as what they tell. */
export function plateSize(plate: Plate, tall: boolean): Size {
  const name = textWidth(plate.label, 15) + PAD + (plate.assumed > 0 ? 26 : 0);
  const lines = Math.max(0, ...plate.lines.map((line) => textWidth(line, 14) + PAD));
  if (plate.band === 'deck') {
    const high = plate.shape === 'bank' || plate.type === 'dc_panel';
    // A part may come to carry the sign of a finding in any state: its name keeps its room beside it.
    return {
      w: Math.ceil(Math.max(96, name + SIGN_W + (high ? 8 : -6), lines)),
      h: high ? PART_H * 2 + 16 : (tall ? rowHeight(true) : PART_H + 8) + Math.max(0, plate.lines.length - 1) * LINE_H,
    };
  }
  const w = Math.ceil(Math.max(name + SIGN_W, lines));
  if (plate.band === 'switching') return { w: Math.max(150, w), h: 106 };
  if (plate.type === 'inverter_charger') return { w: Math.max(224, w), h: 138 };
  if (plate.band === 'straddle') return { w: Math.max(170, w), h: 108 };
  return { w: Math.max(132, w), h: 112 };
}

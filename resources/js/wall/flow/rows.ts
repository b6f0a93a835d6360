import type { Wall } from '../../api/client';
import { rowKey } from '../measures';

/** Rows of a tray over all walls: a slot that is split anywhere is split everywhere. */
export function unionRows(walls: Wall[], tray: string): string[] {
  const slots = new Map<number, Set<string>>();
  const behind = new Map<number, Set<string>>();
  for (const wall of walls) {
    for (const row of wall.trays[tray]?.rows ?? []) {
      const target = (row.indent ?? 0) > 0 ? behind : slots;
      const key = (row.indent ?? 0) > 0 ? rowKey(row) : row.half;
      target.set(row.slot, (target.get(row.slot) ?? new Set()).add(key));
    }
  }
  const keys: string[] = [];
  for (const slot of [...slots.keys()].sort((a, b) => a - b)) {
    const halves = slots.get(slot)!;
    const split = ['a', 'b'].filter((h) => halves.has(h));
    keys.push(...(split.length > 0 ? ['a', 'b'].map((h) => `${slot}${h}`) : [`${slot}`]));
    keys.push(...[...(behind.get(slot) ?? [])].sort());
  }
  return keys;
}

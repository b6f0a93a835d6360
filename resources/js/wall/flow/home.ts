import type { Link, Wall } from '../../api/client';
import type { Strip } from './graph';

/** Parts that current passes on its way, and that are no end of it. */
const WAY = new Set(['shunt', 'dc_switch', 'dc_fuse', 'bus_bar', 'dc_panel', 'battery_selector']);

const isBank = (wall: Wall, c: string) => wall.plates[c]?.shape === 'bank';

/** Batteries whose positives meet, by part: what stands between is fuses, switches and bars. */
function systems(wall: Wall): (c: string) => string {
  const over = new Map<string, string>();
  const find = (c: string): string => (over.has(c) ? find(over.get(c)!) : c);
  for (const { kind, from, to } of wall.links) {
    const onWay = [from.c, to.c].every((c) => isBank(wall, c) || WAY.has(wall.plates[c]?.type ?? ''));
    const [a, b] = [find(from.c), find(to.c)];
    if (kind === 'positive' && onWay && a !== b) over.set(a, b);
  }
  return find;
}

/**
 * Where a negative ties one battery system to another: the battery that is the stranger there, and where it lands. At a
 * bar the system of most of its batteries is at home.
 */
function tieOf(wall: Wall, link: Link): { part: string; home: string } | null {
  const system = systems(wall);
  for (const [bank, home] of [
    [link.from.c, link.to.c],
    [link.to.c, link.from.c],
  ] as const) {
    if (!isBank(wall, bank)) continue;
    const others = isBank(wall, home)
      ? [home]
      : wall.links
          .filter((l) => l.kind === 'negative' && l.id !== link.id && [l.from.c, l.to.c].includes(home))
          .map((l) => (l.from.c === home ? l.to.c : l.from.c))
          .filter((c) => isBank(wall, c));
    const strangers = others.filter((c) => system(c) !== system(bank)).length;
    if (strangers > others.length - strangers) return { part: bank, home };
  }
  return null;
}

/**
 * Where the negative of a part comes home to, where it may do so by a foot: of what takes or gives, to the bar, panel
 * or battery at which several land. What runs between batteries, bars, shunts and switches is drawn all the way,
 * but for what ties one battery system to another, where that is lettered.
 */
export function homeOf(wall: Wall, strip: Strip, link: Link, lettered: boolean): { part: string; home: string } | null {
  const isPart = (c: string) => {
    const plate = strip.plates.get(c);
    return (
      plate !== undefined && plate.pole === null && !['bank', 'tray'].includes(plate.shape) && !WAY.has(plate.type)
    );
  };
  const lands = (c: string) =>
    wall.links.filter((l) => l.kind === 'negative' && (l.from.c === c || l.to.c === c)).length;
  for (const [part, home] of [
    [link.from.c, link.to.c],
    [link.to.c, link.from.c],
  ] as const) {
    if (isPart(part) && strip.plates.has(home) && !(isPart(home) && lands(home) < 3)) return { part, home };
  }
  return lettered ? tieOf(wall, link) : null;
}

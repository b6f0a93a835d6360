import type { Link, Plate, Wall } from '../api/client';
import {
  BETWEEN,
  BODY_H,
  CHANNEL,
  FOOT,
  HEAD,
  LAST_CHANNEL,
  MARGIN,
  PART_H,
  RAILS,
  SILL_H,
  SUPPLY_W,
  SWITCH_H,
  SWITCH_PITCH,
  SWITCH_W,
  TRACK,
  rowKey,
  type Box,
  type Geometry,
  type Column,
  type Taken,
} from './measures';
import { Router } from './router';

/**
 * The geometry of the wall: a pure function of what is to be shown. It is laid out over several
 * walls at once (as found and planned), so that choosing one of them repaints and moves nothing.
 */
export interface LayoutOptions {
  width: number;
  rowHeight: number;
}

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

/** Parts of the deck from the bank outwards, by how far along the positive (or negative) leads they are. */
export function deckOrder(walls: Wall[]): Record<string, number> {
  const place: Record<string, number> = {};
  for (const wall of walls) {
    const deck = Object.entries(wall.plates).filter(([, p]) => p.band === 'deck');
    const next = new Map<string, string[]>();
    for (const link of wall.links) {
      if (link.kind !== 'positive' && link.kind !== 'negative') continue;
      next.set(link.from.c, [...(next.get(link.from.c) ?? []), link.to.c]);
      next.set(link.to.c, [...(next.get(link.to.c) ?? []), link.from.c]);
    }
    const depth = new Map<string, number>();
    const queue = deck.filter(([, p]) => p.shape === 'bank').map(([id]) => id);
    for (const id of queue) depth.set(id, 0);
    for (let i = 0; i < queue.length; i++) {
      for (const id of next.get(queue[i]!) ?? []) {
        if (!depth.has(id) && wall.plates[id]?.band === 'deck') {
          depth.set(id, depth.get(queue[i]!)! + 1);
          queue.push(id);
        }
      }
    }
    // The last wall that has a part decides: the plan is laid out as planned.
    for (const [id, plate] of deck) place[id] = depth.get(id) ?? plate.rank;
  }
  return place;
}

const NOTHING: Taken = { channels: new Map(), across: 0 };

/** Lays out once to see how many tracks each channel takes, then again with channels as wide as that. */
export function layoutWall(walls: Wall[], options: LayoutOptions): Geometry {
  let taken = NOTHING;
  for (let pass = 0; ; pass++) {
    const { geometry, used } = attempt(walls, options, taken);
    const fits = used.across <= taken.across && [...used.channels].every(([c, n]) => n <= (taken.channels.get(c) ?? 0));
    if (fits || pass >= 3) return geometry;
    const channels = new Map(taken.channels);
    for (const [c, n] of used.channels) channels.set(c, Math.max(n, channels.get(c) ?? 0));
    taken = { channels, across: Math.max(used.across, taken.across) };
  }
}

function attempt(walls: Wall[], options: LayoutOptions, taken: Taken): { geometry: Geometry; used: Taken } {
  const plates = new Map<string, Plate>();
  for (const wall of walls) for (const [id, plate] of Object.entries(wall.plates)) plates.set(id, plate);
  const of = (band: string) =>
    [...plates.entries()]
      .filter(([, p]) => p.band === band)
      .sort((a, b) => a[1].rank - b[1].rank || (a[0] < b[0] ? -1 : 1));
  const isOutlets = (id: string) => plates.get(id)!.type === 'outlets';
  const panels = of('panels').map(([id]) => id);
  const main = panels.filter((id) => !isOutlets(id));
  const bodies = of('straddle').map(([id]) => id);
  const switches = of('switching').map(([id]) => id);
  const first = switches.length > 0 ? 1 : 0;
  const columns = columnsFor(options.width, Math.max(2, main.length), switches.length > 0, taken);
  const places = columns.length - first;
  const boxes: Record<string, Box> = {};
  const rows: Geometry['rows'] = {};
  const rails: Geometry['rails'] = {};

  let trayBottom = MARGIN + 120;
  // Panels side by side; outlets that hang on equipment stand under the shorter panels.
  const bottoms: number[] = Array.from({ length: places }, () => MARGIN);
  const trays = [...main, ...panels.filter(isOutlets)];
  trays.forEach((id, i) => {
    const place = i < main.length ? i : bottoms.indexOf(Math.min(...bottoms));
    const column = columns[first + place]!;
    const top = bottoms[place]! + (i < main.length ? 0 : 14);
    const keys = unionRows(walls, id);
    rows[id] = {};
    keys.forEach((key, n) => {
      rows[id]![key] = { x: column.x, y: top + HEAD + n * options.rowHeight, w: column.w, h: options.rowHeight };
    });
    const foot = isOutlets(id) ? 6 : RAILS;
    const h = HEAD + keys.length * options.rowHeight + foot;
    boxes[id] = { x: column.x, y: top, w: column.w, h };
    if (!isOutlets(id))
      rails[id] = { x1: column.x + 12, x2: column.x + column.w - 34, n: top + h - 26, g: top + h - 12 };
    bottoms[place] = top + h;
    trayBottom = Math.max(trayBottom, top + h);
  });

  of('supplies').forEach(([id], i) => {
    boxes[id] = { x: MARGIN, y: MARGIN + i * 136, w: SUPPLY_W, h: 104 };
    trayBottom = Math.max(trayBottom, MARGIN + i * 136 + 104);
  });
  switches.forEach((id, i) => {
    boxes[id] = { x: columns[0]!.x, y: MARGIN + i * SWITCH_PITCH, w: SWITCH_W, h: SWITCH_H };
    trayBottom = Math.max(trayBottom, MARGIN + i * SWITCH_PITCH + SWITCH_H);
  });

  const between = Math.max(BETWEEN, 26 + taken.across * TRACK);
  const bodyTop = trayBottom + between;
  const bodyRows = Math.ceil(bodies.length / places);
  bodies.forEach((id, i) => {
    const column = columns[first + (i % places)]!;
    const w = Math.min(column.w, plates.get(id)!.shape === 'gate' ? 236 : 200);
    boxes[id] = { x: column.x, y: bodyTop + Math.floor(i / places) * (BODY_H + BETWEEN), w, h: BODY_H };
  });
  const bodyBottom = bodies.length > 0 ? bodyTop + bodyRows * BODY_H + (bodyRows - 1) * BETWEEN : trayBottom + 8;
  const deckTop = bodyBottom + 14;
  const positiveY = deckTop + 34;
  const negativeY = positiveY + PART_H + 10;
  const last = columns.at(-1)!;
  const width = Math.max(options.width, last.x + last.w + LAST_CHANNEL + MARGIN);
  placeDeck(walls, plates, boxes, width, positiveY, negativeY);
  const hasDeck = of('deck').length > 0;
  const sillY = (hasDeck ? negativeY + PART_H : deckTop) + 26;
  const sill = { x: 0, y: sillY, w: width, h: SILL_H };

  const feet: Geometry['feet'] = {};
  let number = 0;
  for (const id of [...main, ...switches, ...bodies]) {
    if (walls.some((w) => w.links.some((l) => l.kind === 'ground' && l.from.c === id))) {
      const box = boxes[id]!;
      const x = box.x + box.w - FOOT;
      feet[id] = { number: ++number, x, y: box.y + box.h, sillX: x };
    }
  }
  // Plates one above the other would put their numbers on one place of the sill.
  let lastX = 0;
  for (const foot of Object.values(feet).sort((a, b) => a.x - b.x || a.number - b.number)) {
    foot.sillX = lastX = Math.max(foot.x, lastX + FOOT);
  }

  const router = new Router(columns, boxes, rows, trayBottom + 18, deckTop + 10);
  const routes: Geometry['routes'] = {};
  const forks: Geometry['forks'] = {};
  const links = new Map<string, Link>();
  // The same link may lead elsewhere in another wall: each version gets a route of its own.
  for (const wall of walls) for (const link of wall.links) links.set(routeKey(link), link);
  for (const [key, link] of links) {
    const route = router.route(link, walls, sillY);
    if (route) routes[key] = route;
  }
  for (const wall of walls) {
    for (const [tray, { rows: list }] of Object.entries(wall.trays)) {
      for (const row of list) {
        const to = row.strayNeutral ? rails[row.strayNeutral] : undefined;
        const from = rows[tray]?.[rowKey(row)];
        if (row.circuit && to && from && !forks[row.circuit])
          forks[row.circuit] = router.fork(tray, from, row.strayNeutral!, to);
      }
    }
  }

  const geometry = { width, height: sillY + SILL_H, plates: boxes, rows, rails, routes, forks, feet, sill, deckTop };
  return { geometry, used: router.used() };
}

/** A link's route depends on where it leads. */
export function routeKey(link: Link): string {
  return `${link.id}>${link.from.c}.${link.from.port ?? link.from.row ?? ''}>${link.to.c}.${link.to.port ?? ''}`;
}

/** Width of a vertical channel for the ribbons in it. */
function channelWidth(taken: Taken, channel: number, least: number): number {
  return Math.max(least, 28 + (taken.channels.get(channel) ?? 0) * TRACK);
}

function columnsFor(width: number, count: number, switching: boolean, taken: Taken): Column[] {
  const columns: Column[] = [];
  let x = MARGIN + SUPPLY_W + channelWidth(taken, 0, CHANNEL);
  if (switching) {
    columns.push({ x, w: SWITCH_W });
    x += SWITCH_W + channelWidth(taken, 1, CHANNEL);
  }
  const first = columns.length;
  const gaps = Array.from({ length: count }, (_, i) =>
    channelWidth(taken, first + i + 1, i === count - 1 ? LAST_CHANNEL : CHANNEL),
  );
  const free = width - x - MARGIN - gaps.reduce((a, b) => a + b, 0);
  const w = Math.max(204, Math.floor(free / count));
  for (let i = 0; i < count; i++) {
    columns.push({ x, w });
    x += w + gaps[i]!;
  }
  return columns;
}

function placeDeck(
  walls: Wall[],
  plates: Map<string, Plate>,
  boxes: Record<string, Box>,
  width: number,
  positiveY: number,
  negativeY: number,
): void {
  const order = deckOrder(walls);
  const spans = (id: string) => plates.get(id)!.shape === 'bank' || plates.get(id)!.type === 'dc_panel';
  const lane = (id: string) => (plates.get(id)!.pole === 'negative' ? 'n' : 'p');
  const ids = Object.keys(order).filter((id) => !spans(id));
  const banks = Object.keys(order).filter((id) => plates.get(id)!.shape === 'bank');
  const ends = Object.keys(order).filter((id) => spans(id) && plates.get(id)!.shape !== 'bank');
  const full = negativeY + PART_H - positiveY;
  // A bank that is replaced stands where the new one will.
  for (const id of banks) boxes[id] = { x: MARGIN, y: positiveY, w: SUPPLY_W + 8, h: full };
  const start = MARGIN + SUPPLY_W + 8 + 30;
  const endW = 118;
  const stop = width - MARGIN - ends.length * (endW + 24);
  for (const pole of ['p', 'n']) {
    const list = ids
      .filter((id) => lane(id) === pole)
      .sort((a, b) => order[a]! - order[b]! || plates.get(a)!.rank - plates.get(b)!.rank || (a < b ? -1 : 1));
    const pitch = (stop - start) / Math.max(1, list.length);
    const w = Math.min(132, pitch - 22);
    list.forEach((id, i) => {
      boxes[id] = { x: start + i * pitch + (pitch - w) / 2 - 8, y: pole === 'p' ? positiveY : negativeY, w, h: PART_H };
    });
  }
  ends.forEach((id, i) => {
    boxes[id] = { x: stop + 24 + i * (endW + 24), y: positiveY, w: endW, h: full };
  });
}

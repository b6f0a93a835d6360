import type { ElkExtendedEdge, ElkNode, ElkPort } from 'elkjs/lib/elk-api';
import type { Link, Plate, Wall } from '../../api/client';
import { HEAD, rowHeight, rowKey } from '../measures';
import { plateSize, traySize, type Size } from './sizes';
import { homeOf } from './home';

/** One end of a cable: a plate, and the place on it. */
interface End {
  plate: string;
  port: string;
}

/** What is laid out as one strip: its parts, and its cables from what feeds to what is fed. */
export interface Strip {
  tall: boolean;
  plates: Map<string, Plate>;
  sizes: Map<string, Size>;
  rows: Map<string, string[]>;
  edges: Map<string, { from: End; to: End; light: boolean }>;
  /** outlets on equipment hang under it: outlets → equipment */
  hang: Map<string, string>;
  /** negatives that come home by a lettered foot: their part, and where they land */
  returns: Map<string, { part: string; home: string }>;
}

/** A link's route depends on where it leads. */
export function routeKey(link: Link): string {
  return `${link.id}>${link.from.c}.${link.from.port ?? link.from.row ?? ''}>${link.to.c}.${link.to.port ?? ''}`;
}

export const forkKey = (circuit: string): string => `fork:${circuit}`;

function empty(walls: Wall[], tall: boolean, belongs: (p: Plate) => boolean): Strip {
  const strip: Strip = {
    tall,
    plates: new Map(),
    sizes: new Map(),
    rows: new Map(),
    edges: new Map(),
    hang: new Map(),
    returns: new Map(),
  };
  for (const wall of walls) {
    for (const [id, plate] of Object.entries(wall.plates)) {
      if (!belongs(plate)) continue;
      strip.plates.set(id, plate);
      if (plate.shape === 'tray') {
        const { keys, w, h } = traySize(walls, id, tall);
        strip.rows.set(id, keys);
        strip.sizes.set(id, { w, h });
      } else {
        const before = strip.sizes.get(id);
        const size = plateSize(plate, tall);
        strip.sizes.set(id, { w: Math.max(size.w, before?.w ?? 0), h: Math.max(size.h, before?.h ?? 0) });
      }
    }
  }
  return strip;
}

/** The 120 V side: supplies, what they pass through, panels, what hangs on their breakers. */
export function acStrip(walls: Wall[], tall: boolean): Strip {
  const strip = empty(walls, tall, (p) => p.band !== 'deck');
  for (const { links } of walls)
    for (const { from, to } of links)
      if (hangs(strip.plates.get(from.c), strip.plates.get(to.c))) strip.hang.set(to.c, from.c);
  for (const wall of walls) {
    for (const link of wall.links) {
      if (link.kind !== 'ac' && link.kind !== 'coil') continue;
      if (strip.hang.get(link.to.c) === link.from.c || !strip.plates.has(link.from.c) || !strip.plates.has(link.to.c))
        continue;
      strip.edges.set(routeKey(link), {
        from: { plate: link.from.c, port: outPort(link, wall) },
        to: { plate: link.to.c, port: inPort(link, wall) },
        light: link.kind === 'coil',
      });
    }
    for (const [tray, { rows }] of Object.entries(wall.trays)) {
      for (const row of rows) {
        if (!row.circuit || !row.strayNeutral || !strip.plates.has(row.strayNeutral)) continue;
        const key = forkKey(row.circuit);
        if (strip.edges.has(key)) continue;
        // Drawn from the panel that feeds to the one that is fed, whichever of them has the wire.
        strip.edges.set(key, {
          from: { plate: row.strayNeutral, port: 'rail:e' },
          to: { plate: tray, port: `neutral:${rowKey(row)}` },
          light: true,
        });
      }
    }
  }
  return strip;
}

/** A strip taken apart into what hangs together, the largest of the last wall first; what that one lacks at the end. */
export function islands(strip: Strip, walls: Wall[]): { strip: Strip; shown: boolean }[] {
  const last = walls.at(-1)!;
  const root = new Map([...strip.plates.keys()].map((id) => [id, id]));
  const find = (id: string): string => (root.get(id) === id ? id : find(root.get(id)!));
  const join = (a: string, b: string) => root.set(find(a), find(b));
  for (const { from, to } of strip.edges.values()) join(from.plate, to.plate);
  for (const [a, b] of strip.hang) join(a, b);
  const parts = new Map<string, Strip>();
  for (const [id, plate] of strip.plates) {
    const key = find(id);
    const part = parts.get(key) ?? { ...strip, plates: new Map(), edges: new Map() };
    part.plates.set(id, plate);
    parts.set(key, part);
  }
  for (const [id, edge] of strip.edges) parts.get(find(edge.from.plate))!.edges.set(id, edge);
  const here = (s: Strip) => [...s.plates.keys()].filter((id) => last.plates[id]).length;
  return [...parts.values()]
    .sort((a, b) => here(b) - here(a) || b.plates.size - a.plates.size)
    .map((part) => ({ strip: part, shown: here(part) > 0 }));
}

/** What stands with the part that feeds it as one: outlets on equipment, and a surge unit at its inlet. */
function hangs(from: Plate | undefined, to: Plate | undefined): boolean {
  return from !== undefined && (to?.type === 'outlets' || (to?.type === 'surge_unit' && from.type === 'inlet'));
}

/**
 * The battery side: the bank at the left, users at the right, positive leads above negative ones.
 *
 * @param lettered what ties one battery system to another comes home by letter too
 */
export function deckStrip(walls: Wall[], tall: boolean, lettered = false): Strip {
  const strip = empty(walls, tall, (p) => p.band === 'deck');
  const stands = standIns(walls);
  for (const [old, now] of stands) {
    const [a, b] = [strip.sizes.get(old)!, strip.sizes.get(now)!];
    strip.sizes.set(now, { w: Math.max(a.w, b.w), h: Math.max(a.h, b.h) });
    strip.sizes.delete(old);
    strip.plates.delete(old);
  }
  const crowded = walls.some((w) => Object.values(w.plates).filter((p) => p.shape === 'bank').length > 1);
  for (const wall of walls) {
    const depth = deckDepth(wall);
    for (const link of wall.links) {
      if (link.kind !== 'positive' && link.kind !== 'negative') continue;
      const at = (c: string) => {
        const id = stands.get(c) ?? c;
        if (strip.plates.has(id)) return id;
        return wall.plates[c] && link.kind === 'positive' ? drop(strip, c) : null;
      };
      const [a, b] = [at(link.from.c), at(link.to.c)];
      if (!a || !b || a === b) continue;
      if (crowded && link.kind === 'negative') {
        const home = homeOf(wall, strip, link, lettered);
        if (home) {
          strip.returns.set(routeKey(link), home);
          continue;
        }
      }
      const forward = (depth.get(link.from.c) ?? 9) <= (depth.get(link.to.c) ?? 9);
      const pole = link.kind === 'positive' ? 'p' : 'n';
      strip.edges.set(routeKey(link), {
        from: { plate: forward ? a : b, port: `${pole}:e` },
        to: { plate: forward ? b : a, port: `${pole}:w` },
        light: false,
      });
    }
  }
  return strip;
}

export const dropId = (body: string): string => `drop\u0001${body}`;

/** Where a lead comes up to a body that stands on the 120 V side: a point at the top of the deck. */
function drop(strip: Strip, body: string): string {
  const id = dropId(body);
  if (!strip.plates.has(id)) {
    strip.plates.set(id, {
      type: 'drop',
      label: '',
      band: 'deck',
      shape: 'bar',
      rank: 0,
      lines: [],
      assumed: 0,
      pole: null,
    });
    strip.sizes.set(id, { w: 16, h: 12 });
  }
  return id;
}

/** A bank that is replaced stands where the new one will: each that is only there before, and one only there after. */
export function standIns(walls: Wall[]): Map<string, string> {
  const banks = (wall: Wall | undefined) =>
    Object.keys(wall?.plates ?? {}).filter((id) => wall!.plates[id]!.shape === 'bank');
  const last = walls.at(-1);
  const fresh = banks(last).filter((id) => walls.slice(0, -1).some((w) => !w.plates[id]));
  const gone = [...new Set(walls.slice(0, -1).flatMap(banks))].filter((id) => !last?.plates[id]);
  return new Map(gone.slice(0, fresh.length).map((id, i) => [id, fresh[i]!]));
}

/**
 * How far from the bank each part is: along positive leads, and along negative ones for what has that pole alone. A
 * body that charges or draws is as far as the part it hangs on, and one more.
 */
function deckDepth(wall: Wall): Map<string, number> {
  const depth = new Map<string, number>();
  for (const kind of ['positive', 'negative'] as const) {
    const next = new Map<string, string[]>();
    for (const { kind: k, from, to } of wall.links) {
      if (k !== kind) continue;
      next.set(from.c, [...(next.get(from.c) ?? []), to.c]);
      next.set(to.c, [...(next.get(to.c) ?? []), from.c]);
    }
    const queue = Object.keys(wall.plates).filter((id) => wall.plates[id]!.shape === 'bank');
    const seen = new Map(queue.map((id) => [id, 0]));
    for (let i = 0; i < queue.length; i++) {
      const id = queue[i]!;
      // Nothing is reached through a body: what charges feeds the part on its other side by itself.
      if (wall.plates[id] && wall.plates[id].band !== 'deck') continue;
      for (const n of next.get(id) ?? []) {
        if (seen.has(n)) continue;
        seen.set(n, seen.get(id)! + 1);
        queue.push(n);
      }
    }
    for (const [id, d] of seen) if (!depth.has(id)) depth.set(id, d);
  }
  return depth;
}

/** Parts of the deck as they shall stand in a layer, from the top: drops, positive parts, the rest, negative ones. */
export function deckSequence(strip: Strip): string[] {
  const level = (p: Plate) => (p.type === 'drop' ? 0 : p.pole === 'negative' ? 3 : p.shape === 'bank' ? 2 : 1);
  return [...strip.plates.keys()].sort((a, b) => {
    const [x, y] = [strip.plates.get(a)!, strip.plates.get(b)!];
    return level(x) - level(y) || x.rank - y.rank || (a < b ? -1 : 1);
  });
}

function outPort(link: Link, wall: Wall): string {
  if (wall.trays[link.from.c]) return link.from.row ? `row:${rowOf(wall, link.from.c, link.from.row)}` : 'main:e';
  return `out:${link.from.port ?? ''}`;
}

function inPort(link: Link, wall: Wall): string {
  const tray = wall.trays[link.to.c];
  if (tray) {
    const kind = link.to.port === 'backfeed' ? 'backfeed' : 'main';
    const row = link.to.row ? tray.rows.find((r) => r.circuit === link.to.row) : tray.rows.find((r) => r.kind === kind);
    return row ? `fed:${rowKey(row)}` : 'main:w';
  }
  return link.kind === 'coil' ? 'coil' : `in:${link.to.port ?? ''}`;
}

function rowOf(wall: Wall, tray: string, circuit: string): string {
  const row = wall.trays[tray]?.rows.find((r) => r.circuit === circuit);
  return row ? rowKey(row) : '';
}

/** The order in which ports stand one below the other on a plate's side. */
const ORDER = ['in', 'in_a', 'line', 'ac_in', '', 'in_b', 'unit_out', 'out', 'ac_out', 'ac_out2', 'follow', 'unit_in'];

type Side = 'EAST' | 'WEST' | 'NORTH' | 'SOUTH';

/** Places of the ports of a plate, from its own corner. */
export function portsOf(strip: Strip, id: string): Map<string, { x: number; y: number; side: Side }> {
  const size = strip.sizes.get(id)!;
  const plate = strip.plates.get(id)!;
  const found = new Map<string, { x: number; y: number; side: Side }>();
  const used = new Set<string>();
  for (const { from, to } of strip.edges.values()) {
    if (from.plate === id) used.add(from.port);
    if (to.plate === id) used.add(to.port);
  }
  const east = (y: number) => ({ x: size.w, y, side: 'EAST' as const });
  const west = (y: number) => ({ x: 0, y, side: 'WEST' as const });
  const up = (x: number) => ({ x, y: 0, side: 'NORTH' as const });
  const down = (x: number) => ({ x, y: size.h, side: 'SOUTH' as const });
  const rows = strip.rows.get(id);
  if (rows && plate.band !== 'deck') {
    const high = rowHeight(strip.tall);
    const y = (key: string) => HEAD + (Math.max(0, rows.indexOf(key)) + 0.5) * high;
    for (const port of used) {
      const [kind, key = ''] = port.split(/:(.*)/s);
      if (port === 'rail:e') found.set(port, east(size.h - 26));
      else if (kind === 'row') found.set(port, east(y(key)));
      else if (kind === 'fed') found.set(port, strip.tall && rows.indexOf(key) === 0 ? up(size.w * 0.3) : west(y(key)));
      else if (kind === 'neutral') found.set(port, west(y(key) + high * 0.25));
      else if (strip.tall) found.set(port, port === 'main:e' ? down(size.w * 0.7) : up(size.w * 0.3));
      else found.set(port, port === 'main:e' ? east(HEAD / 2) : west(HEAD / 2));
    }
    return found;
  }
  if (plate.band === 'deck') {
    const tall = size.h > 60;
    const lead = (port: string) => {
      if (tall) return port.startsWith('p') ? 18 : size.h - 18;
      return plate.pole === null && plate.type !== 'drop' ? (port.startsWith('p') ? 13 : size.h - 13) : size.h / 2;
    };
    for (const port of used) {
      const y = lead(port);
      found.set(port, port.endsWith('e') ? east(y) : west(y));
    }
    return found;
  }
  for (const side of ['in', 'out']) {
    const list = [...used]
      .filter((p) => p.startsWith(`${side}:`))
      .sort((a, b) => ORDER.indexOf(a.slice(side.length + 1)) - ORDER.indexOf(b.slice(side.length + 1)));
    const top = plate.band === 'supplies' ? size.h / 2 : 46;
    list.forEach((port, i) => {
      if (strip.tall) {
        const x = (size.w * (i + 1)) / (list.length + 1);
        found.set(port, side === 'in' ? up(x) : down(x));
        return;
      }
      const y = plate.band === 'supplies' ? size.h * ((i + 1) / (list.length + 1)) : top + i * 24;
      found.set(port, side === 'in' ? west(y) : east(y));
    });
  }
  if (used.has('coil')) found.set('coil', west(size.h - 14));
  return found;
}

const portId = (plate: string, port: string) => `${plate}\u0000${port}`;

/** A part with what hangs under it, as one box: its size, and how far down each of them begins. */
export function stack(strip: Strip, id: string): Size & { parts: [string, number][] } {
  const own = strip.sizes.get(id)!;
  const parts: [string, number][] = [[id, 0]];
  let { w, h } = own;
  for (const [outlets, host] of strip.hang) {
    if (host !== id) continue;
    const size = strip.sizes.get(outlets)!;
    parts.push([outlets, h]);
    w = Math.max(w, size.w);
    h += size.h;
  }
  return { w, h, parts };
}

/** The strip as the layout library takes it, its parts in the order in which they shall stand in a layer. */
export function toElk(strip: Strip, options: Record<string, string>, order = [...strip.plates.keys()]): ElkNode {
  const ids = order.filter((id) => !strip.hang.has(id));
  // A battery that another is joined to stands further on: nothing leads to the first place.
  const fed = new Set([...strip.edges.values()].map((e) => e.to.plate));
  const children: ElkNode[] = ids.map((id) => {
    const { w, h, parts } = stack(strip, id);
    return {
      id,
      width: w,
      height: h,
      layoutOptions: {
        'elk.portConstraints': 'FIXED_POS',
        ...(strip.plates.get(id)!.shape === 'bank' && !fed.has(id)
          ? { 'elk.layered.layering.layerConstraint': 'FIRST' }
          : {}),
      },
      ports: parts.flatMap(([part, down]) =>
        [...portsOf(strip, part)].map(([port, at]): ElkPort => ({
          id: portId(part, port),
          x: at.side === 'EAST' ? w : at.x,
          y: at.side === 'SOUTH' ? h : at.y + down,
          width: 0,
          height: 0,
          layoutOptions: { 'elk.port.side': at.side },
        })),
      ),
    };
  });
  const edges: ElkExtendedEdge[] = [...strip.edges].map(([id, { from, to, light }]) => ({
    id,
    sources: [portId(from.plate, from.port)],
    targets: [portId(to.plate, to.port)],
    layoutOptions: {
      'elk.layered.priority.direction': light ? '0' : '4',
      'elk.layered.priority.straightness': light ? '0' : '6',
    },
  }));
  return { id: 'root', layoutOptions: options, children, edges };
}

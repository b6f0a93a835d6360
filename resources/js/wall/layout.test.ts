import { describe, expect, it } from 'vitest';
import type { Link, Plate, Row, Wall } from '../api/client';
import { deckOrder, layoutWall, routeKey, unionRows } from './layout';
import { rowKey, type Box, type Point } from './measures';

const plate = (
  band: Plate['band'],
  shape: Plate['shape'],
  rank: number,
  type = 'x',
  pole: string | null = null,
): Plate => ({
  type,
  label: 'x',
  band,
  shape,
  rank,
  lines: [],
  assumed: 0,
  pole,
});
const row = (slot: number, half = '', extra: Partial<Row> = {}): Row => ({
  kind: 'circuit',
  slot,
  half,
  label: 'x',
  ratingA: 15,
  device: null,
  circuit: `c${slot}${half}`,
  ...extra,
});
const link = (id: string, kind: Link['kind'], from: Link['from'], to: Link['to']): Link => ({
  id,
  kind,
  from,
  to,
  gate: null,
  label: '',
  assumed: false,
  elements: [],
});

/** A planned rig of any size: n circuits in the main panel, m in the inverter panel. */
function rig(n: number, m: number, deckParts = 4): Wall {
  const plates: Record<string, Plate> = {
    shore: plate('supplies', 'chip', 0),
    inlet: plate('supplies', 'chip', 1),
    main: plate('panels', 'tray', 0),
    sub: plate('panels', 'tray', 1),
    inverter: plate('straddle', 'gate', 0),
    converter: plate('straddle', 'body', 1),
    bank: plate('deck', 'bank', 0),
    shunt: plate('deck', 'bar', 1, 'shunt', 'negative'),
    dcpanel: plate('deck', 'bar', 5, 'dc_panel'),
  };
  const links = [
    link('mate', 'ac', { c: 'shore' }, { c: 'inlet' }),
    link('feed', 'ac', { c: 'inlet', port: 'out' }, { c: 'main', port: 'line' }),
    link('inv_feed', 'ac', { c: 'main', row: 'c2' }, { c: 'inverter', port: 'ac_in' }),
    link('inv_out', 'ac', { c: 'inverter', port: 'ac_out' }, { c: 'sub', port: 'line' }),
    link('conv', 'ac', { c: 'sub', row: 'c1' }, { c: 'converter', port: 'ac_in' }),
    link('ld_conv', 'positive', { c: 'converter' }, { c: 'dcpanel' }),
    link('main_ground', 'ground', { c: 'main' }, { c: 'frame' }),
  ];
  let last = 'bank';
  for (let i = 0; i < deckParts; i++) {
    plates[`part${i}`] = plate('deck', 'bar', 2);
    links.push(link(`ld${i}`, 'positive', { c: last }, { c: `part${i}` }));
    last = `part${i}`;
  }
  links.push(
    link('ld_end', 'positive', { c: last }, { c: 'dcpanel' }),
    link('ld_inv', 'positive', { c: last }, { c: 'inverter' }),
    link('ld_neg', 'negative', { c: 'bank' }, { c: 'shunt' }),
  );
  const rows = (count: number) => Array.from({ length: count }, (_, i) => row(i + 1));
  return {
    plates,
    trays: {
      main: { rows: rows(n), bondScrew: false, role: 'main', carries: [] },
      sub: { rows: rows(m), bondScrew: false, role: 'sub', carries: [] },
    },
    links,
  };
}

const overlap = (a: Box, b: Box) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** Whether a stretch of a route runs through a box, its edge left aside. */
function through(a: Point, b: Point, box: Box): boolean {
  const [x1, x2] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const [y1, y2] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  const edge = 1.5;
  return x1 < box.x + box.w - edge && x2 > box.x + edge && y1 < box.y + box.h - edge && y2 > box.y + edge;
}

const sizes: [number, number, number, number][] = [
  [3, 2, 2, 1240],
  [7, 6, 4, 944],
  [12, 12, 5, 944],
  [9, 8, 4, 780],
  [24, 6, 6, 1100],
];

describe.each(sizes)('a wall of %i and %i circuits, %i deck parts, %i px wide', (n, m, parts, width) => {
  const wall = rig(n, m, parts);
  const g = layoutWall([wall], { width, rowHeight: 26 });

  it('overlaps no two plates', () => {
    const boxes = Object.entries(g.plates);
    for (const [i, [a, boxA]] of boxes.entries())
      for (const [b, boxB] of boxes.slice(i + 1)) expect(overlap(boxA, boxB), `${a} over ${b}`).toBe(false);
  });

  it('keeps everything inside', () => {
    for (const box of Object.values(g.plates)) {
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.w).toBeLessThanOrEqual(width);
      expect(box.y + box.h).toBeLessThanOrEqual(g.sill.y);
    }
    for (const route of Object.values(g.routes)) for (const p of route) expect(p.x).toBeLessThanOrEqual(width);
  });

  it('runs no cable under a part, and every stretch straight', () => {
    for (const l of wall.links) {
      const route = g.routes[routeKey(l)];
      if (!route) continue;
      route.slice(1).forEach((b, i) => {
        const a = route[i]!;
        expect(a.x === b.x || a.y === b.y, `${l.id} is askew`).toBe(true);
        for (const [id, box] of Object.entries(g.plates)) expect(through(a, b, box), `${l.id} under ${id}`).toBe(false);
      });
    }
  });

  it('gives every AC cable of a channel a track of its own', () => {
    const xs = wall.links
      .filter((l) => l.kind === 'ac' && l.id !== 'mate')
      .flatMap((l) => g.routes[routeKey(l)]!.slice(1, 3).map((p) => ({ id: l.id, ...p })));
    const verticals = new Map<number, string>();
    for (let i = 0; i < xs.length; i += 2) {
      const at = xs[i]!;
      if (at.x === xs[i + 1]!.x) {
        expect(verticals.get(at.x) ?? at.id, `two cables at x ${at.x}`).toBe(at.id);
        verticals.set(at.x, at.id);
      }
    }
  });

  it('puts rows one under the other without a gap', () => {
    const boxes = Object.values(g.rows.main!).sort((a, b) => a.y - b.y);
    boxes.slice(1).forEach((b, i) => expect(b.y).toBe(boxes[i]!.y + boxes[i]!.h));
  });
});

describe('several walls laid out together', () => {
  const before = rig(6, 0);
  delete before.trays.sub;
  delete before.plates.sub;
  delete before.plates.inverter;
  before.links = before.links.filter((l) => !['inv_feed', 'inv_out', 'conv', 'ld_inv'].includes(l.id));
  const after = rig(6, 5);

  it('moves nothing when the other one is shown', () => {
    const together = layoutWall([before, after], { width: 944, rowHeight: 26 });
    for (const id of Object.keys(before.plates)) expect(together.plates[id], id).toBeDefined();
    for (const l of [...before.links, ...after.links])
      if (l.kind === 'ac') expect(together.routes[routeKey(l)], l.id).toBeDefined();
  });

  it('splits a slot everywhere when it is split anywhere', () => {
    const split = structuredClone(before);
    split.trays.main!.rows = split.trays.main!.rows.flatMap((r) => (r.slot === 3 ? [row(3, 'a'), row(3, 'b')] : [r]));
    expect(unionRows([before, split], 'main')).toEqual(['1', '2', '3a', '3b', '4', '5', '6']);
  });

  it('puts what hangs behind a circuit under it', () => {
    const nested = structuredClone(before);
    nested.trays.main!.rows.push(row(2, '', { circuit: 'behind_two', indent: 1 }));
    expect(unionRows([nested], 'main')).toEqual(['1', '2', 'b:behind_two', '3', '4', '5', '6']);
    expect(rowKey(nested.trays.main!.rows.at(-1)!)).toBe('b:behind_two');
  });

  it('reorders nothing on the deck when a part is added at the end', () => {
    const less = deckOrder([rig(3, 2, 3)]);
    const more = deckOrder([rig(3, 2, 4)]);
    for (const id of ['bank', 'part0', 'part1', 'part2']) expect(more[id]).toBe(less[id]);
  });
});

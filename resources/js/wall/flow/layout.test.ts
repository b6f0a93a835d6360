import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Answer, Link, Plate, Row, Wall } from '../../api/client';
import { drawn } from '../../testing';
import { rowHeight, rowKey } from '../measures';
import { routeKey } from './graph';
import { drawingKey } from './layout';
import { measure } from './measure';
import { unionRows } from './rows';
import { plateSize, textWidth } from './sizes';

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

/** The frame of a laptop with the findings folded away. */
const LAPTOP = { w: 1210, h: 676 };

const sizes: [number, number, number][] = [
  [3, 2, 2],
  [7, 6, 4],
  [12, 12, 5],
  [9, 8, 4],
  [24, 6, 6],
];

describe.each(sizes)('a wall of %i and %i circuits, %i deck parts', (n, m, parts) => {
  const wall = rig(n, m, parts);

  it.each([false, true])('overlaps nothing and runs no cable under a part (tall: %s)', async (tall) => {
    const found = measure(wall, await drawn([wall], tall), LAPTOP);
    expect(found.overlaps).toEqual([]);
    expect(found.underPlates).toEqual([]);
  });

  it('reads as power flows: each part to the right of what feeds it', async () => {
    const { plates } = await drawn([wall]);
    for (const [a, b] of [
      ['shore', 'inlet'],
      ['inlet', 'main'],
      ['main', 'inverter'],
      ['inverter', 'sub'],
      ['sub', 'converter'],
      ['bank', 'part0'],
      ['bank', 'shunt'],
    ])
      expect(plates[b!]!.x, `${b} after ${a}`).toBeGreaterThanOrEqual(plates[a!]!.x + plates[a!]!.w);
  });

  it('keeps the battery side below, and everything inside', async () => {
    const g = await drawn([wall]);
    for (const [id, box] of Object.entries(g.plates)) {
      expect(box.x, id).toBeGreaterThanOrEqual(0);
      expect(box.x + box.w, id).toBeLessThanOrEqual(g.width);
      expect(wall.plates[id]!.band === 'deck' ? box.y >= g.deckTop : box.y + box.h <= g.deckTop, id).toBe(true);
      expect(box.y + box.h, id).toBeLessThanOrEqual(g.sill.y);
    }
    for (const route of Object.values(g.routes))
      route.slice(1).forEach((b, i) => {
        const a = route[i]!;
        expect(Math.abs(a.x - b.x) < 0.5 || Math.abs(a.y - b.y) < 0.5, 'a stretch is askew').toBe(true);
        expect(b.x).toBeLessThanOrEqual(g.width);
      });
  });

  it('puts rows one under the other without a gap', async () => {
    const { rows } = await drawn([wall]);
    const boxes = Object.values(rows.main!).sort((a, b) => a.y - b.y);
    boxes.slice(1).forEach((b, i) => expect(b.y).toBe(boxes[i]!.y + boxes[i]!.h));
  });

  it('moves nothing by more than a row when a circuit is added', async () => {
    const before = await drawn([wall]);
    const after = await drawn([rig(n + 1, m, parts)]);
    for (const [id, box] of Object.entries(before.plates)) {
      expect(Math.abs(after.plates[id]!.x - box.x), `${id} aside`).toBeLessThanOrEqual(1);
      expect(Math.abs(after.plates[id]!.y - box.y), `${id} down`).toBeLessThanOrEqual(rowHeight(false) + 1);
    }
  });
});

describe('the rigs of the demo workshop', () => {
  const rigs = ['demo', 'archive', 'tideline', 'bellows'].flatMap((name) => {
    const answers = JSON.parse(readFileSync(`storage/fixtures/${name}.json`, 'utf8')) as Record<string, Answer>;
    return Object.entries(answers).map(
      ([view, answer]) => [name, view, [...new Set([answers.as_found!.wall, answer.wall])]] as const,
    );
  });

  it.each(rigs)('%s, %s: crosses little, hides nothing, is read on a laptop', async (name, __, walls) => {
    const found = measure(walls.at(-1)!, await drawn([...walls]), LAPTOP);
    expect(found.overlaps).toEqual([]);
    expect(found.underPlates).toEqual([]);
    expect(found.crossings).toBeLessThanOrEqual(name === 'bellows' ? MOST_OF_FOUR_BATTERIES : MOST_CROSSINGS);
    expect(found.text).toBeGreaterThanOrEqual(11);
  });

  it.each(rigs)('%s, %s: hides nothing on a tablet', async (_, __, walls) => {
    const found = measure(walls.at(-1)!, await drawn([...walls], true), { w: 796, h: 900 });
    expect(found.overlaps).toEqual([]);
    expect(found.underPlates).toEqual([]);
  });
});

/** On a 30 A rig. */
const MOST_CROSSINGS = 2;
const MOST_OF_FOUR_BATTERIES = 3;

describe('negatives of a rig with several batteries', () => {
  const answers = JSON.parse(readFileSync('storage/fixtures/bellows.json', 'utf8')) as Record<string, Answer>;
  const wall = answers.as_found!.wall;
  // A body on the 120 V side shows its positive lead alone.
  const negatives = wall.links.filter(
    (l) => l.kind === 'negative' && [l.from.c, l.to.c].every((c) => wall.plates[c]!.band === 'deck'),
  );

  it('are each a line or a letter at both its ends, never both or neither', async () => {
    const drawing = await drawn([wall]);
    for (const l of negatives) {
      const key = routeKey(l);
      expect([drawing.routes[key] !== undefined, drawing.returns[key] !== undefined], l.id).toContain(true);
      expect(drawing.routes[key] !== undefined && drawing.returns[key] !== undefined, l.id).toBe(false);
    }
  });

  it('run all the way between batteries and bars, and come home by letter from what takes and gives', async () => {
    const drawing = await drawn([wall]);
    const of = (id: string) => routeKey(negatives.find((l) => l.id === id)!);
    expect(drawing.routes[of('lead_long_neg')]).toBeDefined();
    expect(drawing.routes[of('lead_common')]).toBeDefined();
    const [east, west] = [drawing.returns[of('lead_east_neg')]!, drawing.returns[of('lead_west_neg')]!];
    // One letter for one place, at the part and at the bar.
    expect(east.letter).toBe(west.letter);
    expect(east.to).toEqual(west.to);
    expect(east.from.y).toBeGreaterThan(drawing.plates.east!.y + drawing.plates.east!.h - 1);
    expect(east.letter).not.toBe(drawing.returns[of('lead_tow_neg')]!.letter);
  });

  it('stay lines where there is one battery', async () => {
    const one = JSON.parse(readFileSync('storage/fixtures/tideline.json', 'utf8')) as Record<string, Answer>;
    expect((await drawn([one.as_found!.wall])).returns).toEqual({});
  });
});

describe('several walls laid out together', () => {
  const before = rig(6, 0);
  delete before.trays.sub;
  delete before.plates.sub;
  delete before.plates.inverter;
  before.links = before.links.filter((l) => !['inv_feed', 'inv_out', 'conv', 'ld_inv'].includes(l.id));
  const after = rig(6, 5);

  it('moves nothing when the other one is shown', async () => {
    const together = await drawn([before, after]);
    for (const id of Object.keys(before.plates)) expect(together.plates[id], id).toBeDefined();
    for (const l of [...before.links, ...after.links])
      if (l.kind === 'ac') expect(together.routes[routeKey(l)], l.id).toBeDefined();
  });

  it('is the same drawing whatever is live, and another when a part is added', () => {
    const same = structuredClone(after);
    same.trays.main!.rows[0]!.ratingA = 20;
    expect(drawingKey([before, same], false)).toBe(drawingKey([before, after], false));
    expect(drawingKey([before, rig(7, 5)], false)).not.toBe(drawingKey([before, after], false));
    expect(drawingKey([before, after], true)).not.toBe(drawingKey([before, after], false));
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
});

describe('a part of the battery side', () => {
  const part = (label: string, assumed: number) =>
    plateSize(
      { type: 'dc_fuse', label, band: 'deck', shape: 'bar', rank: 1, lines: [], assumed, pole: 'positive' },
      false,
    );

  it('is wide enough for its name, what is assumed of it and the sign of a finding', () => {
    const name = textWidth('Main fuse of the bank', 15);
    expect(part('Main fuse of the bank', 0).w).toBeGreaterThanOrEqual(name + 18 + 20);
    expect(part('Main fuse of the bank', 2).w).toBeGreaterThanOrEqual(name + 18 + 20 + 26);
  });
});

import type { ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api';
import type { Wall } from '../../api/client';
import {
  FOOT,
  HEAD,
  MARGIN as TOP,
  RAILS,
  rowHeight,
  SILL_H,
  TRACK,
  type Box,
  type Geometry,
  type Point,
} from '../measures';
import {
  acStrip,
  deckSequence,
  deckStrip,
  dropId,
  forkKey,
  islands,
  routeKey,
  stack,
  standIns,
  toElk,
  type Strip,
} from './graph';
import { measure } from './measure';
import { COMMON, deckWays, type Engine } from './order';
import { CLEAR, MARGIN, pointsOf, returnsOf, straightened, toSill } from './routes';

/** Widest that parts of the deck are pulled apart to fill the line, px. */
const WIDEST_GAP = 74;

/**
 * The geometry of the wall: a pure function of what is to be shown, over several walls at once (as found and planned),
 * so that choosing one of them repaints and moves nothing. Two strips, each in layers by flow: the 120 V side, and
 * below it the battery side, with the leads of inverters and chargers coming up from one to the other.
 *
 * @param tall from top to bottom, for a screen that is higher than wide
 */
export async function layoutWall(walls: Wall[], tall: boolean, engine: Engine): Promise<Geometry> {
  const ac = acStrip(walls, tall);
  const deck = deckStrip(walls, tall);
  const direction = { ...COMMON, 'elk.direction': tall ? 'DOWN' : 'RIGHT' };
  const parts = islands(ac, walls);
  const laid = await Promise.all(parts.map(({ strip }) => engine(toElk(strip, direction))));
  const above = packed(
    laid.map((graph, i) => ({ graph, shown: parts[i]!.shown })),
    tall ? TALL : WIDE,
  );
  if (deck.plates.size === 0) return compose(walls, ac, deck, above, null);
  let best: { drawing: Geometry; tangle: number } | null = null;
  for (const strip of [deck, deckStrip(walls, tall, true)]) {
    if (strip !== deck && strip.returns.size === deck.returns.size) break;
    for (const way of deckWays(strip)) {
      const below = await deckOf(strip, way, deckSequence(strip), above.width ?? 0, engine);
      const drawing = compose(walls, ac, strip, above, below);
      const tangle = tangled(walls, drawing);
      if (!best || tangle < best.tangle) best = { drawing, tangle };
      if (tangle <= GOOD_ENOUGH) return drawing;
    }
  }
  return best!.drawing;
}

/** So many crossings can be followed with a finger: no better order is looked for. */
const GOOD_ENOUGH = 2;

/** The frame of the wall on a laptop, px, and type that is too small to read there. */
const LAPTOP = { w: 1210, h: 676 };
const SMALL = 11;

/** A lead under a part is as bad as so many crossings. */
const UNDER = 50;

/** The most that any of the walls is tangled in a drawing. */
function tangled(walls: Wall[], drawing: Geometry): number {
  return Math.max(
    ...walls.map((wall) => {
      const m = measure(wall, drawing, LAPTOP);
      return m.crossings + UNDER * m.underPlates.length + (m.text < SMALL ? GOOD_ENOUGH : 0);
    }),
  );
}

/** The battery side, its parts pulled apart to fill the line that the 120 V side takes. */
async function deckOf(
  deck: Strip,
  way: Record<string, string>,
  sequence: string[],
  width: number,
  engine: Engine,
): Promise<ElkNode> {
  const below = await engine(toElk(deck, way, sequence));
  const layers = new Set(below.children?.map((n) => Math.round(n.x ?? 0)) ?? []).size;
  const spare = width - (below.width ?? 0);
  if (layers < 2 || spare <= 60) return below;
  const gap = Math.min(WIDEST_GAP, 28 + Math.floor(spare / (layers - 1)));
  return engine(toElk(deck, { ...way, 'elk.layered.spacing.nodeNodeBetweenLayers': String(gap) }, sequence));
}

/** The same for walls that are drawn the same: which parts, how large, joined how; not what is live on them. */
export function drawingKey(walls: Wall[], tall: boolean): string {
  const ac = acStrip(walls, tall);
  const deck = deckStrip(walls, tall);
  const parts = [ac, deck].map((s) => [[...s.sizes], [...s.rows], [...s.edges], [...s.hang], [...s.returns]]);
  const links = walls.map((w) => w.links.filter((l) => l.kind === 'bond' || l.kind === 'ground').map(routeKey));
  return digest(JSON.stringify([tall, parts, links, [...standIns(walls)]]));
}

/** 53 bits of a text, FNV-like: enough to tell drawings apart. */
function digest(text: string): string {
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 2654435761);
    b = Math.imul(b ^ c, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return (4294967296 * (2097151 & b) + (a >>> 0)).toString(36);
}

/** Width over height that is aimed at for the 120 V side: of a laptop above the battery side, of a tablet. */
const WIDE = 2.6;
const TALL = 0.8;
const APART = 34;

/**
 * What hangs together with nothing else stands beside or below what is there, whichever keeps the whole nearer to the
 * proportion; what only another rig has stands beside, where it takes no room from this one.
 */
function packed(parts: { graph: ElkNode; shown: boolean }[], aim: number): ElkNode {
  const whole: ElkNode = { id: 'root', children: [], edges: [], width: 0, height: 0 };
  let shown = { w: 0, h: 0 };
  for (const part of parts) {
    const [w, h] = [part.graph.width ?? 0, part.graph.height ?? 0];
    const first = whole.children!.length === 0;
    const beside = { w: shown.w + APART + w, h: Math.max(shown.h, h) };
    const below = { w: Math.max(shown.w, w), h: shown.h + APART + h };
    const size = (s: { w: number; h: number }) => Math.max(s.w / aim, s.h);
    const down = !first && part.shown && size(below) < size(beside);
    const dx = first || down ? 0 : (part.shown ? shown.w : whole.width!) + APART;
    const dy = down ? shown.h + APART : 0;
    for (const node of part.graph.children ?? [])
      whole.children!.push({ ...node, x: (node.x ?? 0) + dx, y: (node.y ?? 0) + dy });
    for (const edge of (part.graph.edges ?? []) as ElkExtendedEdge[]) whole.edges!.push(moved(edge, dx, dy));
    if (part.shown) shown = first ? { w, h } : down ? below : beside;
    whole.width = Math.max(whole.width!, dx + w);
    whole.height = Math.max(whole.height!, dy + h);
  }
  return whole;
}

function moved(edge: ElkExtendedEdge, dx: number, dy: number): ElkExtendedEdge {
  const by = (p: Point) => ({ x: p.x + dx, y: p.y + dy });
  return {
    ...edge,
    sections: edge.sections?.map((s) => ({
      ...s,
      startPoint: by(s.startPoint),
      endPoint: by(s.endPoint),
      bendPoints: s.bendPoints?.map(by),
    })),
  } as ElkExtendedEdge;
}

const NUDGE = 12;

function compose(walls: Wall[], ac: Strip, deck: Strip, above: ElkNode, below: ElkNode | null): Geometry {
  const high = rowHeight(ac.tall);
  const plates: Record<string, Box> = {};
  const rows: Geometry['rows'] = {};
  const rails: Geometry['rails'] = {};
  const routes: Geometry['routes'] = {};
  const forks: Geometry['forks'] = {};
  const boxOf = (n: ElkNode, dy: number): Box => ({
    x: MARGIN + (n.x ?? 0),
    y: dy + (n.y ?? 0),
    w: n.width ?? 0,
    h: n.height ?? 0,
  });
  for (const node of above.children ?? []) {
    const whole = boxOf(node, TOP);
    for (const [id, down] of stack(ac, node.id).parts) {
      const box = (plates[id] = { ...whole, y: whole.y + down, h: ac.sizes.get(id)!.h });
      const keys = ac.rows.get(id);
      if (!keys) continue;
      rows[id] = rowsIn(box, keys, high);
      if (ac.plates.get(id)!.type !== 'outlets')
        rails[id] = { x1: box.x + 12, x2: box.x + box.w - 34, n: box.y + box.h - 26, g: box.y + box.h - RAILS + 24 };
    }
  }
  for (const edge of above.edges ?? []) {
    const points = pointsOf(edge as ElkExtendedEdge, TOP);
    if (!points) continue;
    const circuit = edge.id.startsWith(forkKey('')) ? edge.id.slice(forkKey('').length) : null;
    // A fork begins where its wire leaves its circuit and ends on the rail it landed on.
    if (circuit) forks[circuit] = points.reverse();
    else routes[edge.id] = points;
  }

  // What hangs under a part is one with it: leads and grounds leave at the foot of both.
  const whole = (id: string): Box => {
    const { h } = ac.plates.has(id) ? stack(ac, id) : plates[id]!;
    return { ...plates[id]!, h };
  };
  const aboveBottom = TOP + (above.height ?? 0);
  const width = MARGIN * 2 + Math.max(above.width ?? 0, below?.width ?? 0);
  const channelTop = aboveBottom + FOOT + 8;
  const drops = (below?.children ?? []).filter((n) => n.id.startsWith(dropId('')));
  const upright: Upright[] = Object.values(routes).flatMap(uprights);
  const ways = drops
    .map((node) => {
      const body = node.id.slice(dropId('').length);
      const x = MARGIN + (node.x ?? 0) + (node.width ?? 0) / 2;
      if (!plates[body]) return null;
      const down = wayDown(
        whole(body),
        x,
        channelTop,
        width,
        Object.keys(plates)
          .filter((id) => !ac.hang.has(id))
          .map(whole),
        upright,
      );
      upright.push(...uprights(down));
      return { node, x, down, up: down.at(-1)! };
    })
    .filter((way) => way !== null)
    // Each has a line of its own between the strips; the one with the shortest way the uppermost.
    .sort((a, b) => Math.abs(a.x - a.up.x) - Math.abs(b.x - b.up.x));
  const lines = new Map<string, number>();
  const taken: [number, number][][] = [];
  for (const way of ways) {
    const [a, b] = [Math.min(way.x, way.up.x) - 9, Math.max(way.x, way.up.x) + 9];
    let n = taken.findIndex((line) => line.every(([c, d]) => b <= c || d <= a));
    if (n < 0) n = taken.push([]) - 1;
    taken[n]!.push([a, b]);
    lines.set(way.node.id, n);
  }
  const deckTop = channelTop + Math.max(1, taken.length) * TRACK + 4;
  const deckY = deckTop + NUDGE;
  for (const node of below?.children ?? []) {
    if (node.id.startsWith(dropId(''))) continue;
    const box = (plates[node.id] = boxOf(node, deckY));
    const keys = deck.rows.get(node.id);
    if (keys) rows[node.id] = rowsIn(box, keys, high);
  }
  const stands = standIns(walls);
  for (const [old, now] of stands) plates[old] = plates[now]!;
  const ups = new Map(ways.map((way) => [way.node.id, { ...way, y: channelTop + lines.get(way.node.id)! * TRACK }]));
  for (const edge of (below?.edges ?? []) as ElkExtendedEdge[]) {
    const points = pointsOf(edge, deckY);
    if (!points) continue;
    const ends = [edge.sources[0]!, edge.targets[0]!].map((end) => ups.get(end.split('\u0000')[0]!));
    if (ends[1]) points.push(...rise(points.at(-1)!, ends[1]));
    if (ends[0]) points.unshift(...rise(points[0]!, ends[0]).reverse());
    routes[edge.id] = straightened(points);
  }

  const bottom = below ? deckY + (below.height ?? 0) : aboveBottom;
  const sillY = bottom + 20;
  const sill = { x: 0, y: sillY, w: width, h: SILL_H };
  const feet = feetOf(walls, plates, whole);
  for (const wall of walls) {
    for (const link of wall.links) {
      const box = plates[link.from.c];
      if (link.kind !== 'bond' || !box) continue;
      routes[routeKey(link)] = toSill(box, sillY, Object.values(plates));
    }
  }
  const returns = returnsOf(deck, plates);
  return { width, height: sillY + SILL_H, plates, rows, rails, routes, forks, feet, returns, sill, deckTop };
}

/** Rows of a tray, one below the other. */
function rowsIn(box: Box, keys: string[], high: number): Record<string, Box> {
  return Object.fromEntries(keys.map((key, i) => [key, { x: box.x, y: box.y + HEAD + i * high, w: box.w, h: high }]));
}

interface Upright {
  x: number;
  y1: number;
  y2: number;
}

function uprights(points: Point[]): Upright[] {
  return points.slice(1).flatMap((b, i) => {
    const a = points[i]!;
    return Math.abs(a.x - b.x) < 0.5 ? [{ x: a.x, y1: Math.min(a.y, b.y), y2: Math.max(a.y, b.y) }] : [];
  });
}

const CLOSE = 3.5;

/**
 * From the foot of a body down to the channel between the strips: straight where nothing stands below, else past it. It
 * comes down as near as it can to the place it goes to, under no part and on no other cable's line.
 */
function wayDown(body: Box, target: number, to: number, width: number, boxes: Box[], taken: Upright[]): Point[] {
  const from = body.y + body.h;
  const free = (x: number, y1: number, y2: number, apart: number) =>
    boxes.every((b) => b.y + b.h <= y1 + 0.5 || b.y >= y2 || x <= b.x - CLEAR || x >= b.x + b.w + CLEAR) &&
    taken.every((t) => t.y2 <= y1 || t.y1 >= y2 || Math.abs(t.x - x) >= apart);
  const across = (x1: number, x2: number, turn: number) =>
    boxes.every(
      (b) =>
        b === body ||
        b.y + b.h <= turn - 4 ||
        b.y >= turn + 4 ||
        Math.max(x1, x2) <= b.x ||
        Math.min(x1, x2) >= b.x + b.w,
    );
  const [left, right] = [body.x + FOOT * 2, body.x + body.w - 16];
  const inside = (x: number) => Math.max(left, Math.min(right, x));
  const tries = [target, ...Array.from({ length: Math.floor(width / 4) - 2 }, (_, i) => 4 + i * 4)];
  let best = { x: inside(target), turn: from + CLEAR + 2, cost: Infinity };
  // It turns as near to the body as it can: lower down only where something stands beside it there. Where cables stand
  // too close to leave room, it goes between them.
  for (const apart of [CLEAR, CLOSE]) {
    for (let turn = from + CLEAR + 2; turn < to && best.cost === Infinity; turn += CLEAR) {
      for (const x of tries) {
        const straight = x >= left && x <= right;
        const exit = inside(x);
        const turns = () => free(exit, from, turn, apart) && across(exit, x, turn);
        if (!free(x, straight ? from : turn, to, apart) || !(straight || turns())) continue;
        const cost = Math.abs(x - target) + (straight ? 0 : 120 + 2 * Math.abs(x - exit));
        if (cost < best.cost) best = { x, turn, cost };
      }
    }
  }
  const exit = inside(best.x);
  return exit === best.x
    ? [
        { x: exit, y: from },
        { x: exit, y: to },
      ]
    : [
        { x: exit, y: from },
        { x: exit, y: best.turn },
        { x: best.x, y: best.turn },
        { x: best.x, y: to },
      ];
}

/** From the end of a lead on the deck up to its line between the strips, along it, and up to the body. */
function rise(from: Point, way: { x: number; y: number; down: Point[] }): Point[] {
  const down = way.down.slice(0, -1);
  return [{ x: way.x, y: from.y }, { x: way.x, y: way.y }, { x: way.down.at(-1)!.x, y: way.y }, ...down.reverse()];
}

/** Grounded plates get a number, and the same at the sill: their grounds are not drawn all the way. */
function feetOf(walls: Wall[], plates: Record<string, Box>, whole: (id: string) => Box): Geometry['feet'] {
  const feet: Geometry['feet'] = {};
  const grounded = new Set(walls.flatMap((w) => w.links.filter((l) => l.kind === 'ground').map((l) => l.from.c)));
  [...grounded]
    .filter((id) => plates[id])
    .sort((a, b) => plates[a]!.x - plates[b]!.x || plates[a]!.y - plates[b]!.y)
    .forEach((id, i) => {
      const box = whole(id);
      const x = box.x + FOOT / 2 + 4;
      feet[id] = { number: i + 1, x, y: box.y + box.h, sillX: x };
    });
  let last = 60;
  for (const foot of Object.values(feet).sort((a, b) => a.x - b.x || a.number - b.number))
    foot.sillX = last = Math.max(foot.x, last + FOOT);
  return feet;
}

import type { Link, Wall } from '../api/client';
import {
  GAP,
  HEAD,
  MARGIN,
  PART_H,
  SUPPLY_W,
  SWITCH_H,
  TRACK,
  rowKey,
  type Box,
  type Point,
  type Geometry,
  type Column,
  type Taken,
} from './measures';

/** Where cables land on a switching plate: supplies come in on one side, what is chosen goes out on the other. */
const GATE_PORTS: Record<string, { side: 'l' | 'r'; at: number }> = {
  in: { side: 'l', at: 0.42 },
  in_a: { side: 'l', at: 0.38 },
  in_b: { side: 'l', at: 0.62 },
  out: { side: 'r', at: 0.42 },
  unit_in: { side: 'r', at: 0.62 },
  unit_out: { side: 'r', at: 0.84 },
};

interface Port extends Point {
  side: 'l' | 'r' | 't' | 'b';
  /** vertical channel beside it; -1 for a port on the top or bottom */
  channel: number;
}

/** Orthogonal routing through the channels between the columns, a track for each ribbon. */
export class Router {
  private counts = new Map<string, number>();
  /** channel (a number) or across → tracks, each with the stretches taken in it */
  private tracks = new Map<number | 'across', [number, number][][]>();

  constructor(
    private columns: Column[],
    private boxes: Record<string, Box>,
    private rows: Geometry['rows'],
    private crossY: number,
    private deckY: number,
  ) {}

  route(link: Link, walls: Wall[], sillY: number): Point[] | null {
    const from = this.boxes[link.from.c];
    const to = this.boxes[link.to.c];
    if (link.kind === 'ground' || !from) return null;
    if (link.kind === 'coil' && !to) return null;
    if (link.kind === 'bond') {
      const x = from.x + from.w / 2;
      return [
        { x, y: from.y + from.h },
        { x, y: sillY },
      ];
    }
    if (!to) return null;
    if (link.kind === 'positive' || link.kind === 'negative') return this.direct(link, from, to);
    if (from.x === to.x && from.x < MARGIN + 1) {
      // Supply above or below its inlet.
      const x = from.x + from.w / 2;
      return from.y < to.y
        ? [
            { x, y: from.y + from.h },
            { x, y: to.y },
          ]
        : [
            { x, y: from.y },
            { x, y: to.y + to.h },
          ];
    }
    return this.across(this.ports(link.from, walls), this.ports(link.to, walls));
  }

  fork(tray: string, row: Box, target: string, rail: { x1: number; x2: number; n: number }): Point[] {
    const a = this.columnOf(tray);
    const b = this.columnOf(target);
    const right = b > a;
    const channel = right ? a + 1 : a;
    const y = row.y + row.h * 0.75;
    const x = this.trackX(channel, y, rail.n);
    return [
      { x: right ? row.x + row.w : row.x, y },
      { x, y },
      { x, y: rail.n },
      { x: right ? rail.x1 : rail.x2 + 22, y: rail.n },
    ];
  }

  private columnOf(id: string): number {
    const box = this.boxes[id];
    return this.columns.findIndex((c) => box && Math.abs(c.x - box.x) < 1);
  }

  private ports(end: { c: string; port?: string | null; row?: string }, walls: Wall[]): Port[] {
    const box = this.boxes[end.c]!;
    const column = this.columnOf(end.c);
    const left = (y: number): Port => ({ x: box.x, y, side: 'l', channel: column });
    const right = (y: number): Port => ({ x: box.x + box.w, y, side: 'r', channel: column + 1 });
    // What stands among the supplies has the first channel beside it and nothing on its other side.
    if (column < 0) return [right(box.y + box.h / 2)];
    const tray = this.rows[end.c];
    if (tray) {
      const list = walls.flatMap((w) => w.trays[end.c]?.rows ?? []);
      const kind = end.port === 'backfeed' ? 'backfeed' : 'main';
      const row = end.row ? list.find((r) => r.circuit === end.row) : list.find((r) => r.kind === kind);
      const place = row ? tray[rowKey(row)] : undefined;
      const y = place ? place.y + place.h / 2 : box.y + HEAD / 2;
      return [left(y), right(y)];
    }
    const gate = GATE_PORTS[end.port ?? ''];
    if (gate && box.h === SWITCH_H) {
      const y = box.y + box.h * gate.at;
      return gate.side === 'l' ? [left(y)] : [right(y)];
    }
    if (box.h === SWITCH_H) return [left(box.y + box.h * 0.85), right(box.y + box.h * 0.85)];
    if (end.port === 'ac_out2' || end.port === 'follow') return [right(box.y + 66)];
    if (end.port === 'ac_out') return [right(box.y + 42)];
    if (end.port === 'ac_in' && box.w > 200) return [left(box.y + 42)];
    return [left(box.y + 84), right(box.y + 84)];
  }

  private across(from: Port[], to: Port[]): Point[] {
    let best: [Port, Port] = [from[0]!, to[0]!];
    let cost = Infinity;
    for (const a of from) {
      for (const b of to) {
        // On a tie the outer channel: the inner ones carry the inverter's own cables.
        const c =
          Math.abs(a.channel - b.channel) * 1000 +
          Math.abs(a.x - b.x) / 10 -
          Math.min(a.channel, b.channel) * (a.y < b.y ? 40 : 0);
        if (c < cost) [best, cost] = [[a, b], c];
      }
    }
    const [a, b] = best;
    if (a.channel === b.channel) {
      const x = this.trackX(a.channel, a.y, b.y);
      return [
        { x: a.x, y: a.y },
        { x, y: a.y },
        { x, y: b.y },
        { x: b.x, y: b.y },
      ];
    }
    const xa = this.trackX(a.channel, a.y, this.crossY + 30);
    const xb = this.trackX(b.channel, b.y, this.crossY + 30);
    const y = this.crossY + this.track('across', xa, xb) * TRACK;
    return [
      { x: a.x, y: a.y },
      { x: xa, y: a.y },
      { x: xa, y },
      { x: xb, y },
      { x: xb, y: b.y },
      { x: b.x, y: b.y },
    ];
  }

  private direct(link: Link, from: Box, to: Box): Point[] | null {
    const overDeck = (box: Box) => box.y < this.deckY;
    if (overDeck(from) !== overDeck(to)) {
      // The negative twin of a device's lead is folded into its ribbon.
      if (link.kind === 'negative') return null;
      const [body, part] = overDeck(from) ? [from, to] : [to, from];
      const x0 = body.x + body.w * 0.35;
      const x1 = part.x + part.w / 2 + (this.take(`top:${part.x}`) - 0.5) * 22;
      const y = this.deckY + this.take('deck') * TRACK;
      const down = [
        { x: x0, y: body.y + body.h },
        { x: x0, y },
        { x: x1, y },
        { x: x1, y: part.y },
      ];
      return body === from ? down : down.reverse();
    }
    if (overDeck(from)) return null;
    const [a, b] = from.x <= to.x ? [from, to] : [to, from];
    const y = (link.kind === 'positive' ? Math.min(a.y, b.y) : Math.max(a.y + a.h, b.y + b.h) - PART_H) + PART_H / 2;
    const between = Object.values(this.boxes).some(
      (box) => box !== a && box !== b && box.y < y && box.y + box.h > y && box.x > a.x + a.w - 1 && box.x < b.x - 1,
    );
    if (!between) {
      return [
        { x: a.x + a.w, y },
        { x: b.x, y },
      ];
    }
    const away =
      link.kind === 'positive'
        ? y - PART_H / 2 - 8 - this.take('over') * 9
        : y + PART_H / 2 + 8 + this.take('under') * 9;
    const edge = link.kind === 'positive' ? y - PART_H / 2 : y + PART_H / 2;
    return [
      { x: a.x + a.w * 0.75, y: edge },
      { x: a.x + a.w * 0.75, y: away },
      { x: b.x + b.w * 0.25, y: away },
      { x: b.x + b.w * 0.25, y: edge },
    ];
  }

  used(): Taken {
    const channels = new Map<number, number>();
    for (const [c, tracks] of this.tracks) if (c !== 'across') channels.set(c, tracks.length);
    return { channels, across: this.tracks.get('across')?.length ?? 0 };
  }

  private trackX(channel: number, y1: number, y2: number): number {
    const left = channel <= 0 ? MARGIN + SUPPLY_W : this.columns[channel - 1]!.x + this.columns[channel - 1]!.w;
    return left + 14 + this.track(Math.max(0, channel), y1, y2) * TRACK;
  }

  /** The first track in which a stretch meets no other: the left-edge way of channel routing. */
  private track(channel: number | 'across', from: number, to: number): number {
    const [a, b] = [Math.min(from, to) - GAP, Math.max(from, to) + GAP];
    const tracks = this.tracks.get(channel) ?? [];
    this.tracks.set(channel, tracks);
    const free = tracks.findIndex((taken) => taken.every(([c, d]) => b <= c || d <= a));
    const n = free < 0 ? tracks.length : free;
    (tracks[n] ??= []).push([a, b]);
    return n;
  }

  private take(what: string): number {
    const n = this.counts.get(what) ?? 0;
    this.counts.set(what, n + 1);
    return n;
  }
}

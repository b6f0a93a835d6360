import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Answer } from '../api/client';
import { drawnIn } from '../build/Where';
import { drawn } from '../testing';
import { extentOf } from './Extent';
import { pieceOf, placesOf, WallPiece } from './WallPiece';

const answers = JSON.parse(readFileSync('storage/fixtures/demo.json', 'utf8')) as Record<string, Answer>;
const found = answers['as_found']!.wall;
const planned = answers['panel/whole']!.wall;
const geometry = await drawn([found, planned]);
const frame = { w: 680, h: 250 };

/** Everything that a step can be about: parts, rows of panels, cables. */
const all = [
  ...Object.keys(planned.plates),
  ...Object.values(planned.trays).flatMap((t) => t.rows.flatMap((r) => (r.circuit ? [r.circuit] : []))),
  ...planned.links.map((l) => l.id),
].filter((id) => placesOf(id, planned, geometry).length > 0);

describe('a piece of the wall', () => {
  it('shows the middle of whatever is meant, at a size that is read, and no more than there is', () => {
    expect(all.length).toBeGreaterThan(30);
    const extent = extentOf(planned, geometry);
    for (const id of all) {
      const { box, scale } = pieceOf([id], planned, geometry, frame)!;
      const points = placesOf(id, planned, geometry);
      const middle = (of: number[]) => (Math.min(...of) + Math.max(...of)) / 2;
      const [x, y] = [middle(points.map((p) => p.x)), middle(points.map((p) => p.y))];
      expect(x >= box.x && x <= box.x + box.w && y >= box.y && y <= box.y + box.h, id).toBe(true);
      expect(scale, id).toBeGreaterThanOrEqual(0.62);
      expect(box.x >= extent.x && box.x + box.w <= extent.x + extent.w + 1e-6, id).toBe(true);
    }
  });

  it('holds all of what is meant together where that fits', () => {
    const near = ['main_panel', 'inlet'].filter((id) => planned.plates[id]);
    const { box } = pieceOf(near, planned, geometry, { w: 4000, h: 4000 })!;
    for (const p of near.flatMap((id) => placesOf(id, planned, geometry)))
      expect(p.x >= box.x && p.x <= box.x + box.w && p.y >= box.y && p.y <= box.y + box.h).toBe(true);
  });

  it('is nothing where nothing of it is drawn', () => {
    expect(pieceOf(['nowhere'], planned, geometry, frame)).toBeNull();
    expect(pieceOf([], planned, geometry, frame)).toBeNull();
  });

  it('lights what is meant, and says of nothing that it is live, dead, on or off', () => {
    const inState = /\b(dead|off|running|stopped|inverting|passing|not plugged in)\b/i;
    for (const [wall, id] of [
      [planned, 'main_panel'],
      [planned, Object.keys(planned.plates).find((p) => planned.plates[p]!.type === 'converter')!],
      [found, 'main_panel'],
    ] as const) {
      const html = renderToStaticMarkup(
        <WallPiece wall={wall} geometry={geometry} ids={[id]} width={frame.w} height={frame.h} />,
      );
      expect(html).toContain('is-lit');
      expect(html).not.toContain('notch-on');
      expect(html.replace(/<[^>]*>/g, ' ').replace(/12 V off/g, ' ')).not.toMatch(inState);
    }
  });
});

describe('the drawing of a step', () => {
  const build = { stages: [{ id: 'one' }, { id: 'two' }] } as never;
  it.each([
    ['take_out', 'one', 'as_found'],
    ['isolate', 'two', 'one'],
    ['land', 'one', 'one'],
    ['land', 'two', 'two'],
  ] as const)('%s of stage %s is drawn as %s', (kind, stage, drawnAs) => {
    expect(drawnIn({ kind, stage }, build)).toBe(drawnAs);
  });
});

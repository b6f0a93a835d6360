/* The measure of the wall for the demo rigs and drawn ones: npm run walls. shared/wall.md says what is wanted. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ELK from 'elkjs/lib/elk.bundled.js';
import type { Wall } from '../resources/js/api/client';
import { layoutWall } from '../resources/js/wall/flow/layout';
import { measure } from '../resources/js/wall/flow/measure';

const LAPTOP = { w: 1210, h: 676 };
const TABLET = { w: 796, h: 920 };

const file = join(mkdtempSync(join(tmpdir(), 'walls-')), 'walls.json');
execFileSync('php', ['-d', 'pcov.enabled=0', 'tools/walls.php', file, process.argv[2] ?? '30'], { stdio: 'inherit' });
const rigs = JSON.parse(readFileSync(file, 'utf8')) as Record<string, Record<string, Wall>>;
const elk = new ELK();
const total = { walls: 0, overlaps: 0, under: 0, small: 0, crossings: 0, worst: 0, ms: [] as number[] };
console.log('rig, view'.padEnd(46), 'cross bends length  size        type on a laptop  ms');
for (const [name, views] of Object.entries(rigs)) {
  for (const [view, wall] of Object.entries(views)) {
    const walls = view === 'as_found' ? [wall] : [views.as_found!, wall];
    const since = performance.now();
    const drawing = await layoutWall(walls, false, (graph) => elk.layout(graph));
    const ms = performance.now() - since;
    const m = measure(wall, drawing, LAPTOP);
    const tall = measure(
      wall,
      await layoutWall(walls, true, (graph) => elk.layout(graph)),
      TABLET,
    );
    const wrong = [...m.overlaps, ...m.underPlates, ...tall.overlaps, ...tall.underPlates.map((w) => `tall: ${w}`)];
    console.log(
      `${name}, ${view}`.slice(0, 45).padEnd(46),
      String(m.crossings).padStart(5),
      String(m.bends).padStart(5),
      String(m.length).padStart(6),
      `${m.width}x${m.height}`.padStart(10),
      `${m.text.toFixed(1)} px`.padStart(12),
      `${ms.toFixed(0)} ms`.padStart(12),
      ...wrong,
    );
    total.walls++;
    total.overlaps += m.overlaps.length + tall.overlaps.length;
    total.under += m.underPlates.length + tall.underPlates.length;
    total.small += m.text < 11 ? 1 : 0;
    total.crossings += m.crossings;
    total.worst = Math.max(total.worst, m.crossings);
    total.ms.push(ms);
  }
}
total.ms.sort((a, b) => a - b);
console.log(
  `${total.walls} walls: ${total.overlaps} overlaps, ${total.under} ribbons under plates, ` +
    `${(total.crossings / total.walls).toFixed(1)} crossings on average, ${total.worst} at most, ` +
    `${total.small} whole below 11 px, ${total.ms[Math.floor(total.ms.length / 2)]!.toFixed(0)} ms in the middle, ` +
    `${total.ms.at(-1)!.toFixed(0)} ms at most`,
);

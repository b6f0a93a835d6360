import type { Answer, Wall as WallOf } from '../api/client';
import { Extent, extentOf } from './Extent';
import { routeKey } from './flow/graph';
import { rowKey, type Box, type Geometry, type Point } from './measures';
import { Wall } from './Wall';
import './WallPiece.css';

/** What of the wall is shown around what is meant, px of the wall. */
const AROUND = 46;

/** The smallest that is still read. */
const SMALLEST = 0.62;

/** Not larger than this: a part alone says nothing of where it is. */
const LARGEST = 0.9;

const corners = (b: Box): Point[] => [b, { x: b.x + b.w, y: b.y + b.h }];

/** Where a part, a circuit or a cable is drawn; nothing where it is not on this wall. */
export function placesOf(id: string, wall: WallOf, geometry: Geometry): Point[] {
  const plate = wall.plates[id] && geometry.plates[id];
  if (plate) return corners(plate);
  const points: Point[] = [];
  for (const [tray, { rows }] of Object.entries(wall.trays))
    for (const row of rows) {
      const box = row.circuit === id || row.device === id ? geometry.rows[tray]?.[rowKey(row)] : undefined;
      if (box) points.push(...corners(box));
    }
  for (const link of wall.links) if (link.id === id) points.push(...(geometry.routes[routeKey(link)] ?? []));
  return points;
}

/** A stretch around another, as long as asked for where there is room, and never past the ends. */
function around(from: number, to: number, asked: number, low: number, high: number): [number, number] {
  const length = Math.min(high - low, Math.max(asked, to - from + 2 * AROUND));
  const begin = Math.max(low, Math.min((from + to - length) / 2, high - length));
  return [begin, length];
}

/**
 * The stretch of the wall on which some parts are, as large as a frame shows of it, and at which scale: as large as can
 * be, never smaller than can be read. Null where none of them is drawn.
 */
export function pieceOf(
  ids: readonly string[],
  wall: WallOf,
  geometry: Geometry,
  frame: { w: number; h: number },
): { box: Box; scale: number } | null {
  const points = ids.flatMap((id) => placesOf(id, wall, geometry));
  if (points.length === 0 || frame.w === 0) return null;
  const all = extentOf(wall, geometry);
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const fits = Math.min(frame.w / (right - left + 2 * AROUND), frame.h / (bottom - top + 2 * AROUND));
  const scale = Math.max(SMALLEST, Math.min(LARGEST, fits));
  const [x, w] = around(left, right, frame.w / scale, all.x, all.x + all.w);
  const [y, h] = around(top, bottom, frame.h / scale, all.y, all.y + all.h);
  return { box: { x, y, w, h }, scale };
}

/** A wall in no state: everything is drawn, nothing is said to be live or dead, nothing is moved. */
export function StillWall({ wall, geometry, lit }: { wall: WallOf; geometry: Geometry; lit: readonly string[] }) {
  return (
    <Wall
      answer={stateless(wall)}
      geometry={geometry}
      state=""
      scenario={null}
      focus={null}
      lit={lit}
      chosen={null}
      onChoose={() => undefined}
      movable={false}
    />
  );
}

/** An answer that holds a wall and nothing of a state. */
function stateless(wall: WallOf): Answer {
  return { wall, states: [], paint: {}, amps: {}, findings: [], controls: [], faults: [] } as unknown as Answer;
}

interface Props {
  wall: WallOf;
  geometry: Geometry;
  ids: readonly string[];
  width: number;
  height: number;
}

/** A piece of the wall: where on the rig something is meant. */
export function WallPiece({ wall, geometry, ids, width, height }: Props) {
  const piece = pieceOf(ids, wall, geometry, { w: width, h: height });
  if (piece === null) return null;
  return (
    <div className="wall-piece" style={{ maxHeight: height }} inert>
      <Extent of={piece.box} scale={piece.scale}>
        <StillWall wall={wall} geometry={geometry} lit={ids} />
      </Extent>
    </div>
  );
}

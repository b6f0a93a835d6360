import type { ReactNode } from 'react';
import type { Wall } from '../api/client';
import { routeKey } from './flow/graph';
import type { Box, Geometry } from './measures';
import './Extent.css';

const AROUND = 18;

/** What of a drawing a rig takes: the drawing has room for the other rigs too that it was made for. */
export function extentOf(wall: Wall, geometry: Geometry): Box {
  const points = [
    ...Object.keys(wall.plates).flatMap((id) => {
      const b = geometry.plates[id];
      return b ? [b, { x: b.x + b.w, y: b.y + b.h }] : [];
    }),
    ...wall.links.flatMap((link) => geometry.routes[routeKey(link)] ?? []),
  ];
  if (points.length === 0) return { x: 0, y: 0, w: geometry.width, h: geometry.height };
  const x = Math.max(0, Math.min(...points.map((p) => p.x)) - AROUND);
  const y = Math.max(0, Math.min(...points.map((p) => p.y)) - AROUND);
  const right = Math.min(geometry.width, Math.max(...points.map((p) => p.x)) + AROUND);
  return { x, y, w: right - x, h: geometry.height - y };
}

/** Shows that part of a drawing, at a scale. */
export function Extent({ of, scale = 1, children }: { of: Box; scale?: number; children: ReactNode }) {
  return (
    <div className="wall-extent" style={{ width: of.w * scale, height: of.h * scale }}>
      <div style={{ transform: `scale(${scale}) translate(${-of.x}px, ${-of.y}px)`, transformOrigin: '0 0' }}>
        {children}
      </div>
    </div>
  );
}

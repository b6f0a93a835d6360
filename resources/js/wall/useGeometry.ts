import { useEffect, useMemo, useState } from 'react';
import type { Wall } from '../api/client';
import { engine } from './flow/engine';
import { drawingKey, layoutWall } from './flow/layout';
import type { Engine } from './flow/order';
import type { Geometry } from './measures';

/** Drawings that are kept, the latest last; a newer way of drawing has another name. */
const STORE = 'hollin.walls.1';
const KEPT = 12;

const known = new Map<string, Geometry>();

function remembered(key: string): Geometry | undefined {
  if (known.size === 0 && typeof localStorage !== 'undefined') {
    try {
      for (const [k, g] of JSON.parse(localStorage.getItem(STORE) ?? '[]') as [string, Geometry][]) known.set(k, g);
    } catch {
      localStorage.removeItem(STORE);
    }
  }
  return known.get(key);
}

/** Forgets all drawings: they are somebody else's. */
export function forgetWalls(): void {
  known.clear();
  localStorage.removeItem(STORE);
}

/** Keeps a drawing under its key. */
export function remember(key: string, geometry: Geometry): void {
  known.delete(key);
  known.set(key, geometry);
  for (const old of [...known.keys()].slice(0, -KEPT)) known.delete(old);
  try {
    localStorage.setItem(STORE, JSON.stringify([...known]));
  } catch {
    // No room there: it is laid out again next time.
  }
}

/**
 * The drawing of some walls, laid out in the background. Until it is there the one before stays; what was drawn once is
 * there at once.
 */
export function useGeometry(walls: Wall[], tall: boolean, by: Engine = engine): Geometry | null {
  const key = useMemo(() => drawingKey(walls, tall), [walls, tall]);
  const [drawn, setDrawn] = useState<{ key: string; geometry: Geometry } | null>(null);
  const ready = remembered(key);
  useEffect(() => {
    let wanted = true;
    const geometry = remembered(key);
    if (geometry || walls.length === 0) return;
    void layoutWall(walls, tall, by).then((made) => {
      remember(key, made);
      if (wanted) setDrawn({ key, geometry: made });
    });
    return () => {
      wanted = false;
    };
  }, [key, walls, tall, by]);
  // What is shown now is what is shown while the next is laid out.
  if (ready && drawn?.key !== key) setDrawn({ key, geometry: ready });
  return ready ?? drawn?.geometry ?? null;
}

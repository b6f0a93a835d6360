import { describe, expect, it } from 'vitest';
import type { Answer } from '../api/client';
import { fromLandingToLanding, spokenMoves } from './Dragging';

const rect = (left: number, top: number) => ({ left, top, width: 100, height: 50 });

/** A wall with three places that take the circuit in hand, held over one of them. */
function held(over: string | null, measured = true) {
  const rects = new Map([
    ['tray:c', rect(400, 0)],
    ['tray:a', rect(0, 0)],
    ['tray:b', rect(0, 90)],
  ]);
  return {
    active: 'row:x',
    currentCoordinates: { x: 1, y: 1 },
    context: {
      droppableContainers: {
        getEnabled: () => [...rects].map(([id, r]) => ({ id, node: { current: { getBoundingClientRect: () => r } } })),
      },
      droppableRects: measured ? rects : new Map(),
      over: over && { id: over },
    },
  } as unknown as Parameters<typeof fromLandingToLanding>[1];
}

const press = (code: string, over: string | null, measured = true) => {
  const event = new Event('keydown') as KeyboardEvent;
  Object.defineProperty(event, 'code', { value: code });
  return fromLandingToLanding(event, held(over, measured));
};

describe('a circuit in hand, by keys', () => {
  it('goes from one place that takes it to the next, as they stand on the wall, and round again', () => {
    expect(press('ArrowRight', null)).toEqual({ x: 12, y: 6 });
    expect(press('ArrowRight', 'tray:a')).toEqual({ x: 12, y: 96 });
    expect(press('ArrowDown', 'tray:b')).toEqual({ x: 412, y: 6 });
    expect(press('ArrowDown', 'tray:c')).toEqual({ x: 12, y: 6 });
    expect(press('ArrowLeft', 'tray:a')).toEqual({ x: 412, y: 6 });
    expect(press('KeyQ', 'tray:a')).toBeUndefined();
    expect(press('ArrowRight', null, false)).toEqual({ x: 12, y: 6 });
  });

  it('is told aloud by names', () => {
    const told = spokenMoves({ labels: { c_air: 'Air conditioner', sub: 'Inverter panel' } } as unknown as Answer);
    const active = { data: { current: { circuit: 'c_air' } } } as never;
    const over = { id: 'tray:sub' } as never;
    expect(told.onDragStart({ active })).toContain('Air conditioner is in hand');
    expect(told.onDragOver({ active, over })).toBe('Over Inverter panel.');
    expect(told.onDragOver({ active, over: null })).toBe('Over nothing that takes it.');
    expect(told.onDragEnd({ active, over })).toBe('Air conditioner moved to Inverter panel.');
    expect(told.onDragEnd({ active, over: null })).toContain('stays');
    expect(told.onDragCancel({ active, over: null })).toContain('stays');
  });
});

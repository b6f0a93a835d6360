import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import { useState, type ReactNode } from 'react';
import type { Answer } from '../api/client';
import './Dragging.css';

const panelOf = (id: UniqueIdentifier | undefined) => id?.toString().replace(/^tray:/, '');

/** Arrow keys go from one place where the circuit can land to the next, as they stand on the wall. */
export const fromLandingToLanding: KeyboardCoordinateGetter = (event, { context }) => {
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.code];
  if (!step) return undefined;
  event.preventDefault();
  const places = context.droppableContainers
    .getEnabled()
    .flatMap(({ id }) => {
      const rect = context.droppableRects.get(id);
      return rect ? [{ id, x: rect.left + 12, y: rect.top + 6 }] : [];
    })
    .sort((a, b) => a.x - b.x || a.y - b.y);
  if (places.length === 0) return undefined;
  const now = places.findIndex(({ id }) => id === context.over?.id);
  const next = places[now < 0 ? (step > 0 ? 0 : places.length - 1) : (now + step + places.length) % places.length]!;
  return { x: next.x, y: next.y };
};

/** What is told aloud of a circuit in hand, by names. */
export function spokenMoves(answer: Answer): Announcements {
  const circuit = (e: { active: DragEndEvent['active'] }) =>
    answer.labels[e.active.data.current?.circuit as string] ?? 'The circuit';
  const panel = (e: { over: DragEndEvent['over'] }) => (e.over ? answer.labels[panelOf(e.over.id)!] : undefined);
  return {
    onDragStart: (e) => `${circuit(e)} is in hand. Arrow keys to a panel, Enter lands it, Escape puts it back.`,
    onDragOver: (e) => (panel(e) ? `Over ${panel(e)}.` : 'Over nothing that takes it.'),
    onDragEnd: (e) => (panel(e) ? `${circuit(e)} moved to ${panel(e)}.` : `${circuit(e)} stays where it is.`),
    onDragCancel: (e) => `${circuit(e)} stays where it is.`,
  };
}

/** Circuits of the wall can be taken in hand, by pointer, finger or keys, and landed on another panel. */
export function Dragging({
  answer,
  onMove,
  children,
}: {
  answer: Answer;
  onMove: (circuit: string, panel: string) => void;
  children: ReactNode;
}) {
  const [inHand, take] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: fromLandingToLanding }),
  );
  const drop = (e: DragEndEvent) => {
    take(null);
    const circuit = e.active.data.current?.circuit as string | undefined;
    const panel = panelOf(e.over?.id);
    if (circuit && panel && answer.moves[circuit]?.[panel]?.hot) onMove(circuit, panel);
  };
  return (
    <DndContext
      sensors={sensors}
      onDragStart={(e) => take((e.active.data.current?.circuit as string | undefined) ?? null)}
      onDragEnd={drop}
      onDragCancel={() => take(null)}
      accessibility={{
        announcements: spokenMoves(answer),
        screenReaderInstructions: { draggable: 'Shift and Space take the circuit in hand, M asks where to.' },
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {inHand && (
          <span className="in-hand">
            <b>{answer.labels[inHand]}</b>
            <span className="quiet">hot and neutral</span>
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}

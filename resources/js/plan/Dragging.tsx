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
import { t } from '../words/t';
import './Dragging.css';

const panelOf = (id: UniqueIdentifier | undefined) => id?.toString().replace(/^tray:/, '');

/** Arrow keys go from one place where the circuit can land to the next, as they stand on the wall. */
export const fromLandingToLanding: KeyboardCoordinateGetter = (event, { context }) => {
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.code];
  if (!step) return undefined;
  event.preventDefault();
  const places = context.droppableContainers
    .getEnabled()
    .flatMap(({ id, node }) => {
      // A quick hand presses before the places are measured.
      const rect = context.droppableRects.get(id) ?? node.current?.getBoundingClientRect();
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
    answer.labels[e.active.data.current?.circuit as string] ?? t('plan.theCircuit');
  const panel = (e: { over: DragEndEvent['over'] }) => (e.over ? answer.labels[panelOf(e.over.id)!] : undefined);
  return {
    onDragStart: (e) => t('plan.isInHandArrowKeys', { e: circuit(e) }),
    onDragOver: (e) => (panel(e) ? `Over ${panel(e)}.` : t('plan.overNothingThatTakesIt')),
    onDragEnd: (e) =>
      panel(e) ? t('plan.movedTo', { e: circuit(e), e2: panel(e) }) : t('plan.staysWhereItIs', { e: circuit(e) }),
    onDragCancel: (e) => t('plan.staysWhereItIs', { e: circuit(e) }),
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
        screenReaderInstructions: { draggable: t('plan.shiftAndSpaceTakeThe') },
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {inHand && (
          <span className="in-hand">
            <b>{answer.labels[inHand]}</b>
            <span className="quiet">{t('plan.hotAndNeutral')}</span>
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}

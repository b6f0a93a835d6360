import { useDndContext, useDroppable } from '@dnd-kit/core';
import { createContext, useContext } from 'react';
import type { Answer } from '../api/client';

/** Where each circuit can go; empty where nothing moves. */
export const MovesContext = createContext<Answer['moves']>({});

interface Landing {
  set: (node: HTMLElement | null) => void;
  /** the circuit in hand could land here */
  takes: boolean;
  /** it is held above here */
  over: boolean;
}

/** A part on the wall as a place where a circuit can land: only while one is moved that can. */
export function useLanding(id: string): Landing {
  const moves = useContext(MovesContext);
  const circuit = useDndContext().active?.data.current?.circuit as string | undefined;
  const takes = circuit !== undefined && moves[circuit]?.[id]?.hot === true;
  const { setNodeRef, isOver } = useDroppable({ id: `tray:${id}`, disabled: !takes });
  return { set: setNodeRef, takes, over: isOver && takes };
}

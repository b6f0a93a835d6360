import { useEffect, useRef } from 'react';
import type { Answer } from '../api/client';

interface Keys {
  states: Answer['states'];
  choose: (state: string) => void;
  leave: () => void;
  swap: () => void;
  show: (form: 'wall' | 'table') => void;
}

/** Where a key is text and no command. */
function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.matches('input, textarea, select') || target.closest('.ant-modal') !== null)
  );
}

/** A state by its letter, F as found and back, W the wall, T what is live, Escape out of a finding. */
export function usePlanKeys(keys: Keys) {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || isTyping(e.target)) return;
      const { states, choose, leave, swap, show } = latest.current;
      const k = e.key.toUpperCase();
      const named = states.find((s) => s.letter === k);
      if (e.key === 'Escape') leave();
      else if (k === 'F') swap();
      else if (k === 'W') show('wall');
      else if (k === 'T') show('table');
      else if (named && !(k === 'L' && e.shiftKey)) choose(named.id);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}

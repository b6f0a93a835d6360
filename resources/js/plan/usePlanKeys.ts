import { useHotkeys } from 'react-hotkeys-hook';
import type { Answer } from '../api/client';

interface Keys {
  states: Answer['states'];
  choose: (state: string) => void;
  leave: () => void;
  swap: () => void;
  show: (form: 'wall' | 'table') => void;
}

/** Keys that do something else while a dialog is open. */
const inDialog = (e: KeyboardEvent): boolean =>
  e.target instanceof HTMLElement && e.target.closest('.ant-modal, .ant-drawer') !== null;

/** A state by its letter, F as found and back, W the wall, T what is live, Escape out of a finding. */
export function usePlanKeys({ states, choose, leave, swap, show }: Keys) {
  const options = { useKey: true, ignoreEventWhen: inDialog };
  useHotkeys('escape', leave, options, [leave]);
  useHotkeys('f', swap, options, [swap]);
  useHotkeys('w', () => show('wall'), options, [show]);
  useHotkeys('t', () => show('table'), options, [show]);
  useHotkeys(
    '*',
    (e) => {
      if (e.ctrlKey || e.metaKey || e.altKey || e.shiftKey) return;
      const named = states.find((s) => s.letter === e.key.toUpperCase());
      if (named) choose(named.id);
    },
    options,
    [states, choose],
  );
}

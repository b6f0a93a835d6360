import type { Facts } from './facts';
import { Lines } from './Lines';

/** The shore inlet: whether its pins are live. */
export function Inlet({ id, plate, answer, state }: Facts) {
  return (
    <span className="facts">
      <b>{answer.paint[state]?.pins[id]?.words ?? ''}</b>
      <Lines plate={plate} />
    </span>
  );
}

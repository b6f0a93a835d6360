import type { Facts } from './facts';
import { Lines } from './Lines';

/** A part whose state is seen on its leads: fuse, disconnect, bar, shunt, bank, load. */
export function Part({ plate }: Facts) {
  return (
    <span className="facts">
      <Lines plate={plate} />
    </span>
  );
}

import { Button } from 'antd';
import type { Held } from './patiently';
import './HeldBack.css';

/** Says that a change is kept here and not stored yet, and lets its person send it now or let it go. */
export function HeldBack({ held }: { held: Held }) {
  return (
    <div className="held-back" role="alert">
      <span>
        <b>Not saved yet</b>: {held.why}. Kept here and sent again by itself.
      </span>
      <Button size="small" onClick={held.now}>
        Send now
      </Button>
      <Button size="small" type="text" onClick={held.drop}>
        Drop the change
      </Button>
    </div>
  );
}

import { byItself, carried } from '../figures';
import type { Facts } from './facts';
import { Ways } from './Ways';

/** What a switching device is in, and whether it moved by itself. */
export function Switching({ id, plate, answer, state, amps, moved }: Facts) {
  const paint = answer.paint[state];
  const gate = paint?.gates[id];
  const out = carried(gate?.carries, amps);
  return (
    <span className="gate">
      <Ways type={plate.type} closed={gate?.ways ?? []} />
      <span className="gate-line">
        <span className={moved ? 'tag tag-moved' : ''}>{moved ? byItself(moved) : (gate?.words ?? '')}</span>
        {out !== undefined && out > 0.05 && <b className="figures">{out.toFixed(1)} A</b>}
      </span>
      <span className="gate-line quiet">
        {[moved ? gate?.words : '', ...(gate?.settings ?? [])].filter(Boolean).join(' · ')}
      </span>
    </span>
  );
}

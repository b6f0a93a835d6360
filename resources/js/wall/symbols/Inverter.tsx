import { byItself, carried } from '../figures';
import type { Facts } from './facts';
import { t } from '../../words/t';

/** An inverter without a transfer of its own: whether it runs, what it gives and what it takes from the battery. */
export function Inverter({ id, plate, answer, state, amps, moved }: Facts) {
  const gate = answer.paint[state]?.gates[id];
  const out = carried(gate?.carries, amps);
  const direct = amps?.[gate?.direct ?? ''];
  return (
    <span className="gate">
      <span className="gate-line">
        <span className={moved ? 'tag tag-moved' : ''}>{moved ? byItself(moved) : (gate?.words ?? '')}</span>
        {out !== undefined && out > 0.05 && <b className="figures">{out.toFixed(1)} A</b>}
      </span>
      <span className="gate-line quiet">
        {[moved ? gate?.words : '', ...(gate?.settings ?? [])].filter(Boolean).join(' · ')}
      </span>
      <span className="gate-line quiet">
        <span>{t('wall.batterySide')}</span>
        <b className="figures dc">{direct !== undefined ? `−${direct.toFixed(0)} A` : plate.lines[0]}</b>
      </span>
    </span>
  );
}

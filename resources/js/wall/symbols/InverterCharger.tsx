import { byItself, carried } from '../figures';
import type { Facts } from './facts';
import { Staple } from './Staple';
import { Bridge } from './Ways';
import { t } from '../../words/t';

/** An inverter/charger: how its transfer stands, whether its bond is closed, what it takes or gives. */
export function InverterCharger({ id, plate, answer, state, amps, moved }: Facts) {
  const paint = answer.paint[state];
  const charging = paint?.charging.find((c) => c.component === id);
  const gate = paint?.gates[id];
  const out = carried(gate?.carries, amps);
  const direct = amps?.[gate?.direct ?? ''];
  return (
    <span className="gate">
      <Bridge position={gate?.position ?? 'rest'} />
      <span className="gate-line">
        <span className={`tag ${moved ? 'tag-moved' : ''}`}>
          {moved ? byItself(moved) : t('wall.switch', { mode: gate?.mode ?? '' })}
        </span>
        <Staple closed={gate?.bond ?? false} />
      </span>
      <span className="gate-line">
        <span>{gate?.words}</span>
        {out !== undefined && <b className="figures">{out.toFixed(1)} A</b>}
      </span>
      <span className="gate-line quiet">
        <span>{t('wall.batterySide')}</span>
        <b className="figures dc">
          {direct !== undefined
            ? `−${direct.toFixed(0)} A`
            : charging
              ? t('wall.chargingToA', { amps: charging.amps })
              : plate.lines[0]}
        </b>
      </span>
    </span>
  );
}

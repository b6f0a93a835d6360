import { SOURCE_WORDS } from '../paint';
import type { Facts } from './facts';
import { Lines } from './Lines';
import { t } from '../../words/t';

/** A converter: from what it runs, and up to how many amps. */
export function Converter({ id, plate, answer, state }: Facts) {
  const charging = answer.paint[state]?.charging.find((c) => c.component === id);
  return (
    <span className="facts">
      <Lines plate={plate} />
      <b className={charging ? 'dc' : ''}>
        {charging ? t('wall.runningOnToA', { on: SOURCE_WORDS[charging.on], amps: charging.amps }) : t('wall.off')}
      </b>
    </span>
  );
}

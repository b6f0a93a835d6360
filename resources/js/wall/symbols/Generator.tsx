import type { Facts } from './facts';
import { Lines } from './Lines';
import { t } from '../../words/t';

/** A generator: whether it runs. */
export function Generator({ id, plate, answer, state }: Facts) {
  const running = answer.paint[state]?.gates[id]?.running ?? false;
  return (
    <span className="facts">
      <b className={running ? 'live-word' : ''}>{running ? t('wall.running') : t('wall.stopped')}</b>
      <Lines plate={plate} />
    </span>
  );
}

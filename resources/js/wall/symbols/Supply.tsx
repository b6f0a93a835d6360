import type { Answer, Link } from '../../api/client';
import type { Facts } from './facts';
import { Lines } from './Lines';
import { t } from '../../words/t';
import './Supply.css';

/** A shore supply: whether the rig is plugged into it, what is live, how many bonds the system then has. */
export function Supply({ id, plate, answer, state }: Facts) {
  const paint = answer.paint[state];
  const supply = paint?.supplies[id];
  const bonds = paint?.bonds.find((b) => b.component === id);
  const live = supply?.plugged && paint?.links[cordOf(id, answer)?.id ?? '']?.hot?.[0];
  return (
    <span className="facts">
      <b className={live ? 'live-word' : ''}>{supply?.words ?? t('wall.notPluggedIn')}</b>
      <Lines plate={plate} />
      {bonds && supply?.plugged && (
        <span className={`bonds ${bonds.count === 1 ? '' : 'bonds-bad'}`}>
          {t('wall.bonds', { count: bonds.count })}
        </span>
      )}
    </span>
  );
}

/** The cord that can be plugged into a supply. */
function cordOf(supply: string, answer: Answer): Link | undefined {
  return answer.wall.links.find((l) => l.from.c === supply && l.gateIn);
}

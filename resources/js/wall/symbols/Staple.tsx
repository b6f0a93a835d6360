import { t } from '../../words/t';

import './Staple.css';
/** A bond: a staple from neutral to ground, one leg missing when open. */
export function Staple({ closed }: { closed: boolean }) {
  return (
    <span className="staple" title={closed ? t('wall.neutralGroundBondClosed') : t('wall.neutralGroundBondOpen')}>
      <svg width="24" height="16" aria-hidden="true">
        <path d={closed ? 'M3 15V4H21V15' : 'M3 15V4H21'} />
      </svg>
      <span>{closed ? t('wall.bond1') : t('wall.bondOpen')}</span>
    </span>
  );
}

import './Staple.css';
/** A bond: a staple from neutral to ground, one leg missing when open. */
export function Staple({ closed }: { closed: boolean }) {
  return (
    <span className="staple" title={closed ? 'neutral-ground bond closed' : 'neutral-ground bond open'}>
      <svg width="30" height="16" aria-hidden="true">
        <path d={closed ? 'M4 15V4H26V15' : 'M4 15V4H26'} />
      </svg>
      <span>{closed ? 'bond 1' : 'bond open'}</span>
    </span>
  );
}

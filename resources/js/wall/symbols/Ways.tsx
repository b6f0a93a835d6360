import './Ways.css';
/** Ways through a switching plate: inputs at one side, output at the other; what is open ends in a capped gap. */
export function Ways({ type, closed }: { type: string; closed: string[] }) {
  const two = type === 'transfer_switch';
  const way = (name: string, d: string, cap: string) =>
    closed.includes(name) ? <path key={name} d={d} className="b-on" /> : <path key={name} d={cap} className="b-off" />;
  return (
    <svg viewBox="0 0 200 30" className="bridge" aria-hidden="true" preserveAspectRatio="none">
      {way('a', 'M0 8H200', 'M0 8H86M86 2V14M112 8H200')}
      {two && way('b', 'M0 24H110V8', 'M0 24H86M86 18V30')}
      {type === 'bypass' && way('unit', 'M60 8V24H200', 'M112 24H200M112 18V30')}
    </svg>
  );
}

/** The gate of a transfer: a solid bridge for what is closed, a capped gap for what is not. */
export function Bridge({ position }: { position: string }) {
  return (
    <svg viewBox="0 0 200 28" className={`bridge bridge-${position}`} aria-hidden="true" preserveAspectRatio="none">
      <path d="M0 12H70" className={position === 'pass' ? 'b-on' : 'b-off'} />
      {position === 'pass' ? <path d="M70 12H130" className="b-on" /> : <path d="M74 5V19" className="b-cap" />}
      <path d="M130 12H200" className={position === 'rest' ? 'b-off' : 'b-on'} />
      {position === 'invert' ? <path d="M130 12V28" className="b-on" /> : <path d="M122 25H138" className="b-cap" />}
    </svg>
  );
}

import type { Answer, Plate } from '../api/client';
import { carried, byItself } from './signs';

/** What a plate shows of its part in a state. */
export interface Facts {
  id: string;
  plate: Plate;
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  moved: { order: number; words: string; atS: number } | undefined;
}

/** What a switching device is in, and whether it moved by itself. */
export function GateFacts({ id, plate, answer, state, amps, moved }: Facts) {
  const paint = answer.paint[state];
  const gate = paint?.gates[id];
  const out = carried(gate?.carries, amps);
  const direct = amps?.[gate?.direct ?? ''];
  return (
    <span className="gate">
      {plate.type !== 'inverter' && <Paths type={plate.type} closed={gate?.ways ?? []} />}
      <span className="gate-line">
        <span className={moved ? 'tag tag-moved' : ''}>{moved ? byItself(moved) : (gate?.words ?? '')}</span>
        {out !== undefined && out > 0.05 && <b className="figures">{out.toFixed(1)} A</b>}
      </span>
      <span className="gate-line quiet">
        {[moved ? gate?.words : '', ...(gate?.settings ?? [])].filter(Boolean).join(' · ')}
      </span>
      {plate.type === 'inverter' && (
        <span className="gate-line quiet">
          <span>battery side</span>
          <b className="figures dc">{direct !== undefined ? `−${direct.toFixed(0)} A` : plate.lines[0]}</b>
        </span>
      )}
    </span>
  );
}

/** Ways through a switching plate: inputs at one side, output at the other; what is open ends in a capped gap. */
function Paths({ type, closed }: { type: string; closed: string[] }) {
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

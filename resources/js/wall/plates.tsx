import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Answer, Finding, Link, Plate } from '../api/client';
import type { Box } from './measures';
import { useLanding } from './landing';
import { SOURCE_WORDS } from './paint';
import { place, Severity, Staple, carried, byItself } from './signs';
import { GateFacts, Bridge, type Facts } from './gates';

export interface Common {
  id: string;
  plate: Plate;
  box: Box;
  lit: boolean;
  danger: boolean;
  worst: Finding['severity'] | undefined;
  chosen: boolean;
  onChoose: () => void;
  onOpen?: (() => void) | undefined;
}

export function PlateCard({
  id,
  plate,
  box,
  lit,
  danger,
  worst,
  chosen,
  onChoose,
  onOpen,
  moved,
  children,
}: Common & { moved: boolean; children: ReactNode }) {
  const { set, takes, over } = useLanding(id);
  return (
    <button
      ref={set}
      type="button"
      data-plate={id}
      className={clsx('plate', `shape-${plate.shape}`, {
        'is-lit-danger': lit && danger,
        'is-lit': lit && !danger,
        'is-chosen': chosen,
        'is-moved': moved,
        'is-over': over,
        takes,
      })}
      style={place(box)}
      onClick={onChoose}
      onDoubleClick={onOpen}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' || !onOpen) return;
        e.preventDefault();
        onOpen();
      }}
      aria-pressed={chosen}
    >
      <span className="plate-head">
        <span className="plate-name">{plate.label}</span>
        {plate.assumed > 0 && (
          <span className="assumed-tag" title={`${plate.assumed} values assumed, not measured`}>
            ~{plate.assumed}
          </span>
        )}
        {worst && <Severity severity={worst} />}
      </span>
      {children}
    </button>
  );
}

export function PlateFacts({ id, plate, answer, state, amps, moved }: Facts) {
  const paint = answer.paint[state];
  const bonds = paint?.bonds.find((b) => b.component === id);
  const charging = paint?.charging.find((c) => c.component === id);
  if (plate.shape === 'gate' && plate.type !== 'inverter_charger') {
    return <GateFacts id={id} plate={plate} answer={answer} state={state} amps={amps} moved={moved} />;
  }
  if (plate.shape === 'gate') {
    const gate = paint?.gates[id];
    const out = carried(gate?.carries, amps);
    const direct = amps?.[gate?.direct ?? ''];
    return (
      <span className="gate">
        <Bridge position={gate?.position ?? 'rest'} />
        <span className="gate-line">
          <span className={`tag ${moved ? 'tag-moved' : ''}`}>
            {moved ? byItself(moved) : `switch: ${gate?.mode ?? ''}`}
          </span>
          <Staple closed={gate?.bond ?? false} />
        </span>
        <span className="gate-line">
          <span>{gate?.words}</span>
          {out !== undefined && <b className="figures">{out.toFixed(1)} A</b>}
        </span>
        <span className="gate-line quiet">
          <span>battery side</span>
          <b className="figures dc">
            {direct !== undefined
              ? `−${direct.toFixed(0)} A`
              : charging
                ? `charging, to ${charging.amps} A`
                : plate.lines[0]}
          </b>
        </span>
      </span>
    );
  }
  const running = paint?.gates[id]?.running ?? false;
  const supply = paint?.supplies[id];
  return (
    <span className="facts">
      {plate.type === 'shore_supply' && (
        <b className={supply?.plugged && paint?.links[mateOf(id, answer)?.id ?? '']?.hot?.[0] ? 'live-word' : ''}>
          {supply?.words ?? 'not plugged in'}
        </b>
      )}
      {plate.type === 'inlet' && <b>{paint?.pins[id]?.words ?? ''}</b>}
      {plate.type === 'generator' && <b className={running ? 'live-word' : ''}>{running ? 'running' : 'stopped'}</b>}
      {plate.lines.map((line) => (
        <span key={line}>{line}</span>
      ))}
      {plate.type === 'converter' && (
        <b className={charging ? 'dc' : ''}>
          {charging ? `running on ${SOURCE_WORDS[charging.on]}, to ${charging.amps} A` : 'off'}
        </b>
      )}
      {bonds && plate.type === 'shore_supply' && supply?.plugged && (
        <span className={`bonds ${bonds.count === 1 ? '' : 'bonds-bad'}`}>bonds: {bonds.count}</span>
      )}
    </span>
  );
}

/** The cord that can be plugged into a supply. */
function mateOf(supply: string, answer: Answer): Link | undefined {
  return answer.wall.links.find((l) => l.from.c === supply && l.gateIn);
}

import clsx from 'clsx';
import type { Answer, Finding } from '../../api/client';
import { carried } from '../figures';
import { useLanding } from '../landing';
import { place, rowKey, type Geometry } from '../measures';
import { SOURCE_WORDS } from '../paint';
import type { Common } from './Plate';
import { Rails } from './Rails';
import { Severity } from '../../ui/Severity';
import { TrayRow } from './TrayRow';
import { t } from '../../words/t';
import './Tray.css';

interface TrayProps extends Common {
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  geometry: Geometry;
  concerned: Set<string>;
  worstOf: Map<string, Finding['severity']>;
  onMove?: ((circuit: string) => void) | undefined;
  movable: boolean;
  chosenRow: string | null;
  onChooseRow: (id: string | null) => void;
  onOpenRow?: ((id: string) => void) | undefined;
  volts?: Record<string, number> | null | undefined;
  onToggle?: ((device: string) => void) | undefined;
}

/** A panel: its slots in rows, its rails along the foot. */
export function Tray({
  id,
  plate,
  box,
  lit,
  danger,
  worst,
  onOpen,
  answer,
  state,
  amps,
  geometry,
  concerned,
  worstOf,
  onMove,
  movable,
  chosenRow,
  onChooseRow,
  onOpenRow,
  volts,
  onToggle,
}: TrayProps) {
  const { set, takes, over } = useLanding(id);
  const tray = answer.wall.trays[id];
  const bus = answer.paint[state]?.buses[id];
  const rails = geometry.rails[id];
  if (!tray) return null;
  const total = carried(tray.carries, amps) ?? amps?.[answer.wall.links.find((l) => l.to.c === id)?.elements[0] ?? ''];
  const source =
    tray.role === 'outlets' || tray.role === 'fuses' || answer.paint[state] === undefined
      ? ''
      : bus?.source
        ? bus.soft
          ? t('wall.liveThroughALoad')
          : `${SOURCE_WORDS[bus.source]}${total !== undefined ? ` · ${total.toFixed(1)} A` : ''}`
        : bus?.exchanged
          ? t('wall.hotAndNeutralExchanged2', { exchanged: SOURCE_WORDS[bus.exchanged] })
          : 'dead';
  return (
    <section
      ref={set}
      className={clsx('tray', lit && (danger ? 'is-lit-danger' : 'is-lit'), {
        'is-over': over,
        takes,
      })}
      style={place(box)}
      aria-label={plate.label}
      data-tray={id}
    >
      <h3 className="plate-head" onDoubleClick={onOpen}>
        <span className="plate-name">{plate.label}</span>
        <span className="tray-source" title={source}>
          {source}
        </span>
        {worst && <Severity severity={worst} />}
      </h3>
      <div className="tray-rows">
        {tray.rows.map((row) => {
          const half = geometry.rows[id]?.[`${row.slot}a`];
          // A slot that is split in another view is free in both halves here.
          const at =
            geometry.rows[id]?.[rowKey(row)] ?? (row.kind === 'free' && half ? { ...half, h: half.h * 2 } : undefined);
          if (!at) return null;
          return (
            <TrayRow
              key={row.circuit ?? `${row.kind}${row.slot}${row.half}`}
              row={row}
              top={at.y - box.y}
              height={at.h}
              answer={answer}
              state={state}
              amps={amps}
              lit={row.circuit !== undefined && concerned.has(row.circuit)}
              danger={danger}
              worst={row.circuit ? worstOf.get(row.circuit) : undefined}
              onMove={onMove}
              movable={movable && row.kind === 'circuit' && (row.indent ?? 0) === 0}
              chosen={row.circuit !== undefined && chosenRow === row.circuit}
              onChoose={() => (onToggle && row.device ? onToggle(row.device) : onChooseRow(row.circuit ?? null))}
              onOpen={row.circuit && onOpenRow ? () => onOpenRow(row.circuit!) : undefined}
              volts={row.circuit ? volts?.[row.circuit] : undefined}
              byHand={onToggle !== undefined && row.device !== null}
            />
          );
        })}
      </div>
      {rails && <Rails tray={tray} rails={rails} box={box} neutralLive={Boolean(bus?.neutralLive)} />}
    </section>
  );
}

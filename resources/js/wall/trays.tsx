import clsx from 'clsx';
import { useDraggable } from '@dnd-kit/core';
import type { KeyboardEvent } from 'react';
import type { Answer, Finding, Row } from '../api/client';
import { rowKey, type Geometry } from './measures';
import { useLanding } from './landing';
import { liveWords, SOURCE_WORDS } from './paint';
import { place, Severity, carried } from './signs';
import type { Common } from './plates';

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
    tray.role === 'outlets'
      ? ''
      : bus?.source
        ? bus.soft
          ? `live through a load`
          : `${SOURCE_WORDS[bus.source]}${total !== undefined ? ` · ${total.toFixed(1)} A` : ''}`
        : bus?.exchanged
          ? `${SOURCE_WORDS[bus.exchanged]}, hot and neutral exchanged`
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
      {rails && (
        <svg className="rails" width={box.w} height={box.h} aria-hidden="true">
          <path
            d={`M${rails.x1 - box.x} ${rails.n - box.y}H${rails.x2 - box.x}`}
            className={`rail-n ${bus?.neutralLive ? 'rail-live' : ''}`}
          />
          <path d={`M${rails.x1 - box.x} ${rails.g - box.y}H${rails.x2 - box.x}`} className="rail-g" />
          {tray.rows
            .filter((r) => r.kind === 'circuit' && !r.strayNeutral)
            .map((r, i) => (
              <path
                key={r.circuit}
                d={`M${rails.x1 - box.x + 10 + i * 14} ${rails.n - box.y - 4}v8`}
                className="tick"
              />
            ))}
          {tray.bondScrew && (
            <path
              d={`M${rails.x2 - box.x - 26} ${rails.g - box.y}V${rails.n - box.y - 6}h16V${rails.g - box.y}`}
              className="screw"
            />
          )}
          <text
            x={rails.x2 - box.x + 8}
            y={rails.n - box.y + 4}
            className={`note strong ${bus?.neutralLive ? 'live-n' : ''}`}
          >
            N{bus?.neutralLive ? '!' : ''}
          </text>
          <text x={rails.x2 - box.x + 8} y={rails.g - box.y + 5} className="note strong">
            G
          </text>
        </svg>
      )}
    </section>
  );
}

function TrayRow({
  row,
  top,
  height,
  answer,
  state,
  amps,
  lit,
  danger,
  worst,
  onMove,
  movable,
  chosen,
  onChoose,
  onOpen,
  volts,
  byHand,
}: {
  row: Row;
  top: number;
  height: number;
  answer: Answer;
  state: string;
  amps: Record<string, number> | undefined;
  lit: boolean;
  danger: boolean;
  worst: Finding['severity'] | undefined;
  onMove?: ((circuit: string) => void) | undefined;
  movable: boolean;
  chosen: boolean;
  onChoose: () => void;
  onOpen: (() => void) | undefined;
  volts?: number | undefined;
  byHand: boolean;
}) {
  const { setNodeRef, attributes, listeners, isDragging } = useDraggable({
    id: `row:${row.circuit ?? `${row.slot}${row.half}`}`,
    data: { circuit: row.circuit },
    disabled: !movable,
  });
  if (row.kind === 'free') {
    return (
      <div className="row row-free" style={{ top, height }}>
        <span className="row-slot">
          {row.slot}
          {row.half}
        </span>
        <span className="row-name">free</span>
      </div>
    );
  }
  const live = row.circuit ? answer.paint[state]?.circuits[row.circuit] : undefined;
  const current = carried(row.carries, amps);
  const share = current !== undefined && row.ratingA ? Math.min(1, current / row.ratingA) : 0;
  const position = answer.paint[state]?.positions[row.device ?? '']?.position;
  const on = !row.device || (row.closedIn ?? []).includes(position ?? '');
  const words =
    row.kind !== 'circuit'
      ? row.kind === 'backfeed'
        ? 'back-fed breaker'
        : 'main breaker'
      : live
        ? liveWords(live)
        : '';
  const key = (e: KeyboardEvent) => {
    if ((e.key === 'm' || e.key === 'M') && row.circuit && movable) {
      e.preventDefault();
      e.stopPropagation();
      onMove?.(row.circuit);
    } else if (e.key === 'Enter' && onOpen && !byHand) {
      e.preventDefault();
      onOpen();
    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      const all = [...document.querySelectorAll<HTMLElement>('.wall .row-button, .wall .plate')];
      all[all.indexOf(e.currentTarget as HTMLElement) + (e.key === 'ArrowDown' ? 1 : -1)]?.focus();
    } else if (e.key !== ' ') listeners?.onKeyDown?.(e);
  };
  return (
    <button
      type="button"
      ref={setNodeRef}
      data-circuit={row.circuit}
      className={clsx('row row-button', `kind-${live?.kind ?? 'main'}`, {
        'is-lit-danger': lit && danger,
        'is-lit': lit && !danger,
        'is-chosen': chosen,
        'is-dragging': isDragging,
        'is-forked': row.strayNeutral,
        'is-handle': byHand,
      })}
      style={{ top, height, paddingLeft: 8 + (row.indent ?? 0) * 12 }}
      {...(movable ? attributes : {})}
      {...(movable ? listeners : {})}
      onKeyDown={key}
      onClick={onChoose}
      onDoubleClick={onOpen}
      role="button"
      tabIndex={0}
      aria-label={
        `${byHand ? 'switch ' : ''}${row.slot}${row.half} ${row.label}, ${row.ratingA ?? ''} A, ${words}` +
        (row.strayNeutral ? ', neutral lands elsewhere' : '')
      }
      aria-roledescription={movable ? 'circuit, movable: press M' : undefined}
    >
      <span className="row-slot">
        {(row.indent ?? 0) > 0 ? '↳' : row.slot}
        {row.half}
      </span>
      <span className="row-name">{row.label}</span>
      {row.gfci && row.gfci !== 'none' && <span className="gfci">GFCI</span>}
      {(row.assumed ?? 0) > 0 && <span className="assumed-dot" title={`${row.assumed} values assumed`} />}
      {worst && <Severity severity={worst} />}
      <span className="row-rating figures">
        {volts !== undefined ? `${volts.toFixed(1)} V` : row.ratingA ? `${row.ratingA} A` : ''}
      </span>
      <span className="bar" aria-hidden="true">
        <span
          className={`bar-fill ${share >= 0.999 ? 'bar-over' : share > 0.8 ? 'bar-near' : ''}`}
          style={{ width: `${share * 100}%` }}
        />
      </span>
      <span className={`notch ${on ? 'notch-on' : ''} ${live ? `notch-${live.kind}` : ''}`} aria-hidden="true">
        {live?.kind === 'works'
          ? live.source
          : live?.kind === 'ground'
            ? `${live.source}!`
            : live?.kind === 'live'
              ? '!'
              : ''}
      </span>
    </button>
  );
}

import clsx from 'clsx';
import { useDraggable } from '@dnd-kit/core';
import type { KeyboardEvent } from 'react';
import type { Answer, Finding, Row } from '../../api/client';
import { carried } from '../figures';
import { liveWords } from '../paint';
import { Severity } from '../../ui/Severity';
import { t } from '../../words/t';
import './TrayRow.css';

/** A slot of a panel, or what hangs behind one. */
export function TrayRow({
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
        <span className="row-name">{t('wall.free')}</span>
      </div>
    );
  }
  const live = row.circuit ? answer.paint[state]?.circuits[row.circuit] : undefined;
  const current = carried(row.carries, amps);
  const share = current !== undefined && row.ratingA ? Math.min(1, current / row.ratingA) : 0;
  const position = answer.paint[state]?.positions[row.device ?? '']?.position;
  const on = !row.device || (row.closedIn ?? []).includes(position ?? '');
  const kind = { main: t('wall.mainBreaker'), backfeed: t('wall.backFedBreaker'), fuse: '12 V fuse' }[
    row.kind as string
  ];
  const words = kind ?? (live ? liveWords(live) : '');
  const key = (e: KeyboardEvent) => {
    // In hand, the keys are those of the hand: arrows carry, Enter lands.
    if (isDragging) return;
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
    } else if (e.key === ' ' && e.shiftKey) listeners?.onKeyDown?.(e);
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
        `${byHand ? t('wall.switch2') : ''}${row.slot}${row.half} ${row.label}, ${row.ratingA ?? ''} A, ${words}` +
        (row.strayNeutral ? t('wall.neutralLandsElsewhere') : '')
      }
      aria-roledescription={movable ? t('wall.circuitMovableMOrShift') : undefined}
    >
      <span className="row-slot">
        {(row.indent ?? 0) > 0 ? '↳' : row.slot}
        {row.half}
      </span>
      <span className="row-name">{row.label}</span>
      {row.gfci && row.gfci !== 'none' && <span className="gfci">{t('wall.gfci')}</span>}
      {(row.assumed ?? 0) > 0 && (
        <span className="assumed-dot" title={t('wall.valuesAssumed', { count: row.assumed })} />
      )}
      {worst && <Severity severity={worst} />}
      <span className="row-rating figures">
        {volts !== undefined ? `${volts.toFixed(1)} V` : row.ratingA ? `${row.ratingA} A` : ''}
      </span>
      <span className="row-load" aria-hidden="true">
        <span
          className={`row-load-fill ${share >= 0.999 ? 'row-load-over' : share > 0.8 ? 'row-load-near' : ''}`}
          style={{ width: `${share * 100}%` }}
        />
      </span>
      {answer.paint[state] && (
        <span className={`notch ${on ? 'notch-on' : ''} ${live ? `notch-${live.kind}` : ''}`} aria-hidden="true">
          {live?.kind === 'works'
            ? live.source
            : live?.kind === 'ground'
              ? `${live.source}!`
              : live?.kind === 'live'
                ? '!'
                : ''}
        </span>
      )}
    </button>
  );
}

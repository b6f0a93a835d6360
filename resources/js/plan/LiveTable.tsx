import clsx from 'clsx';
import { useState, type KeyboardEvent } from 'react';
import type { Answer } from '../api/client';
import { liveWords, SOURCE_WORDS } from '../wall/paint';
import { t } from '../words/t';
import './plan.css';
import './LiveTable.css';

type Row = Answer['table'][number];
type Cell = Row['cells'][string];

/** What a cell says in words. */
function spoken(cell: Cell | undefined): string {
  if (!cell) return t('plan.notThere');
  return cell.kind === 'dead' ? 'dead' : liveWords(cell);
}

/** The one letter that stands for a cell; dead is empty. */
function letter(cell: Cell | undefined): string {
  if (cell?.kind === 'works') return cell.source ?? '';
  if (cell?.kind === 'ground') return `${cell.source}!`;
  return cell?.kind === 'live' ? '!' : '';
}

/**
 * What is live: circuits by states, a letter and a pattern a cell, so that all of it is seen at once. The cell in focus
 * says its words below. It prints, and it is what gets taped inside the panel door.
 */
export function LiveTable({ answer, plain = false }: { answer: Answer; plain?: boolean }) {
  const { states, table } = answer;
  const [at, setAt] = useState<[number, number]>([0, 0]);
  const row = table[at[0]];
  const state = states[at[1]];
  const go = (e: KeyboardEvent<HTMLTableElement>) => {
    const by = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[e.key];
    if (!by) return;
    e.preventDefault();
    const next: [number, number] = [
      Math.max(0, Math.min(table.length - 1, at[0] + by[0]!)),
      Math.max(0, Math.min(states.length - 1, at[1] + by[1]!)),
    ];
    setAt(next);
    e.currentTarget.querySelector<HTMLElement>(`[data-at="${next.join()}"]`)?.focus();
  };
  return (
    <div className={plain ? 'live-plain' : 'live-frame'}>
      <table className="live live-grid" onKeyDown={plain ? undefined : go}>
        <caption>{t('plan.whatIsLiveByOperating')}</caption>
        <thead>
          <tr>
            <th scope="col">{t('plan.circuit')}</th>
            {states.map((s) => (
              <th key={s.id} scope="col" className="live-state">
                <b>{s.letter}</b>
                <span>{s.title}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.flatMap((r, i) => {
            const lines = [];
            if (i === 0 || r.panel !== table[i - 1]?.panel) {
              lines.push(
                <tr key={`p:${r.panel}`} className="live-panel">
                  <th colSpan={states.length + 1} scope="colgroup">
                    {r.panel ? (answer.labels[r.panel] ?? r.panel) : t('plan.onEquipmentNoPanel')}
                  </th>
                </tr>,
              );
            }
            lines.push(
              <tr key={r.circuit}>
                <th scope="row">
                  <span className="figures quiet">
                    {r.slot || ''}
                    {r.half}
                  </span>{' '}
                  {r.label}
                </th>
                {states.map((s, j) => {
                  const cell = r.cells[s.id];
                  return (
                    <td
                      key={s.id}
                      className={clsx('cell', `cell-${cell?.kind}`, cell?.source && `from-${cell.source}`)}
                      title={plain ? undefined : `${r.label}, ${s.title}: ${spoken(cell)}`}
                      {...(plain
                        ? {}
                        : {
                            'data-at': `${i},${j}`,
                            tabIndex: at[0] === i && at[1] === j ? 0 : -1,
                            onFocus: () => setAt([i, j]),
                            onClick: () => setAt([i, j]),
                          })}
                    >
                      <b aria-hidden="true">{letter(cell)}</b>
                      <span className="sr">{spoken(cell)}</span>
                    </td>
                  );
                })}
              </tr>,
            );
            return lines;
          })}
        </tbody>
      </table>
      {!plain && row && state && (
        <p className="live-words" role="status">
          <b>
            {row.slot || ''}
            {row.half} {row.label}
          </b>
          , {state.title}: {spoken(row.cells[state.id])}
        </p>
      )}
      <Legend answer={answer} />
    </div>
  );
}

/** The letters that occur, in words. */
function Legend({ answer }: { answer: Answer }) {
  const cells = answer.table.flatMap((r) => Object.values(r.cells));
  const sources = Object.keys(SOURCE_WORDS).filter((s) => cells.some((c) => c.source === s));
  return (
    <p className="live-legend">
      {sources.map((s) => (
        <span key={s}>
          <i className={`cell cell-works from-${s}`}>
            <b>{s}</b>
          </i>{' '}
          {t('plan.worksFrom2', { s: SOURCE_WORDS[s] })}
        </span>
      ))}
      {cells.some((c) => c.kind === 'live') && (
        <span>
          <i className="cell cell-live">!</i> {t('plan.liveDoesNotWork')}
        </span>
      )}
      {cells.some((c) => c.kind === 'ground') && (
        <span>
          <i className="cell cell-ground">S!</i> {t('plan.runsButThroughABond')}
        </span>
      )}
      <span>
        <i className="cell cell-dead" /> {t('plan.dead')}
      </span>
    </p>
  );
}

import { useRef } from 'react';
import type { Answer } from '../api/client';
import { useSize } from '../ui/useSize';
import { Extent, extentOf } from '../wall/Extent';
import type { Geometry } from '../wall/measures';
import { Wall } from '../wall/Wall';
import { counted, countOf } from './findings';
import { t } from '../words/t';
import './plan.css';
import './Compare.css';

const GAP = 26;

/** What stands above the two walls and between them, px. */
const ABOVE = 250;

/** One above the other or side by side, whichever shows both whole and larger. */
export function largest(of: { w: number; h: number }[], w: number, h: number): { scale: number; stacked: boolean } {
  const [widest, highest] = [Math.max(...of.map((b) => b.w)), Math.max(...of.map((b) => b.h))];
  const beside = Math.min(w / 2 / widest, h / highest);
  const stacked = Math.min(w / widest, h / 2 / highest);
  return { scale: Math.max(0.2, Math.min(1, Math.max(beside, stacked))), stacked: stacked > beside };
}

/** The rig as found and as planned, in one state, with what differs in words. */
export function Compare({
  before,
  after,
  walls,
  title,
  ...shared
}: { before: Answer; after: Answer; walls: Geometry; title: string } & Omit<
  Parameters<typeof Wall>[0],
  'answer' | 'geometry'
>) {
  const has = before.states.some((s) => s.id === shared.state);
  const then = has ? shared.state : 'nothing';
  const frame = useRef<HTMLDivElement>(null);
  const { w } = useSize(frame);
  const halves = [extentOf(before.wall, walls), extentOf(after.wall, walls)];
  const { scale, stacked } = largest(halves, w - 2 * GAP, window.innerHeight - ABOVE);
  const words = (answer: Answer, circuit: string, state: string) => {
    const cell = answer.table.find((r) => r.circuit === circuit)?.cells[state];
    return !cell ? t('plan.notThere') : cell.kind === 'works' ? t('plan.worksFrom', { by: cell.by }) : cell.words;
  };
  const circuits = [...new Map([...before.table, ...after.table].map((r) => [r.circuit, r.label])).entries()];
  const differ = circuits.filter(([c]) => words(before, c, then) !== words(after, c, shared.state));
  return (
    <div className="compare-frame" ref={frame} tabIndex={0} role="region" aria-label={t('plan.asFoundAndPlannedSide')}>
      <div className={stacked ? 'compare compare-stacked' : 'compare'}>
        {[
          { name: t('plan.asFound'), answer: before, state: then },
          { name: title, answer: after, state: shared.state },
        ].map((half) => (
          <section key={half.name} aria-label={half.name}>
            <h2>
              {half.name} <span className="quiet">{half.answer.states.find((s) => s.id === half.state)?.title}</span>
            </h2>
            <p className="quiet">
              {counted(countOf(half.answer, 'danger'), 'danger')}, {counted(countOf(half.answer, 'warning'), 'warning')}
              {!has && half.answer === before && t('plan.asFoundThereIsNo')}
            </p>
            {/* A picture here: the table below says the same in words. */}
            <div className="scaled" inert>
              <Extent of={extentOf(half.answer.wall, walls)} scale={scale}>
                <Wall
                  {...shared}
                  answer={half.answer}
                  geometry={walls}
                  state={half.state}
                  movable={false}
                  focus={half.answer === after ? shared.focus : null}
                />
              </Extent>
            </div>
          </section>
        ))}
      </div>
      <table className="live">
        <caption>{t('plan.whatDiffersInThisState')}</caption>
        <thead>
          <tr>
            <th scope="col">{t('plan.circuit')}</th>
            <th scope="col">{t('plan.asFound')}</th>
            <th scope="col">{title}</th>
          </tr>
        </thead>
        <tbody>
          {differ.map(([c, label]) => (
            <tr key={c}>
              <th scope="row">{label}</th>
              <td>{words(before, c, then)}</td>
              <td>{words(after, c, shared.state)}</td>
            </tr>
          ))}
          {differ.length === 0 && (
            <tr>
              <td colSpan={3}>{t('plan.nothing')}</td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

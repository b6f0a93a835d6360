import type { Answer } from '../api/client';
import type { layoutWall } from '../wall/layout';
import { Wall } from '../wall/Wall';
import { counted, countOf } from './findings';

/** The rig as found and as planned, in one state, with what differs in words. */
export function Compare({
  before,
  after,
  walls,
  title,
  ...shared
}: { before: Answer; after: Answer; walls: ReturnType<typeof layoutWall>; title: string } & Omit<
  Parameters<typeof Wall>[0],
  'answer' | 'geometry'
>) {
  const has = before.states.some((s) => s.id === shared.state);
  const then = has ? shared.state : 'nothing';
  const scale = 0.475;
  const size = { width: walls.width * scale, height: walls.height * scale };
  const words = (answer: Answer, circuit: string, state: string) => {
    const cell = answer.table.find((r) => r.circuit === circuit)?.cells[state];
    return !cell ? 'not there' : cell.kind === 'works' ? `works from ${cell.by}` : cell.words;
  };
  const circuits = [...new Map([...before.table, ...after.table].map((r) => [r.circuit, r.label])).entries()];
  const differ = circuits.filter(([c]) => words(before, c, then) !== words(after, c, shared.state));
  return (
    <div className="compare-frame" tabIndex={0} role="region" aria-label="As found and planned, side by side">
      <div className="compare">
        {[
          { name: 'As found', answer: before, state: then },
          { name: title, answer: after, state: shared.state },
        ].map((half) => (
          <section key={half.name} aria-label={half.name}>
            <h2>
              {half.name} <span className="quiet">{half.answer.states.find((s) => s.id === half.state)?.title}</span>
            </h2>
            <p className="quiet">
              {counted(countOf(half.answer, 'danger'), 'danger')}, {counted(countOf(half.answer, 'warning'), 'warning')}
              {!has && half.answer === before && '. As found there is no such state; shown with nothing connected.'}
            </p>
            {/* A picture here: the table below says the same in words. */}
            <div className="scaled" style={size} inert>
              <div style={{ transform: `scale(${scale})`, transformOrigin: '0 0' }}>
                <Wall
                  {...shared}
                  answer={half.answer}
                  geometry={walls}
                  state={half.state}
                  movable={false}
                  focus={half.answer === after ? shared.focus : null}
                />
              </div>
            </div>
          </section>
        ))}
      </div>
      <table className="live">
        <caption>What differs in this state</caption>
        <thead>
          <tr>
            <th scope="col">Circuit</th>
            <th scope="col">As found</th>
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
              <td colSpan={3}>Nothing.</td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

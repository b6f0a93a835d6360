import type { Answer } from '../api/client';
import { SOURCE_WORDS } from '../wall/paint';

/** What is live: circuits by states. It prints, and it is what gets taped inside the panel door. */
export function LiveTable({ answer, plain = false }: { answer: Answer; plain?: boolean }) {
  return (
    <div
      className={plain ? '' : 'table-scroll'}
      {...(plain ? {} : { tabIndex: 0, role: 'region', 'aria-label': 'What is live, scrollable' })}
    >
      <table className="live">
        <caption>What is live, by operating state. Measure before you touch.</caption>
        <thead>
          <tr>
            <th scope="col">Circuit</th>
            {answer.states.map((s) => (
              <th key={s.id} scope="col">
                <b>{s.letter}</b> {s.title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {answer.table.flatMap((row, i) => {
            const lines = [];
            if (i === 0 || row.panel !== answer.table[i - 1]?.panel) {
              lines.push(
                <tr key={`p:${row.panel}`} className="live-panel">
                  <th colSpan={answer.states.length + 1} scope="colgroup">
                    {row.panel ? (answer.labels[row.panel] ?? row.panel) : 'On equipment, no panel'}
                  </th>
                </tr>,
              );
            }
            lines.push(
              <tr key={row.circuit}>
                <th scope="row">
                  <span className="figures quiet">
                    {row.slot || ''}
                    {row.half}
                  </span>{' '}
                  {row.label}
                </th>
                {answer.states.map((s) => {
                  const cell = row.cells[s.id];
                  return (
                    <td key={s.id} className={`cell cell-${cell?.kind}`}>
                      {cell?.kind === 'works' && (
                        <>
                          <b className={`letter letter-${cell.source}`}>{cell.source}</b>{' '}
                          {SOURCE_WORDS[cell.source ?? '']}
                        </>
                      )}
                      {cell?.kind === 'ground' && (
                        <>
                          <b className={`letter letter-${cell.source}`}>{cell.source}</b>{' '}
                          <b className="letter letter-live">!</b> {cell.words}
                        </>
                      )}
                      {cell?.kind === 'live' && (
                        <>
                          <b className="letter letter-live">!</b> {cell.words}
                        </>
                      )}
                      {cell?.kind === 'dead' && <span className="quiet">dead</span>}
                    </td>
                  );
                })}
              </tr>,
            );
            return lines;
          })}
        </tbody>
      </table>
    </div>
  );
}

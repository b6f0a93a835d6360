import type { WallProps } from './Wall';
import { Severity } from '../ui/Severity';
import { Staple } from './symbols/Staple';
import { useUnits } from '../shell/units';
import { ribbonPaint, SOURCE_WORDS, witnessSteps } from './paint';
import './ListForm.css';

/** The wall as a list: same content, same order, for keyboards and screen readers. */
export function ListForm({
  answer,
  state,
  scenario,
  focus,
  chosen,
  onChoose,
  onOpen,
  opens = () => true,
  onMove,
  movable,
}: Omit<WallProps, 'geometry'>) {
  const units = useUnits();
  const paint = answer.paint[state];
  const amps = scenario ? answer.amps[state]?.[scenario] : undefined;
  const steps = witnessSteps(focus, answer.wall.links);
  const bands: [string, string[]][] = [
    ['Supplies', ['supplies']],
    ['Panels', ['panels']],
    ['Inverter and converter', ['straddle', 'switching']],
    ['12 V', ['deck']],
  ];
  return (
    <div className="listform" tabIndex={0} role="region" aria-label="The wall as a list">
      <p>
        {answer.states.find((s) => s.id === state)?.title}.{' '}
        {paint?.bonds
          .map(
            (b) =>
              `${SOURCE_WORDS[b.source]}: ${b.count} ${b.count === 1 ? 'bond' : 'bonds'} ` +
              `(${b.where.join(', ') || 'none'})`,
          )
          .join('; ')}
      </p>
      {paint && paint.moves.length > 0 && (
        <ol>
          {paint.moves.map((m) => (
            <li key={m.device + m.atS}>
              {answer.labels[m.component]}: {m.words}, after{' '}
              {m.atS < 1 ? `${Math.round(m.atS * 1000)} ms` : `${m.atS} s`}
            </li>
          ))}
        </ol>
      )}
      {bands.map(([title, names]) => (
        <section key={title}>
          <h2>{title}</h2>
          <ul>
            {Object.entries(answer.wall.plates)
              .filter(([, p]) => names.includes(p.band))
              .map(([id, plate]) => (
                <li key={id} className={focus?.components.includes(id) ? 'is-lit' : ''}>
                  <button
                    type="button"
                    className="linkish"
                    aria-pressed={chosen === id}
                    onClick={() => onChoose(chosen === id ? null : id)}
                    onDoubleClick={() => onOpen?.(id)}
                  >
                    {plate.label}
                  </button>{' '}
                  <span className="quiet">{plate.lines.join(' · ')}</span>
                  {onOpen && opens(id) && (
                    <button
                      type="button"
                      className="linkish"
                      aria-label={`open ${plate.label}`}
                      onClick={() => onOpen(id)}
                    >
                      open
                    </button>
                  )}
                  {plate.shape === 'gate' && <Staple closed={paint?.gates[id]?.bond ?? false} />}
                  {plate.shape === 'gate' && <span> {paint?.gates[id]?.words}</span>}
                  {answer.wall.trays[id] && (
                    <ul>
                      {answer.wall.trays[id].rows
                        .filter((r) => r.kind !== 'free')
                        .map((row) => {
                          const live = row.circuit ? paint?.circuits[row.circuit] : undefined;
                          const sev = answer.findings.find(
                            (f) => row.circuit && f.components[0] === row.circuit,
                          )?.severity;
                          return (
                            <li key={row.circuit ?? 'main'}>
                              <span className="figures">
                                {row.slot}
                                {row.half}
                              </span>{' '}
                              {row.label} {row.ratingA ? `${row.ratingA} A` : ''}:{' '}
                              {live
                                ? live.kind === 'works'
                                  ? `works from ${SOURCE_WORDS[live.source ?? '']}`
                                  : live.words
                                : row.kind === 'fuse'
                                  ? (row.cable ?? '')
                                  : 'main'}
                              {row.strayNeutral && `, its neutral lands on ${answer.labels[row.strayNeutral]}`}
                              {sev && <Severity severity={sev} />}
                              {onOpen && row.circuit && opens(row.circuit) && (
                                <button type="button" className="linkish" onClick={() => onOpen(row.circuit!)}>
                                  open
                                </button>
                              )}
                              {movable && row.circuit && (row.indent ?? 0) === 0 && (
                                <button type="button" className="linkish" onClick={() => onMove?.(row.circuit!)}>
                                  move
                                </button>
                              )}
                            </li>
                          );
                        })}
                    </ul>
                  )}
                </li>
              ))}
          </ul>
        </section>
      ))}
      <section>
        <h2>Cables</h2>
        <ul>
          {answer.wall.links
            .filter((l) => l.kind !== 'ground')
            .map((link) => {
              const p = ribbonPaint(link, paint, amps);
              return (
                <li key={link.id} className={steps.has(link.id) ? 'is-lit' : ''}>
                  {steps.has(link.id) && <b>{steps.get(link.id)}. </b>}
                  {answer.labels[link.from.row ?? link.from.c] ?? link.from.c} to{' '}
                  {answer.labels[link.to.c] ?? link.to.c}
                  {link.size
                    ? `, ${units.size(link.size)}, ${units.length(link.lengthM ?? 0)}`
                    : link.label && `, ${link.label}`}
                  :{' '}
                  {p.letter
                    ? `live from ${SOURCE_WORDS[p.letter]}${p.exchanged ? ', hot and neutral exchanged' : ''}`
                    : p.pattern === 'battery'
                      ? 'live from the battery'
                      : link.kind === 'bond'
                        ? 'bond'
                        : 'dead'}
                  {p.amps !== null && `, ${p.amps.toFixed(1)} A`}
                  {onOpen && opens(link.id) && (
                    <button type="button" className="linkish" onClick={() => onOpen(link.id)}>
                      open
                    </button>
                  )}
                </li>
              );
            })}
        </ul>
      </section>
    </div>
  );
}

import type { WallProps } from './Wall';
import { Severity } from '../ui/Severity';
import { Staple } from './symbols/Staple';
import { useUnits } from '../shell/units';
import { ribbonPaint, SOURCE_WORDS, witnessSteps } from './paint';
import { t } from '../words/t';
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
    [t('wall.supplies'), ['supplies']],
    [t('wall.panels'), ['panels']],
    [t('wall.inverterAndConverter'), ['straddle', 'switching']],
    ['12 V', ['deck']],
  ];
  return (
    <div className="listform" tabIndex={0} role="region" aria-label={t('wall.theWallAsAList')}>
      <p>
        {answer.states.find((s) => s.id === state)?.title}.{' '}
        {paint?.bonds
          .map((b) =>
            t('wall.bondsAt', {
              source: SOURCE_WORDS[b.source],
              count: b.count,
              where: b.where.join(', ') || t('wall.none'),
            }),
          )
          .join('; ')}
      </p>
      {paint && paint.moves.length > 0 && (
        <ol>
          {paint.moves.map((m) => (
            <li key={m.device + m.atS}>
              {t('wall.after', {
                component: answer.labels[m.component],
                words: m.words,
                which: m.atS < 1 ? `${Math.round(m.atS * 1000)} ms` : `${m.atS} s`,
              })}
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
                      aria-label={t('wall.open', { label: plate.label })}
                      onClick={() => onOpen(id)}
                    >
                      {t('wall.open2')}
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
                                  ? t('wall.worksFrom', { source: SOURCE_WORDS[live.source ?? ''] })
                                  : live.words
                                : row.kind === 'fuse'
                                  ? (row.cable ?? '')
                                  : t('wall.main')}
                              {row.strayNeutral &&
                                t('wall.itsNeutralLandsOn', { strayNeutral: answer.labels[row.strayNeutral] })}
                              {sev && <Severity severity={sev} />}
                              {onOpen && row.circuit && opens(row.circuit) && (
                                <button type="button" className="linkish" onClick={() => onOpen(row.circuit!)}>
                                  {t('wall.open2')}
                                </button>
                              )}
                              {movable && row.circuit && (row.indent ?? 0) === 0 && (
                                <button type="button" className="linkish" onClick={() => onMove?.(row.circuit!)}>
                                  {t('wall.move')}
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
        <h2>{t('wall.cables')}</h2>
        <ul>
          {answer.wall.links
            .filter((l) => l.kind !== 'ground')
            .map((link) => {
              const p = ribbonPaint(link, paint, amps);
              return (
                <li key={link.id} className={steps.has(link.id) ? 'is-lit' : ''}>
                  {steps.has(link.id) && <b>{steps.get(link.id)}. </b>}
                  {t('wall.to', {
                    row: answer.labels[link.from.row ?? link.from.c] ?? link.from.c,
                    c: answer.labels[link.to.c] ?? link.to.c,
                    which: link.size
                      ? `, ${units.size(link.size)}, ${units.length(link.lengthM ?? 0)}`
                      : link.label && `, ${link.label}`,
                    which2: p.letter
                      ? t('wall.liveFrom', {
                          letter: SOURCE_WORDS[p.letter],
                          which: p.exchanged ? t('wall.hotAndNeutralExchanged') : '',
                        })
                      : p.pattern === 'battery'
                        ? t('wall.liveFromTheBattery')
                        : link.kind === 'bond'
                          ? t('wall.bond')
                          : t('wall.dead'),
                  })}
                  {p.amps !== null && `, ${p.amps.toFixed(1)} A`}
                  {onOpen && opens(link.id) && (
                    <button type="button" className="linkish" onClick={() => onOpen(link.id)}>
                      {t('wall.open2')}
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

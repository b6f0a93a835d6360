import { Button } from 'antd';
import type { ReactNode } from 'react';
import type { Answer, Finding, Reference } from '../api/client';
import { FigureLine } from '../ui/Arithmetic';
import { Assumed } from '../ui/Assumed';
import { GLOSSARY } from '../ui/glossary';
import { Term } from '../ui/Term';
import { Severity } from '../ui/Severity';
import { countOf, isOutside } from './findings';
import { t } from '../words/t';
import './plan.css';
import './FindingsRail.css';

interface Props {
  answer: Answer;
  focus: Finding | null;
  pick: (finding: Finding | null) => void;
  /** what helps against a finding, where the plan may be changed */
  offers: ((f: Finding) => ReactNode) | null;
  /** the part in hand: its findings alone, and what can be done with it */
  chosen: string | null;
  unchoose: () => void;
  move: ((circuit: string) => void) | null;
  /** opens what is chosen, where that is a part of its own */
  open: (() => void) | null;
  /** the fields of every kind of part, for their names */
  forms: Reference['forms'] | undefined;
}

const HOW: Record<string, string> = {
  always: t('plan.always'),
  outage: t('plan.whenShoreFails'),
  slips: t('plan.reliesOnMemory'),
  remote: t('plan.remote'),
  passing: t('plan.passing'),
  outside: t('plan.faultyPedestal'),
};

/** Findings, worst first, and what this rig makes impossible. */
export function FindingsRail({ answer, focus, pick, offers, chosen, unchoose, move, open, forms }: Props) {
  const ids = new Set(answer.findings.map((f) => f.id));
  const all = answer.findings.filter((f) =>
    chosen ? f.components.includes(chosen) : f.because === null || !ids.has(f.because),
  );
  const roots = all.filter((f) => !isOutside(f));
  const outside = all.filter(isOutside);
  const card = { answer, focus, pick, offers };
  const head = (
    <h2 className="rail-head">
      <span className="rail-toggle">
        {t('plan.findings')}
        {(['danger', 'warning', 'advice'] as const).map((s) =>
          countOf(answer, s) > 0 ? (
            <span key={s} className="rail-count">
              <Severity severity={s} /> {countOf(answer, s)}
            </span>
          ) : null,
        )}
      </span>
      <span
        className="quiet figures"
        title={
          t('plan.settingsGoneThrough', { reduced: answer.checked.reduced }) +
          t('plan.differentElectricalSituations', { situations: answer.checked.situations })
        }
      >
        {answer.checked.words}
      </span>
    </h2>
  );
  const withFollowing = (f: Finding) => (
    <Card key={f.id} finding={f} {...card}>
      {answer.findings
        .filter((c) => !chosen && c.because === f.id)
        .map((c) => (
          <Card key={c.id} finding={c} {...card} />
        ))}
    </Card>
  );
  return (
    <aside className="rail" aria-label={t('plan.findings')}>
      {head}
      <div className="rail-scroll" tabIndex={0} role="region" aria-label={t('plan.findingsScrollable')}>
        {chosen && (
          <div className="inhand">
            <b>{answer.labels[chosen] ?? chosen}</b>
            <span>
              {open && (
                <Button size="small" onClick={open}>
                  {t('plan.open')}
                </Button>
              )}
              {move && answer.table.some((r) => r.circuit === chosen) && (
                <Button size="small" onClick={() => move(chosen)}>
                  {t('plan.move2')}
                </Button>
              )}
              <Button size="small" onClick={unchoose}>
                {t('plan.showAll')}
              </Button>
            </span>
            {all.length === 0 && <p className="quiet">{t('plan.nothingFoundAboutIt')}</p>}
          </div>
        )}
        {roots.length === 0 && !chosen && <p className="rail-clear">{t('plan.nothingFoundInTheStates')}</p>}
        {roots.map(withFollowing)}
        {outside.length > 0 && (
          <section className="outside">
            <h3>{t('plan.ifThePedestalIsFaulty')}</h3>
            <p className="quiet">{t('plan.notThisPlansDoingIt')}</p>
            {outside.map(withFollowing)}
          </section>
        )}
        {answer.prevented.length > 0 && (
          <section className="prevented">
            <h3>{t('plan.madeImpossibleHere')}</h3>
            <ul>
              {answer.prevented.map((p) => (
                <li key={p.rule + p.title}>
                  <b>{p.title}</b>
                  <span>
                    {t('plan.by', {
                      by: p.by,
                      which: p.proven ? '' : t('plan.asFarAsWasChecked'),
                      which2:
                        p.undoneBy.length === 0
                          ? t('plan.survivesAnySingleFailure', { which: p.proven ? '' : t('plan.thatWasTried') })
                          : t('plan.undoneByOneFailure'),
                    })}
                  </span>
                  {p.undoneBy.length > 0 && (
                    <ul className="undone">
                      {p.undoneBy.map((way) => (
                        <li key={way.words}>
                          {way.words}
                          {way.slips === 1 && t('plan.andOneSlip')}
                        </li>
                      ))}
                    </ul>
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
        {answer.assumptions.length > 0 && (
          <details className="assumptions">
            <summary>{t('plan.valuesAssumedNotMeasured', { count: answer.assumptions.length })}</summary>
            <Assumed assumptions={answer.assumptions} forms={forms} />
          </details>
        )}
      </div>
    </aside>
  );
}

interface CardProps {
  finding: Finding;
  answer: Answer;
  focus: Finding | null;
  pick: Props['pick'];
  offers: Props['offers'];
  children?: ReactNode[];
}

/** One cause, with what follows from it beneath. */
function Card({ finding: f, answer, focus, pick, offers, children }: CardProps) {
  const follows = children && children.length > 0 && (
    <>
      <p className="follows">{t('plan.andFromItFollows')}</p>
      {children}
    </>
  );
  return (
    <article className={`finding sev-edge-${f.severity} ${focus?.id === f.id ? 'is-open' : ''}`}>
      <button
        type="button"
        className="finding-head"
        onClick={() => pick(focus?.id === f.id ? null : f)}
        aria-expanded={focus?.id === f.id}
      >
        <Severity severity={f.severity} />
        <span className="finding-title">{f.title}</span>
        <span className="finding-on">{f.components[0] ? answer.labels[f.components[0]] : ''}</span>
        <span className={`how how-${f.ways.kind}`} title={GLOSSARY[HOW[f.ways.kind] ?? '']}>
          {HOW[f.ways.kind]}
        </span>
      </button>
      {focus?.id === f.id && (
        <div className="finding-body">
          <p>{f.text}</p>
          <p className="ways">
            <Ways kind={f.ways.kind} words={f.ways.words} />
          </p>
          {f.figures.map((figure) => (
            <FigureLine key={figure.label} figure={figure} />
          ))}
          {offers && f.remedies.length > 0 && offers(f)}
          {!offers && f.remedies.length > 0 && (
            <p className="quiet">
              {t('plan.inAPlan', { remedies: f.remedies.map((r) => r.label.toLowerCase()).join('; ') })}
            </p>
          )}
          <p className="quiet source">{f.source}</p>
        </div>
      )}
      {follows}
    </article>
  );
}

/** How it comes about; the word that means something of its own here is told on hover. */
function Ways({ kind, words }: { kind: string; words: string }) {
  const how = HOW[kind];
  if (!how || !words.startsWith(how)) return words;
  return (
    <>
      <Term>{how}</Term>
      {words.slice(how.length)}
    </>
  );
}

import { Button } from 'antd';
import clsx from 'clsx';
import type { Ask, Build, Step } from '../api/client';
import { useMe } from '../shell/Session';
import { useUnits } from '../shell/units';
import { AskRow } from './AskRow';
import { isPassed } from './fold';
import { Over, WithoutProof } from './Over';
import { Reason } from './Reason';
import { Taken } from './Taken';
import { Where } from './Where';
import type { BuildHold } from './useBuild';
import { between, lasting, statusWords, when, whoWords } from './words';
import { t } from '../words/t';
import './StepCard.css';

interface Props {
  hold: BuildHold;
  step: Step;
  /** whether anything may be written: nothing is built from a draft */
  mayWrite: boolean;
  choose: (step: string) => void;
  next: () => void;
}

/** One step, as it lies beside the rig: what, where, why here, with what, what to record, and one large "done". */
export function StepCard({ hold, step, mayWrite, choose, next }: Props) {
  const me = useMe();
  const units = useUnits();
  const state = hold.states[step.id]!;
  const write = (kind: string, says: Record<string, unknown>) => hold.write(kind, step.id, says);
  const lit = ['running', 'open', 'incomplete', 'reopened'].includes(state.status);
  const left = state.missing.length;
  return (
    <article className={clsx('step-card', `is-${state.status}`)} aria-label={step.title}>
      <header>
        <h1>{step.title}</h1>
        <p className="step-facts">
          {[
            step.where,
            whoWords(step),
            between(step.minutes),
            step.unattendedMin > 0 ? t('build.thenAlone', { time: lasting(step.unattendedMin) }) : null,
            step.daylight ? t('build.byDaylight') : null,
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
        {step.why && <p className="step-why">{step.why}</p>}
      </header>
      <Status hold={hold} step={step} choose={choose} />
      <Over hold={hold} step={step} choose={choose} />
      {step.cautions.length > 0 && (
        <ul className="step-cautions">
          {step.cautions.map((c) => (
            <li key={c.id}>
              <b>{c.title}</b>
              <span>{c.why}</span>
            </li>
          ))}
        </ul>
      )}
      <Where build={hold.build} step={step} />
      {step.does.length > 0 && (
        <ul className="step-does">
          {step.does.map((d) => (
            <li key={d}>{units.said(d)}</li>
          ))}
        </ul>
      )}
      {step.lists.length > 0 && (
        <ul className="step-list">
          {step.lists.map((l, n) => (
            <li key={n}>
              <span>{units.said(l.words)}</span>
              {state.missing.includes(`${l.words}: not here yet`) ? (
                <span className="step-away">
                  <b>{t('build.notHere')}</b>
                  {mayWrite && (
                    <Button onClick={() => void hold.write('arrival', '', { key: l.key, here: true })}>
                      {t('build.itIsHere')}
                    </Button>
                  )}
                </span>
              ) : (
                <small>{units.said(l.why)}</small>
              )}
            </li>
          ))}
        </ul>
      )}
      {(step.tools.length > 0 || step.takes.length > 0) && (
        <p className="step-tools">
          {step.tools.length > 0 && (
            <>
              <b>{t('build.tools')}</b> {step.tools.join(', ')}{' '}
            </>
          )}
          {step.takes.length > 0 && (
            <>
              <b>{t('build.takes')}</b> {step.takes.join(', ')}
            </>
          )}
        </p>
      )}
      {step.labels.length > 0 && (
        <section className="step-labels" aria-label={t('build.labelsHere')}>
          <h2>{t('build.labelsHere')}</h2>
          <ul>
            {step.labels.map((l) => (
              <li key={l.id}>
                <span className="label-tag">
                  <b>{l.title}</b>
                  {l.lines.map((line, n) => (
                    <span key={n}>{line}</span>
                  ))}
                </span>
                <small>{l.where}</small>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section className="step-asks" aria-label={t('build.toRecord')}>
        {step.asks.map((ask: Ask) => (
          <AskRow key={ask.id} ask={ask} step={step} hold={hold} disabled={!mayWrite} />
        ))}
      </section>
      <Taken hold={hold} step={step} mayWrite={mayWrite} />
      {mayWrite && (
        <footer className="step-foot">
          {state.startedAt === null && state.doneAt === null && (
            <Button size="large" onClick={() => void write('start', {})}>
              {t('build.start')}
            </Button>
          )}
          <button
            type="button"
            className="step-done"
            disabled={!lit || (step.gate && (left > 0 || me?.role === 'apprentice'))}
            onClick={() => void write('done', { mark: step.mark }).then(next)}
          >
            {step.gate
              ? left > 0
                ? t('build.provenButLeft', { count: left })
                : t('build.proven')
              : left > 0
                ? t('build.doneButLeft', { count: left })
                : t('build.done')}
          </button>
          {state.doneAt !== null ? (
            <Reason
              open={t('build.takeBack')}
              ask={t('build.whyNotDone')}
              save={(words) => void write('undone', { words })}
            />
          ) : (
            <WithoutProof
              step={step}
              waiting={state.status === 'waiting'}
              save={(words) => void write('override', { words })}
            />
          )}
        </footer>
      )}
    </article>
  );
}

/** Why it may or may not be begun: what it waits for, who did it and when, what is missing. */
function Status({ hold, step, choose }: { hold: BuildHold; step: Step; choose: (id: string) => void }) {
  const state = hold.states[step.id]!;
  const before = waitsFor(hold.build, step.id).filter(({ id }) => {
    const gate = hold.build.steps.some((s) => s.id === id && s.gate);
    return !isPassed(hold.states[id]!, gate);
  });
  if (state.status === 'waiting')
    return (
      <ul className="step-waits">
        {before.map(({ id, why, title }) => (
          <li key={id}>
            <button type="button" className="link" onClick={() => choose(id)}>
              {title}
            </button>{' '}
            <span>{why}</span>
          </li>
        ))}
      </ul>
    );
  if (state.doneAt === null) return null;
  return (
    <div className="step-status">
      <p>
        <b>{statusWords(state)}</b> {t('build.byAt', { by: state.by, at: when(state.doneAt) })}
        {state.override && ` · ${state.override}`}
      </p>
      {state.status === 'incomplete' && (
        <ul>
          {state.missing.map((m) => (
            <li key={m}>{m}</li>
          ))}
        </ul>
      )}
      {state.status === 'reopened' && <p>{t('build.reopenedWhy')}</p>}
    </div>
  );
}

export function waitsFor(build: Build, step: string): { id: string; why: string; title: string }[] {
  const titles = new Map(build.steps.map((s) => [s.id, s.title]));
  return build.links
    .filter((l) => l.after === step)
    .map((l) => ({ id: l.before, why: l.why, title: titles.get(l.before) ?? l.before }));
}

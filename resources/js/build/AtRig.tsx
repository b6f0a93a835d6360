import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { Failed, Waiting } from '../ui/Waiting';
import { t, type Key } from '../words/t';
import { nextStep } from './fold';
import { OpenItems } from './OpenItems';
import { Outbox } from './Outbox';
import { Rope } from './Rope';
import { Sheets } from './Sheets';
import { StepCard } from './StepCard';
import { useBuild } from './useBuild';
import { Wires } from './Wires';
import '../job/ViewSwitch.css';
import './BuildPlace.css';
import './AtRig.css';

type Side = 'rope' | 'sheets' | 'wires' | 'open' | 'outbox';
const SIDES: Record<Side, Key> = {
  rope: 'build.side_rope',
  sheets: 'build.side_sheets',
  wires: 'build.side_wires',
  open: 'build.side_open',
  outbox: 'build.side_outbox',
};

/** The work beside the rig: one step fills the tablet, with a signal or without. */
export default function AtRig() {
  const { id = '' } = useParams();
  const { hold, error, refetch } = useBuild(Number(id), null, false);
  const [chosen, choose] = useState<string | null>(null);
  const [side, open] = useState<Side | null>(null);
  if (error && !hold)
    return (
      <main className="page">
        <p className="empty">{t('build.notCarried')}</p>
        <Failed error={error} again={refetch} />
      </main>
    );
  if (!hold) return <Waiting what={t('build.theWork')} />;
  const { build, states } = hold;
  const at = chosen !== null && states[chosen] ? chosen : nextStep(build.steps, states);
  const step = build.steps.find((s) => s.id === at) ?? build.steps.at(-1);
  const place = step ? build.steps.indexOf(step) : 0;
  const queued = hold.waiting.length + hold.pictures.filter((p) => p.sent === 0).length;
  return (
    <div className="at-rig">
      <header>
        <Link to={`/jobs/${id}/build`} aria-label={t('build.toTheDesk')}>
          {t('build.desk')}
        </Link>
        <b>{build.title}</b>
        <span className="figures">{t('build.stepOf', { n: place + 1, count: build.steps.length })}</span>
        <span className="spring" />
        <button
          type="button"
          className={queued > 0 || hold.keptAt ? 'signal is-out' : 'signal'}
          onClick={() => open('outbox')}
        >
          {hold.keptAt ? t('build.offline') : queued > 0 ? t('build.queued', { count: queued }) : t('build.online')}
        </button>
      </header>
      {build.draft && <p className="turn at-rig-note">{t('build.draftNote')}</p>}
      {step ? (
        <StepCard
          key={step.id}
          hold={hold}
          step={step}
          mayWrite={!build.draft}
          choose={choose}
          next={() => {
            choose(null);
            window.scrollTo({ top: 0 });
          }}
        />
      ) : (
        <p className="empty">{t('build.nothingToDo')}</p>
      )}
      <nav className="at-rig-foot" aria-label={t('build.more')}>
        <Button size="large" disabled={place === 0} onClick={() => choose(build.steps[place - 1]!.id)}>
          {t('build.before')}
        </Button>
        {(['rope', 'sheets', 'wires', 'open'] as const).map((s) => (
          <Button key={s} size="large" onClick={() => open(s)}>
            {t(SIDES[s])}
          </Button>
        ))}
        <Button
          size="large"
          disabled={place >= build.steps.length - 1}
          onClick={() => choose(build.steps[place + 1]!.id)}
        >
          {t('build.after')}
        </Button>
      </nav>
      <Drawer open={side !== null} onClose={() => open(null)} size={640} title={side ? t(SIDES[side]) : ''}>
        {side === 'rope' && (
          <Rope
            build={build}
            states={states}
            open={step?.id ?? null}
            choose={(s) => {
              choose(s);
              open(null);
            }}
          />
        )}
        {side === 'sheets' && <Sheets hold={hold} />}
        {side === 'wires' && <Wires hold={hold} />}
        {side === 'open' && <OpenItems hold={hold} />}
        {side === 'outbox' && <Outbox hold={hold} />}
      </Drawer>
    </div>
  );
}

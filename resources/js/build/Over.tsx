import type { Step } from '../api/client';
import { useMe } from '../shell/Session';
import { useUnits } from '../shell/units';
import { told } from './AskRow';
import { passedOver } from './fold';
import { Reason } from './Reason';
import type { BuildHold } from './useBuild';
import { when } from './words';
import { t } from '../words/t';
import './Over.css';

/** Gates on the way here that a lead has passed without their proof: what was read, why, whose it is, until closed. */
export function Over({ hold, step, choose }: { hold: BuildHold; step: Step; choose: (id: string) => void }) {
  const { system } = useUnits();
  const closed = new Set(hold.waiting.filter((q) => q.line.kind === 'closed').map((q) => String(q.line.says.item)));
  const open = new Set(hold.build.open.map((o) => o.id));
  const over = passedOver(hold.build, hold.states, step.id, closed).filter(
    // What the server has seen closed is not open there; what was written here it has not seen yet.
    (o) => open.has(`override_${o.step.id}`) || hold.waiting.some((q) => q.line.step === o.step.id),
  );
  if (over.length === 0) return null;
  return (
    <ul className="step-over" aria-label={t('build.passedOver')}>
      {over.map((o) => (
        <li key={o.step.id}>
          <b>{t('build.notProven', { gate: o.step.title })}</b>
          {o.wrong.map(({ ask, value }) => (
            <span key={ask.id} className="figures">
              {ask.words} {told(ask, value, system)}
            </span>
          ))}
          {o.missing
            .filter((m) => !o.wrong.some(({ ask }) => m.startsWith(ask.words)))
            .map((m) => (
              <span key={m}>{m}</span>
            ))}
          <span>
            {o.why} · {t('build.byAt', { by: o.by, at: when(o.at) })}{' '}
            <button type="button" className="link" onClick={() => choose(o.step.id)}>
              {t('build.toIt')}
            </button>
          </span>
        </li>
      ))}
    </ul>
  );
}

/** The way past a gate that is not proven: a lead's, with a reason; where hands meet volts there is none. */
export function WithoutProof({ step, waiting, save }: { step: Step; waiting: boolean; save: (words: string) => void }) {
  const me = useMe();
  if (!step.gate) return null;
  if (step.absolute) return <p className="step-shut">{t('build.nobodyPasses')}</p>;
  if (waiting) return null;
  if (me?.role !== 'lead') return <p className="step-shut">{t('build.aLeadPasses')}</p>;
  return <Reason open={t('build.withoutIt')} ask={t('build.whyWithoutIt')} substance save={save} />;
}

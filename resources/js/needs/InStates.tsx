import type { Stay } from '../api/client';
import { t } from '../words/t';

/** What of the day runs in each state of the rig, and which energy is missing to what does not. */
export function InStates({ states }: { states: Stay['states'] }) {
  const lacking = states.filter((s) => s.missing.length > 0);
  const whole = states.filter((s) => s.missing.length === 0);
  if (states.length === 0) return null;
  return (
    <section className="asks follow" aria-label={t('needs.inStates')}>
      <h2>{t('needs.inStates')}</h2>
      {lacking.map((s) => (
        <details key={s.state} className="is-no">
          <summary>
            <b>{s.title}</b>
            <span>{t('needs.runsNot', { count: s.missing.length })}</span>
          </summary>
          <ul>
            {s.missing.map((m) => (
              <li key={m.load}>{t('needs.misses', { label: m.label, energy: m.energy })}</li>
            ))}
          </ul>
        </details>
      ))}
      {whole.length > 0 && (
        <p className="quiet all-run">{t('needs.runsAll', { list: whole.map((s) => s.title).join(', ') })}</p>
      )}
    </section>
  );
}

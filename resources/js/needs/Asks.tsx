import type { Stay } from '../api/client';
import { t } from '../words/t';
import './Asks.css';

/** What owners ask, each answered in a sentence; its arithmetic one tap away. */
export function Asks({ replies }: { replies: Stay['replies'] }) {
  return (
    <section className="asks" aria-label={t('needs.asked')}>
      <h2>{t('needs.asked')}</h2>
      {replies.map((r) => (
        <details key={r.id} className={r.good ? '' : 'is-no'}>
          <summary>
            <b>{r.ask}</b>
            <span className="figures">{r.words}</span>
          </summary>
          {r.lines.length > 0 && (
            <ul>
              {r.lines.map((line) => (
                <li key={line} className="figures">
                  {line}
                </li>
              ))}
            </ul>
          )}
        </details>
      ))}
    </section>
  );
}

/** Where practitioners differ: each way with its numbers, and what decides. */
export function Schools({ schools, title }: { schools: Stay['schools']; title?: string }) {
  if (schools.length === 0) return null;
  return (
    <section className="asks follow" aria-label={title ?? t('needs.schools')}>
      <h2>{title ?? t('needs.schools')}</h2>
      {schools.map((s) => (
        <details key={s.ask}>
          <summary>
            <b>{s.ask}</b>
          </summary>
          <dl>
            {s.ways.map((w) => (
              <div key={w.name}>
                <dt>{w.name}</dt>
                <dd className="figures">{w.words}</dd>
              </div>
            ))}
          </dl>
          <p className="quiet">{t('needs.decides', { decides: s.decides })}</p>
        </details>
      ))}
    </section>
  );
}

import { Select } from 'antd';
import type { Stay } from '../api/client';
import type { NeedLoad } from './loads';
import { t } from '../words/t';
import './Asks.css';

interface AsksProps {
  replies: Stay['replies'];
  loads: [string, NeedLoad][];
  /** loads that are asked about at once */
  together: string[];
  choose: (loads: string[]) => void;
}

/** What owners ask, each answered in a sentence; its arithmetic one tap away. */
export function Asks({ replies, loads, together, choose }: AsksProps) {
  const heavy = loads.filter(([, l]) => l.supply === 'ac').map(([value, l]) => ({ value, label: l.label }));
  return (
    <section className="asks" aria-label={t('needs.asked')}>
      <h2>{t('needs.asked')}</h2>
      {heavy.length > 1 && (
        <Select
          mode="multiple"
          className="at-once"
          aria-label={t('needs.atOnce')}
          placeholder={t('needs.atOnce')}
          value={together}
          onChange={(v) => choose(v)}
          options={heavy}
          maxCount={8}
        />
      )}
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

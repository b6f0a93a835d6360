import type { Answer, Component, Finding } from '../api/client';
import { ownFindings } from '../plan/findings';
import { LiveTable } from '../plan/LiveTable';
import { t } from '../words/t';
import './sheet.css';
import './Door.css';

const NOT_TO_RUN = ['overload', 'starts_by_itself', 'assist_drains', 'motor_start', 'path_rating'];

/** What people have to do by hand, and what must not run, in the words of the findings. */
export function notToRun(answer: Answer, parts: Record<string, Component>): { by: string[]; findings: Finding[] } {
  return {
    by: Object.values(parts)
      .filter((c) => c.type === 'instruction')
      .map((c) => c.label),
    findings: ownFindings(answer).filter((f) => NOT_TO_RUN.includes(f.rule) && f.severity !== 'advice'),
  };
}

/** Page one: what is taped inside the panel's door. */
export function Door({ answer, parts }: { answer: Answer; parts: Record<string, Component> }) {
  const { by, findings } = notToRun(answer, parts);
  return (
    <div className="door">
      <section>
        <LiveTable answer={answer} plain />
      </section>
      <section className="door-two">
        <div>
          <h2>{t('sheet.limits')}</h2>
          <table className="plain">
            <tbody>
              {answer.limits.map((l) => (
                <tr key={l.label + l.means}>
                  <th scope="row">{l.label}</th>
                  <td className="figures">
                    <b className={l.assumed ? 'is-assumed' : ''}>
                      {l.assumed && '~'}
                      {l.value} {l.unit}
                    </b>
                  </td>
                  <td>{l.means}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div>
          <h2>{t('sheet.whatNotToRunWhat')}</h2>
          {by.length === 0 && findings.length === 0 && <p>{t('sheet.nothingKnownWhatWasNot')}</p>}
          <ul>
            {by.map((words) => (
              <li key={words}>
                <b>{words}</b>
              </li>
            ))}
            {findings.map((f) => (
              <li key={f.id}>
                <b>{f.title}</b>: {f.text}
              </li>
            ))}
          </ul>
        </div>
      </section>
    </div>
  );
}

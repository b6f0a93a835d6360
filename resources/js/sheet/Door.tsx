import type { Answer, Component, Finding } from '../api/client';
import { ownFindings } from '../plan/findings';
import { LiveTable } from '../plan/LiveTable';
import { plainValue } from '../parts/values';

const NOT_TO_RUN = ['overload', 'starts_by_itself', 'assist_drains', 'motor_start', 'path_rating'];

const number = (v: unknown): number => Number(plainValue(v).value ?? 0);

/** What limits the rig, for somebody who stands before its panel: what a part is, how much, and what that means. */
export function limitsOf(parts: Record<string, Component>): { label: string; limit: string; means: string }[] {
  return Object.values(parts).flatMap((c) => {
    const label = c.label;
    switch (c.type) {
      case 'inlet':
        return [{ label, limit: `${number(c.ratingA)} A`, means: 'everything plugged in together' }];
      case 'inverter':
      case 'inverter_charger': {
        const w = number(c.continuousW);
        const more = c.type === 'inverter_charger' && c.inputLimitA !== undefined;
        return [
          { label, limit: `${w} W`, means: `from the battery: ${(w / 120).toFixed(0)} A at 120 V for long` },
          ...(more
            ? [
                {
                  label,
                  limit: `${number(c.inputLimitA)} A`,
                  means: 'input limit: set it lower than the pedestal’s breaker',
                },
              ]
            : []),
        ];
      }
      case 'generator':
        return [{ label, limit: `${number(c.ratedW)} W`, means: 'for long; less in heat and high up' }];
      case 'battery_bank': {
        const ah = number(c.unitAh) * number(c.parallel ?? 1);
        const share = c.chemistry === 'lfp' ? 0.9 : 0.5;
        return [{ label, limit: `${ah} Ah`, means: `${Math.round(ah * share)} Ah of it for use day after day` }];
      }
      default:
        return [];
    }
  });
}

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
  const limits = limitsOf(parts);
  const { by, findings } = notToRun(answer, parts);
  return (
    <div className="door">
      <section>
        <LiveTable answer={answer} plain />
      </section>
      <section className="door-two">
        <div>
          <h2>Limits</h2>
          <table className="plain">
            <tbody>
              {limits.map((l) => (
                <tr key={l.label + l.means}>
                  <th scope="row">{l.label}</th>
                  <td className="figures">
                    <b>{l.limit}</b>
                  </td>
                  <td>{l.means}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div>
          <h2>What not to run, what to do by hand</h2>
          {by.length === 0 && findings.length === 0 && <p>Nothing known. What was not surveyed was not checked.</p>}
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

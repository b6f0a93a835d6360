import { useUnits } from '../shell/units';
import type { BuildHold } from './useBuild';
import { told } from './AskRow';
import { t } from '../words/t';

/** A sheet for each device that is told something: what to enter and why, what was found, what was entered. */
export function Sheets({ hold }: { hold: BuildHold }) {
  const units = useUnits();
  const stages = hold.build.stages.filter((s) => s.sheets.length > 0);
  if (stages.length === 0) return <p className="empty">{t('build.noSheets')}</p>;
  return (
    <>
      {stages.map((stage) =>
        stage.sheets.map((sheet) => {
          const step = `${stage.id}.settings.${sheet.component}`;
          const state = hold.states[step];
          const asks = hold.build.steps.find((s) => s.id === step)?.asks;
          // Another value than the one to enter is not entered.
          const entered = sheet.settings.filter((s) => {
            const set = state?.answers[`set_${s.id}`];
            return set && set.right !== false;
          }).length;
          return (
            <section key={stage.id + sheet.component} className="sheet-panel">
              <div className="sheet-head">
                <h1>{sheet.label}</h1>
                {hold.build.stages.length > 1 && <span className="quiet">{stage.title}</span>}
                <span className="spring" />
                <span className={entered === sheet.settings.length ? 'quiet' : 'turn'}>
                  {entered === sheet.settings.length
                    ? t('build.allEntered')
                    : t('build.notEntered', { count: sheet.settings.length - entered })}
                </span>
              </div>
              <table className="build-table">
                <thead>
                  <tr>
                    <th scope="col">{t('build.setting')}</th>
                    <th scope="col">{t('build.enter')}</th>
                    <th scope="col">{t('build.because')}</th>
                    <th scope="col">{t('build.found')}</th>
                    <th scope="col">{t('build.entered')}</th>
                  </tr>
                </thead>
                <tbody>
                  {sheet.settings.map((s) => {
                    const set = state?.answers[`set_${s.id}`];
                    return (
                      <tr key={s.id}>
                        <td>{s.words}</td>
                        <td className="figures">
                          <b>{units.said(s.said)}</b>
                          {s.planned !== null && (
                            <small className="turn"> {t('build.planHas', { value: String(s.planned) })}</small>
                          )}
                        </td>
                        <td>
                          {s.why}
                          <small className="quiet"> · {s.source}</small>
                        </td>
                        <td className="figures">
                          {told(undefined, state?.answers[`found_${s.id}`]?.value ?? null, units.system)}
                        </td>
                        <td className={set?.right === false ? 'figures turn' : 'figures'}>
                          {told(
                            asks?.find((a) => a.id === `set_${s.id}`),
                            set?.value ?? null,
                            units.system,
                          )}
                        </td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </section>
          );
        }),
      )}
    </>
  );
}

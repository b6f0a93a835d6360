import type { Answer, Control, SettledState } from '../api/client';
import { Severity } from '../ui/Severity';
import type { Setting } from './useSettled';
import { t } from '../words/t';
import './HandPanel.css';

/** In the order in which a person meets them; breakers last, since they are many. */
const ORDER: Control['job'][] = ['pedestal', 'plug', 'run', 'transfer', 'mode', 'switch', 'disconnect', 'breaker'];

const GROUP: Record<Control['job'], string> = {
  pedestal: t('plan.outside'),
  plug: t('plan.cordsAndPlugs'),
  run: t('plan.generator'),
  transfer: t('plan.changeover'),
  mode: t('plan.inverter'),
  switch: t('plan.switches'),
  disconnect: t('plan.battery'),
  breaker: t('plan.breakers'),
};

interface Props {
  answer: Answer;
  setting: Setting;
  set: (id: string, position: string, pedestal: boolean) => void;
  settled: SettledState | undefined;
  about: string | null;
  /** back to everything that can be set */
  all: () => void;
  reset: () => void;
}

/** Every control of the rig, set by hand, and the story of what reacts. */
export function HandPanel({ answer, setting, set, settled, about, all, reset }: Props) {
  const known = (id: string) => answer.labels[id] ?? id;
  const shown = about ? answer.controls.filter((c) => c.component === about) : answer.controls;
  const group = (job: Control['job']) => {
    const controls = shown.filter((c) => c.job === job);
    if (controls.length === 0) return null;
    return (
      <fieldset key={job} className="hand-group">
        <legend>{GROUP[job]}</legend>
        {controls.map((c) => (
          <Choice
            key={c.id}
            control={c}
            value={(job === 'pedestal' ? setting.surroundings : setting.controls)[c.id] ?? ''}
            set={(p) => set(c.id, p, job === 'pedestal')}
          />
        ))}
      </fieldset>
    );
  };
  return (
    <div className="hand">
      <div className="hand-top">
        {about ? (
          <>
            <button type="button" className="hand-all" onClick={all}>
              {t('plan.allControls')}
            </button>
            <b>{known(about)}</b>
          </>
        ) : (
          <span className="quiet">{t('plan.allThatCanBeSet')}</span>
        )}
        <button type="button" className="linklike" onClick={reset}>
          {t('plan.reset')}
        </button>
      </div>
      {about && shown.length === 0 && <p className="quiet">{t('plan.nothingToSetOnIt')}</p>}
      {ORDER.filter((job) => job !== 'breaker' || about !== null).map(group)}
      <section aria-live="polite" className="story" aria-label={t('plan.whatReacts')}>
        <h3>{t('plan.whatHappens')}</h3>
        {settled === undefined ? (
          <p className="quiet">…</p>
        ) : settled.story.length === 0 ? (
          <p className="quiet">{t('plan.nothingMovesByItself')}</p>
        ) : (
          <ol>
            {settled.story.map((step, i) => (
              <li key={i}>
                <b className="figures">
                  {step.atS < 0.001
                    ? t('plan.atOnce')
                    : step.atS < 1
                      ? `${Math.round(step.atS * 1000)} ms`
                      : `${step.atS} s`}
                </b>
                {step.words.map((w) => (
                  <span key={w}>{w}</span>
                ))}
              </li>
            ))}
          </ol>
        )}
        {settled?.hits.map((h) => (
          <p key={h.rule + h.text} className={`story-hit sev-edge-${h.severity}`}>
            <Severity severity={h.severity} /> <b>{h.title}</b> {h.text}
          </p>
        ))}
        {settled && <FlowFacts settled={settled} />}
      </section>
      {about === null && (
        <details className="hand-breakers">
          <summary>{t('plan.breakers')}</summary>
          {group('breaker')}
        </details>
      )}
    </div>
  );
}

function Choice({ control, value, set }: { control: Control; value: string; set: (position: string) => void }) {
  const positions = Object.entries(control.positions);
  if (positions.length > 3) {
    return (
      <label className="hand-row">
        <span>{control.label}</span>
        <select value={value} onChange={(e) => set(e.target.value)}>
          {positions.map(([p, words]) => (
            <option key={p} value={p}>
              {words}
            </option>
          ))}
        </select>
      </label>
    );
  }
  return (
    <div className="hand-row" role="radiogroup" aria-label={control.label}>
      <span>{control.name}</span>
      <span className="hand-choice">
        {positions.map(([p, words]) => (
          <button key={p} type="button" role="radio" aria-checked={p === value} onClick={() => set(p)}>
            {words}
          </button>
        ))}
      </span>
    </div>
  );
}

/** The load flow in a few lines: what each source gives, what is lost, what gives up. */
export function FlowFacts({ settled }: { settled: SettledState }) {
  const { flow } = settled;
  if (flow.trouble) return <p className="story-hit sev-edge-danger">{flow.trouble}</p>;
  const given = flow.sources.filter((s) => Math.abs(s.amps) > 0.05);
  const collapsed = flow.loads.filter((l) => l.collapsed && l.volts > 1);
  return (
    <>
      {flow.trips.map((t) => (
        <p key={t.component} className="story-hit sev-edge-warning">
          {t.words}
        </p>
      ))}
      <table className="flow">
        <caption className="quiet">{t('plan.loadFlowBankHalfFull')}</caption>
        <tbody>
          {given.map((s) => (
            <tr key={s.id} className={s.overloaded ? 'over' : ''}>
              <th scope="row">{s.label}</th>
              <td className="figures">{s.volts.toFixed(1)} V</td>
              <td className="figures">{s.amps.toFixed(1)} A</td>
              <td className="figures">{s.watts.toFixed(0)} W</td>
            </tr>
          ))}
          <tr>
            <th scope="row">{t('plan.lostInWires')}</th>
            <td />
            <td />
            <td className="figures">{flow.lostW.toFixed(0)} W</td>
          </tr>
          {collapsed.map((l) => (
            <tr key={l.id} className="over">
              <th scope="row">{t('plan.givesUp', { label: l.label })}</th>
              <td className="figures">{l.volts.toFixed(0)} V</td>
              <td />
              <td />
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

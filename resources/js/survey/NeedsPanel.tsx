import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { uuid } from '../api/client';
import type { DesignHold } from '../job/useDesign';
import { Term } from '../ui/Term';
import { t } from '../words/t';
import './NeedsPanel.css';

/** What must run off grid, and which loads run together. */
export function NeedsPanel({ hold }: { hold: DesignHold }) {
  const [title, setTitle] = useState('');
  const { asFound, needs } = hold.design.document;
  const circuits = Object.entries(asFound.components).filter(([, c]) => c.type === 'circuit');
  const loads = circuits.flatMap(([id, c]) =>
    Object.entries((c.loads ?? {}) as Record<string, { label: string }>).map(([load, l]) => ({
      id: `${id}.${load}`,
      label: l.label,
    })),
  );
  const scenarios = Object.entries(needs.scenarios ?? {});
  const set = (path: string, value: unknown) => void hold.edit({ kind: 'set_need', path, value } as never);
  return (
    <section className="runs-together">
      <h1>{t('survey.whatMustRun')}</h1>
      <fieldset className="choices">
        <legend>
          <Term of={t('survey.offGrid')}>{t('survey.offGrid2')}</Term>
          {t('survey.withoutAnySupply')}
        </legend>
        <div className="check-grid">
          {circuits.map(([id, c]) => (
            <Checkbox
              key={id}
              checked={needs.offGrid?.[id] === true}
              onChange={(e) => set(`/offGrid/${id}`, e.target.checked ? true : null)}
            >
              {c.label}
            </Checkbox>
          ))}
        </div>
      </fieldset>
      {scenarios.map(([id, s]) => (
        <fieldset key={id} className="choices">
          <legend>
            {t('survey.together', { title: s.title })}{' '}
            <button type="button" className="linkish" onClick={() => set(`/scenarios/${id}`, null)}>
              {t('survey.takeOut')}
            </button>
          </legend>
          <div className="check-grid">
            {loads.map((l) => (
              <Checkbox
                key={l.id}
                checked={s.running[l.id] === true}
                onChange={(e) =>
                  set(
                    `/scenarios/${id}/running`,
                    Object.fromEntries(
                      Object.entries({ ...s.running, [l.id]: e.target.checked }).filter(([, on]) => on),
                    ),
                  )
                }
              >
                {l.label}
              </Checkbox>
            ))}
          </div>
        </fieldset>
      ))}
      <form
        className="add-stage"
        onSubmit={(e) => {
          e.preventDefault();
          if (title.trim() === '') return;
          set(`/scenarios/s_${uuid().slice(0, 8)}`, { title: title.trim(), order: scenarios.length + 1, running: {} });
          setTitle('');
        }}
      >
        <Input
          aria-label={t('survey.nameOfATimeWhen')}
          placeholder={t('survey.breakfastAHotAfternoonThe')}
          value={title}
          onChange={(e) => setTitle(e.target.value)}
          maxLength={80}
        />
        <Button htmlType="submit">{t('survey.addWhatRunsTogether')}</Button>
      </form>
    </section>
  );
}

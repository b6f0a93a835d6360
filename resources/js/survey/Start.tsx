import { useQuery } from '@tanstack/react-query';
import { App, Button, Select } from 'antd';
import { useState } from 'react';
import { api, unwrap } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { t } from '../words/t';
import './Start.css';

/** An empty survey: a factory layout, or what was surveyed in a rig like it. */
export function Start({ hold }: { hold: DesignHold }) {
  const reference = useQuery(referenceQuery);
  return (
    <main className="page">
      <h1>{t('survey.whatDoesItLookMost')}</h1>
      <p className="quiet">{t('survey.aFactoryLayoutGivesThe')}</p>
      <ul className="layouts">
        {reference.data?.layouts.map((l) => (
          <li key={l.id}>
            <button
              type="button"
              className="layout"
              disabled={hold.saving}
              onClick={() => void hold.edit({ kind: 'lay_out', layout: l.id } as never)}
            >
              <b>{l.title}</b>
              <span>{l.summary}</span>
            </button>
          </li>
        ))}
      </ul>
      <Copy hold={hold} />
      <p className="quiet">{t('survey.orUploadAJobFile')}</p>
    </main>
  );
}

/** The survey of an earlier job, every value of it assumed until somebody looks at this rig. */
function Copy({ hold }: { hold: DesignHold }) {
  const { message } = App.useApp();
  const [picked, setFrom] = useState<number | null>(null);
  const jobs = useQuery({
    queryKey: ['jobs', 'to copy'],
    queryFn: async () => unwrap(await api.GET('/jobs')).jobs,
  });
  const others = (jobs.data ?? []).filter((j) => j.id !== hold.design.id);
  const here = jobs.data?.find((j) => j.id === hold.design.id);
  // What was surveyed the last time this very rig came in is looked at first.
  const before = others.find((j) => j.rigId !== null && j.rigId === here?.rigId);
  const from = picked ?? before?.id ?? null;
  if (others.length === 0) return null;
  const copy = async () => {
    try {
      const other = unwrap(await api.GET('/jobs/{job}', { params: { path: { job: from! }, query: { want: 'none' } } }));
      await hold.edit({
        kind: 'lay_out',
        layout: 'copy',
        from: other.document.title,
        components: other.document.asFound.components,
      } as never);
    } catch (e) {
      void message.error(e instanceof Error ? e.message : t('survey.thatJobCannotBeRead'), 6);
    }
  };
  return (
    <p className="copy-survey">
      <Select
        aria-label={t('survey.earlierJob')}
        placeholder={t('survey.orCopyTheSurveyOf')}
        showSearch={{ optionFilterProp: 'label' }}
        value={from}
        onChange={(v) => setFrom(v)}
        options={others.map((j) => ({ value: j.id, label: j.customer ? `${j.title}, ${j.customer}` : j.title }))}
      />
      <Button disabled={from === null || hold.saving} onClick={() => void copy()}>
        {t('survey.copyIt')}
      </Button>
    </p>
  );
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Input } from 'antd';
import { useState } from 'react';
import { api, ApiError, unwrap, uuid, type Baseline } from '../api/client';
import { t } from '../words/t';
import './BaselinePanel.css';

type Point = Baseline['points'][number];

const VERDICTS = { 'as expected': 'as', 'not as expected': 'not', 'to be judged': 'to' };

/** What a reading is written as: a number with its unit, or a word. Ambiguous numbers are asked back. */
export function readReading(text: string, unit: string): { value?: number; words?: string } | string {
  const typed = text.trim();
  if (/^[-+]?\d+(\.\d+)?$/.test(typed)) return { value: Number(typed) };
  const m = /^([-+]?\d+(?:\.\d+)?)\s*([a-zA-ZΩµ]+)$/.exec(typed);
  if (m && unit && (m[2] === unit || (unit === 'Ω' && /^ohms?$/i.test(m[2]!)))) return { value: Number(m[1]) };
  if (/^\d{1,3}(,\d{3})+$|,/.test(typed)) return t('survey.canBeReadTwoWays', { typed });
  if (m && unit) return t('survey.thisReadingIsIn', { unit });
  if (/^\d/.test(typed)) return t('survey.writeOneNumberOrA');
  return { words: typed };
}

/** Readings before anything is disconnected: afterwards nobody can tell what was broken before. */
export function BaselinePanel({ job, revision }: { job: number; revision: number }) {
  const key = ['baseline', job, revision];
  const baseline = useQuery({
    queryKey: key,
    queryFn: async () => unwrap(await api.GET('/jobs/{job}/baseline', { params: { path: { job } } })),
  });
  const [instrument, setInstrument] = useState(() => localStorage.getItem('hollin.instrument') ?? '');
  if (!baseline.data || baseline.data.points.length === 0) return null;
  const taken = new Set(baseline.data.readings.map((r) => r.what));
  return (
    <section className="baseline">
      <h1>
        {t('survey.baselineReadings')}{' '}
        <span className="quiet">{t('survey.ofTaken', { size: taken.size, count: baseline.data.points.length })}</span>
      </h1>
      <p className="quiet">{t('survey.beforeAnythingIsDisconnectedProve')}</p>
      <label className="instrument">
        {t('survey.instrument')}{' '}
        <Input
          value={instrument}
          maxLength={80}
          placeholder={t('survey.whichMeter')}
          onChange={(e) => {
            setInstrument(e.target.value);
            localStorage.setItem('hollin.instrument', e.target.value);
          }}
        />
      </label>
      <div className="table-scroll" tabIndex={0} role="region" aria-label={t('survey.baselineReadingsScrollable')}>
        <table className="survey-table">
          <thead>
            <tr>
              <th scope="col">{t('survey.reading')}</th>
              <th scope="col">{t('survey.when')}</th>
              <th scope="col">{t('survey.expected')}</th>
              <th scope="col">{t('survey.read')}</th>
            </tr>
          </thead>
          <tbody>
            {baseline.data.points.map((p) => (
              <PointRow
                key={p.id}
                job={job}
                point={p}
                readings={baseline.data.readings.filter((r) => r.what === p.id)}
                instrument={instrument}
                dataKey={key}
              />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function PointRow({
  job,
  point,
  readings,
  instrument,
  dataKey,
}: {
  job: number;
  point: Point;
  readings: Baseline['readings'];
  instrument: string;
  dataKey: unknown[];
}) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [text, setText] = useState('');
  const [mark, setMark] = useState(uuid);
  const record = async () => {
    if (text.trim() === '') return;
    const read = readReading(text, point.unit);
    if (typeof read === 'string') {
      void message.error(read, 6);
      return;
    }
    try {
      unwrap(
        await api.POST('/jobs/{job}/readings', {
          params: { path: { job } },
          body: { uuid: mark, what: point.id, ...read, ...(instrument ? { instrument } : {}) },
        }),
      );
      setText('');
      setMark(uuid());
      await client.invalidateQueries({ queryKey: dataKey });
    } catch (e) {
      void message.error(
        e instanceof ApiError ? (e.problems[0]?.message ?? e.message) : t('survey.noConnectionTheReadingWas'),
        7,
      );
    }
  };
  return (
    <tr>
      <td>
        <b>{point.words}</b>
        <small className="quiet">{point.why}</small>
      </td>
      <td>{point.stateWords}</td>
      <td className="figures">{point.shown}</td>
      <td>
        {readings.map((r) => (
          <div key={r.id} className={`reading verdict-${VERDICTS[r.verdict]}`}>
            <b className="figures">{r.value !== null ? `${r.value} ${r.unit}` : r.words}</b> {r.verdict}
            <small className="quiet">
              {r.by}
              {r.instrument && `, ${r.instrument}`}
            </small>
          </div>
        ))}
        <form
          className="reading-entry"
          onSubmit={(e) => {
            e.preventDefault();
            void record();
          }}
        >
          <Input
            aria-label={t('survey.readingOf', { words: point.words })}
            value={text}
            onChange={(e) => setText(e.target.value)}
            suffix={point.unit || undefined}
          />
          <Button htmlType="submit">{t('survey.record')}</Button>
        </form>
      </td>
    </tr>
  );
}

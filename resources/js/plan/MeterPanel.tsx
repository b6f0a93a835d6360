import { useQuery } from '@tanstack/react-query';
import { App, Select } from 'antd';
import { useState } from 'react';
import { api, ApiError, unwrap, type Answer } from '../api/client';
import type { Setting } from './useSettled';
import { t } from '../words/t';
import './plan.css';
import './MeterPanel.css';

type Kind =
  | 'ac_volts'
  | 'ac_volts_low'
  | 'dc_volts'
  | 'ohms'
  | 'ac_amps'
  | 'dc_amps'
  | 'residual'
  | 'gfci_button'
  | 'plug_tester'
  | 'detector';

const KINDS: [Kind, string, 'points' | 'point' | 'conductor' | 'circuit'][] = [
  ['ac_volts', t('plan.acVolts'), 'points'],
  ['ac_volts_low', t('plan.acVoltsLowImpedance'), 'points'],
  ['dc_volts', t('plan.dcVolts'), 'points'],
  ['ohms', t('plan.ohms'), 'points'],
  ['ac_amps', t('plan.acClamp'), 'conductor'],
  ['dc_amps', t('plan.dcClamp'), 'conductor'],
  ['residual', t('plan.residualCurrent'), 'circuit'],
  ['gfci_button', t('plan.gfciButton'), 'circuit'],
  ['plug_tester', t('plan.plugInTester'), 'circuit'],
  ['detector', t('plan.nonContactDetector'), 'point'],
];

type Takes = (typeof KINDS)[number][2];

/** Where the probes are once a part was touched: across an outlet at once, else one after the other. */
export function probed(
  part: string,
  takes: Takes,
  answer: Answer,
  now: { a: string; b: string },
): { a: string; b: string } | null {
  if (takes === 'circuit') return answer.table.some((r) => r.circuit === part) ? { ...now, a: part } : null;
  if (takes === 'conductor') {
    const wire = Object.keys(answer.conductors).find((c) => c.startsWith(`${part}.`));
    return wire ? { ...now, a: wire } : null;
  }
  const [hot, neutral] = answer.outlets[part] ?? [];
  const points = (answer.pointsOf[part] ?? []).filter((p) => answer.points[p]);
  const first = hot && answer.points[hot] ? hot : points[0];
  if (first === undefined) return null;
  if (takes === 'point') return { ...now, a: first };
  if (hot && neutral) return { a: hot, b: neutral };
  // The second touch is the second probe; a third begins anew.
  return now.a !== '' && now.b === '' && now.a !== first ? { ...now, b: first } : { a: first, b: '' };
}

interface Props {
  job: number;
  revision: number;
  view: string;
  answer: Answer;
  setting: Setting;
  running: string[];
  /** the component last touched on the wall, and how often anything was */
  about: string | null;
  touches: number;
}

/** Two probes, a clamp, testers: what a meter would show here and now. */
export function MeterPanel({ job, revision, view, answer, setting, running, about, touches }: Props) {
  const [kind, setKind] = useState<Kind>('ac_volts');
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const [zeroed, setZeroed] = useState(true);
  const { message } = App.useApp();
  const takes = KINDS.find(([k]) => k === kind)![2];
  const circuits = Object.fromEntries(answer.table.map((r) => [r.circuit, r.label]));
  const choices = takes === 'conductor' ? answer.conductors : takes === 'circuit' ? circuits : answer.points;
  const pointA = choices[a] ? a : '';
  const pointB = answer.points[b] ? b : '';
  const ready = pointA !== '' && (takes !== 'points' || pointB !== '');
  // Touching the wall places the probe, in every function.
  const [placed, setPlaced] = useState(touches);
  if (placed !== touches) {
    setPlaced(touches);
    const next = about === null ? null : probed(about, takes, answer, { a: pointA, b: pointB });
    if (next) {
      setA(next.a);
      setB(next.b);
    }
  }
  const reading = useQuery({
    queryKey: ['probe', job, revision, view, setting, running, kind, pointA, pointB, zeroed],
    enabled: ready,
    retry: false,
    queryFn: async () =>
      unwrap(
        await api.POST('/jobs/{job}/probe', {
          params: { path: { job } },
          body: { view, revision, running, ...setting, function: kind, a: pointA, b: pointB, zeroed },
        }),
      ),
  });
  const takeAway = async (side: 'ac' | 'dc') => {
    try {
      const netlist = unwrap(
        await api.POST('/jobs/{job}/netlist', {
          params: { path: { job }, query: { side } },
          body: { view, revision, running, ...setting },
          parseAs: 'text',
        }),
      );
      const link = document.createElement('a');
      link.href = URL.createObjectURL(new Blob([netlist], { type: 'text/plain' }));
      link.download = `state-${side}.cir`;
      link.click();
      URL.revokeObjectURL(link.href);
    } catch (e) {
      void message.error(e instanceof ApiError ? e.message : t('plan.noConnectionNothingWasSaved'), 7);
    }
  };
  // What was touched on the wall comes first in the list.
  const own = new Set([about ?? '', ...(answer.pointsOf[about ?? ''] ?? [])]);
  const options = Object.entries(choices)
    .map(([value, label]) => ({ value, label }))
    .sort((x, y) => Number(own.has(y.value)) - Number(own.has(x.value)) || x.label.localeCompare(y.label));
  const shown = reading.data;
  const quick = about && takes === 'points' ? answer.outlets[about] : undefined;
  const pair = (one: number, two: number) => {
    setA(quick?.[one] ?? '');
    setB(quick?.[two] ?? '');
  };
  return (
    <div className="meter">
      <label className="meter-kind">
        <span>{t('plan.function')}</span>
        <select value={kind} onChange={(e) => setKind(e.target.value as Kind)}>
          {KINDS.map(([k, label]) => (
            <option key={k} value={k}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {quick && about && (
        <div className="meter-quick">
          <span className="quiet">{answer.labels[about]}</span>
          <button type="button" onClick={() => pair(0, 1)}>
            {t('plan.hotNeutral')}
          </button>
          <button type="button" onClick={() => pair(0, 2)}>
            {t('plan.hotGround')}
          </button>
          <button type="button" onClick={() => pair(1, 2)}>
            {t('plan.neutralGround')}
          </button>
        </div>
      )}
      <Select
        showSearch={{ optionFilterProp: 'label' }}
        aria-label={takes === 'points' ? t('plan.redProbe') : t('plan.where')}
        placeholder={
          takes === 'points' ? t('plan.redProbeAt') : takes === 'conductor' ? t('plan.clampAround') : t('plan.at')
        }
        value={pointA || null}
        onChange={(v) => setA(v ?? '')}
        options={options}
      />
      {takes === 'points' && (
        <Select
          showSearch={{ optionFilterProp: 'label' }}
          aria-label={t('plan.blackProbe')}
          placeholder={t('plan.blackProbeAt')}
          value={pointB || null}
          onChange={(v) => setB(v ?? '')}
          options={options}
        />
      )}
      {kind === 'dc_amps' && (
        <label className="meter-zero">
          <input type="checkbox" checked={zeroed} onChange={(e) => setZeroed(e.target.checked)} />{' '}
          {t('plan.zeroedWhereItIsUsed')}
        </label>
      )}
      <output className={`meter-face ${shown?.kind === 'hazard' ? 'is-hazard' : ''}`} aria-live="polite">
        {!ready ? (
          <span className="quiet">{t('plan.touchACircuitOrA')}</span>
        ) : reading.error instanceof ApiError ? (
          reading.error.message
        ) : shown === undefined ? (
          '…'
        ) : shown.kind === 'number' ? (
          <>
            <b className="figures">
              {(shown.value ?? 0).toFixed(Math.abs(shown.value ?? 0) < 1 ? 3 : Math.abs(shown.value ?? 0) < 10 ? 2 : 1)}
            </b>
            <span>{shown.unit}</span>
          </>
        ) : shown.kind === 'range' ? (
          <>
            <b className="figures">
              {(shown.value ?? 0).toFixed(0)} … {(shown.highest ?? 0).toFixed(0)}
            </b>
            <span>{shown.unit}</span>
          </>
        ) : (
          <strong>{shown.words}</strong>
        )}
      </output>
      {shown && shown.kind !== 'hazard' && shown.kind !== 'words' && shown.words && (
        <p className="meter-words">{shown.words}</p>
      )}
      <p className="quiet">{t('plan.computedNotMeasuredAtThe')}</p>
      <div className="meter-quick">
        <span className="quiet">{t('plan.thisStateAsSpice')}</span>
        <button type="button" onClick={() => void takeAway('ac')}>
          {t('plan.acSide')}
        </button>
        <button type="button" onClick={() => void takeAway('dc')}>
          {t('plan.dcSide')}
        </button>
      </div>
    </div>
  );
}

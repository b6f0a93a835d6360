import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { InputNumber, Select } from 'antd';
import { useState } from 'react';
import { api, unwrap, type Alternatives } from '../api/client';
import { money } from '../bench/list';
import { useUnits } from '../shell/units';
import { t } from '../words/t';

type Way = Alternatives['ways'][number];
type Asked = Pick<Way, 'ah' | 'chemistry' | 'panelsW' | 'generatorBelow'>;

const CHEMISTRIES = [
  { value: 'lfp', label: t('needs.lithium') },
  { value: 'agm', label: t('needs.agm') },
  { value: 'flooded', label: t('needs.flooded') },
  { value: 'gel', label: t('needs.gel') },
];

interface Props {
  job: number;
  revision: number;
  view: string;
  hasGenerator: boolean;
}

/** The same days with another bank, other panels or a generator, beside what is there. */
export function Beside({ job, revision, view, hasGenerator }: Props) {
  const units = useUnits();
  const [ways, ask] = useState<{ view: string; list: Asked[] } | null>(null);
  const mine = ways?.view === view ? ways.list : null;
  const { data } = useQuery({
    queryKey: ['alternatives', job, revision, view, mine],
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      unwrap(
        await api.POST('/jobs/{job}/alternatives', {
          params: { path: { job } },
          body: { view, revision, ...(mine ? { ways: mine } : {}) },
          signal,
        }),
      ),
  });
  if (!data) return null;
  const shown = data.ways;
  const change = (n: number, to: Partial<Asked>) =>
    ask({
      view,
      list: shown.map(({ ah, chemistry, panelsW, generatorBelow }, m) => ({
        ah,
        chemistry,
        panelsW,
        generatorBelow,
        ...(m === n ? to : {}),
      })),
    });
  const number = (n: number, name: 'ah' | 'panelsW' | 'generatorBelow', label: string, most: number) => (
    <InputNumber
      size="small"
      aria-label={`${label}, ${n + 1}`}
      min={name === 'ah' ? 5 : 0}
      max={most}
      value={Math.round(shown[n]![name])}
      disabled={n === 0}
      changeOnWheel={false}
      onChange={(v) => typeof v === 'number' && change(n, { [name]: v })}
    />
  );
  const rows: [string, (way: Way, n: number) => React.ReactNode][] = [
    [
      t('needs.bankOf'),
      (way, n) => (
        <>
          {number(n, 'ah', t('needs.bankOf'), 8000)} {AH}{' '}
          <Select
            size="small"
            aria-label={`${t('needs.chemistry')}, ${n + 1}`}
            value={way.chemistry}
            disabled={n === 0}
            onChange={(chemistry) => change(n, { chemistry })}
            options={CHEMISTRIES}
          />
        </>
      ),
    ],
    ...(shown[0]!.panelsW > 0
      ? [
          [
            t('needs.panels'),
            (_: Way, n: number) => (
              <>
                {number(n, 'panelsW', t('needs.panels'), 8000)} {WATTS}
              </>
            ),
          ] as [string, (way: Way, n: number) => React.ReactNode],
        ]
      : []),
    ...(hasGenerator
      ? [
          [
            t('needs.generatorStarts'),
            (_: Way, n: number) => (
              <>
                {number(n, 'generatorBelow', t('needs.generatorStarts'), 95)} {PERCENT}
              </>
            ),
          ] as [string, (way: Way, n: number) => React.ReactNode],
        ]
      : []),
    [t('needs.lastsRow'), (way) => <b className={way.lasts && !way.tooDeep ? 'is-good' : 'is-short'}>{way.words}</b>],
    [t('needs.lowestRow'), (way) => `${Math.round(way.lowest * 100)} %`],
    [t('needs.costRow'), (way, n) => (way.cost === null || n === 0 ? '–' : `~${money(way.cost, data.currency)}`)],
    [t('needs.weightRow'), (way, n) => (n === 0 ? '–' : `${way.kg >= 0 ? '+' : '−'}${units.weight(Math.abs(way.kg))}`)],
    [t('needs.unusedRow'), (way) => `${(way.curtailedWh / 1000).toFixed(1)} kWh`],
    ...(shown.some((w) => w.generatorH > 0)
      ? [[t('needs.generatorRow'), (way: Way) => `${way.generatorH.toFixed(1)} h`] as [string, (way: Way) => string]]
      : []),
  ];
  return (
    <section className="sheet-panel" aria-label={t('needs.sideBySide')}>
      <h1>{t('needs.sideBySide')}</h1>
      <p className="quiet">{t('needs.sideBySideNote')}</p>
      <div className="table-scroll" tabIndex={0} role="region" aria-label={t('needs.sideBySide')}>
        <table className="beside figures">
          <thead>
            <tr>
              <th />
              {shown.map((_, n) => (
                <th key={n} scope="col">
                  {n === 0 ? t('needs.asItIs') : t('needs.way', { n })}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, cell]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                {shown.map((way, n) => (
                  <td key={n}>{cell(way, n)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const AH = 'Ah';
const WATTS = 'W';
const PERCENT = '%';

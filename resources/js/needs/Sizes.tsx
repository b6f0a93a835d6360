import { InputNumber } from 'antd';
import type { ReactNode } from 'react';
import type { Stay } from '../api/client';
import { t } from '../words/t';

export type From = 'days' | 'bank' | 'panels' | 'budget';

interface Props {
  sizes: Stay['sizes'];
  /** starts from what the owner has */
  start: (from: From, value: number) => void;
}

/** Sizes that follow from the loads. What the owner has is typed in; the others answer. */
export function Sizes({ sizes, start }: Props) {
  const asked = (from: From, value: number, unit: string) => (
    <label className={`figures ${sizes.from === from ? 'is-start' : ''}`}>
      <InputNumber
        size="small"
        aria-label={unit}
        min={0.1}
        max={1000000}
        value={value}
        onChange={(v) => typeof v === 'number' && v > 0 && start(from, v)}
      />{' '}
      {unit}
    </label>
  );
  const rows: [string, ReactNode, string][] = [
    [t('needs.lasts'), asked('days', sizes.days, t('needs.daysDry')), t('needs.bankWhy', { wh: sizes.dayWh })],
    [t('needs.bank'), asked('bank', sizes.bankAh, 'Ah'), t('needs.bankIs')],
    [
      t('needs.panels'),
      asked('panels', sizes.sunW, 'W'),
      t('needs.panelsWhy', { hours: sizes.sunHours, share: Math.round(sizes.sunShare * 100) }),
    ],
    [
      t('needs.budget'),
      sizes.cost === null ? '–' : asked('budget', sizes.cost, t('needs.money')),
      sizes.from === 'budget' && sizes.days < 0.05 ? t('needs.notForThat') : t('needs.budgetWhy'),
    ],
    [
      t('needs.inverter'),
      <b key="i" className="figures">
        {sizes.inverterW ? `${sizes.inverterW} W` : t('needs.noInverter')}
      </b>,
      t('needs.inverterWhy', { together: sizes.togetherW, surge: sizes.surgeW }) +
        (sizes.inverterSoftlyW < sizes.inverterW ? t('needs.softly', { watts: sizes.inverterSoftlyW }) : ''),
    ],
    [
      t('needs.charger'),
      <b key="c" className="figures">
        {sizes.chargerA} A
      </b>,
      t('needs.chargerWhy'),
    ],
  ];
  return (
    <section className="asks follow" aria-label={t('needs.sizesThatFollow')}>
      <h2>{t('needs.sizesThatFollow')}</h2>
      <p className="quiet">{t('needs.startFromOne')}</p>
      <dl>
        {rows.map(([name, value, why]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>
              {value}
              <span className="quiet">{why}</span>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

import type { TakeOff } from '../api/client';
import { Button } from 'antd';
import { csvHref } from '../ui/csv';
import { t } from '../words/t';
import { billAsCsv, GROUP_WORDS, GROUPS, money } from './list';

/** What it costs: every line with its offer, work by the hour, tools apart. */
export function Bill({ list }: { list: TakeOff }) {
  const { costs, currency } = list;
  return (
    <section className="bench bill">
      <div className="sheet-head">
        <h1>{t('bench.costs')}</h1>
        <b className="bill-total figures">
          {costs.assumed > 0 && '~'}
          {money(costs.total ?? costs.material, currency)}
        </b>
        <span className="quiet">{costs.total === null ? t('bench.withoutWork') : t('bench.withWork')}</span>
        <span className="spring" />
        <Button size="small" href={csvHref(billAsCsv(list))} download="costs.csv">
          {t('bench.csv')}
        </Button>
      </div>
      <p className="quiet">
        {costs.assumed > 0 && `${t('bench.assumedPrices', { count: costs.assumed })} `}
        {costs.without.length > 0 && t('bench.withoutPrice', { list: costs.without.join(', ') })}
      </p>
      <table className="figures">
        <thead>
          <tr>
            <th>{t('bench.what')}</th>
            <th>{t('bench.quantity')}</th>
            <th>{t('bench.each')}</th>
            <th>{t('bench.sum')}</th>
          </tr>
        </thead>
        {GROUPS.map((group) => {
          const lines = costs.lines.filter((l) => l.group === group);
          if (lines.length === 0) return null;
          return (
            <tbody key={group}>
              <tr className="bill-group">
                <th colSpan={3}>{GROUP_WORDS[group]}</th>
                <th>
                  {money(
                    lines.reduce((sum, l) => sum + (l.total ?? 0), 0),
                    '',
                  )}
                </th>
              </tr>
              {lines.map((l) => (
                <tr key={l.component + l.label}>
                  <td>
                    {l.label} <small className="quiet">{l.offer !== l.label && l.offer}</small>
                  </td>
                  <td>
                    {l.quantity} {l.unit === 'm' ? 'm' : ''}
                  </td>
                  <td className={l.assumed ? 'is-assumed' : ''}>
                    {l.assumed && '~'}
                    {l.each ?? '–'}
                  </td>
                  <td>{l.total === null ? '–' : money(l.total, '')}</td>
                </tr>
              ))}
            </tbody>
          );
        })}
        <tbody>
          <tr className="bill-group">
            <th colSpan={3}>
              {t('bench.labour')}{' '}
              <small className="quiet">
                {t('bench.hoursOf', {
                  hours: costs.hours.toFixed(1),
                  fitting: costs.hoursOf.fitting.toFixed(1),
                  out: costs.hoursOf.takingOut.toFixed(1),
                  around: costs.hoursOf.around.toFixed(1),
                })}
              </small>
            </th>
            <th>{costs.labour === null ? t('bench.noHour') : money(costs.labour, '')}</th>
          </tr>
        </tbody>
      </table>
      {costs.tools.length > 0 && (
        <p className="quiet">
          {t('bench.tools', {
            list: costs.tools.map((x) => `${x.name}${x.price === null ? '' : ` ${x.price}`}`).join(', '),
          })}
        </p>
      )}
    </section>
  );
}

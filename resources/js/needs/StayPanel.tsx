import type { Stay, StayRun } from '../api/client';
import { Button } from 'antd';
import { useState } from 'react';
import { csv, csvHref } from '../ui/csv';
import { t } from '../words/t';
import { BankChart, PowerChart } from './BankChart';
import { clock } from './loads';

const WEATHER = ['sun', 'fair', 'grey'] as const;
type Weather = (typeof WEATHER)[number];
const SKY: Record<Weather, string> = {
  sun: t('needs.sky_sun'),
  fair: t('needs.sky_fair'),
  grey: t('needs.sky_grey'),
};

interface Props {
  stay: Stay;
  beside: { title: string; run: StayRun } | null;
  weatherOf: (day: number) => string;
  mayChange: boolean;
  setWeather: (day: number, weather: Weather) => void;
  children: React.ReactNode;
}

/** The days as they go: charge, sky by day, what happens, and the same as table and file. */
export function StayPanel({ stay, beside, weatherOf, mayChange, setWeather, children }: Props) {
  const [table, showTable] = useState(false);
  const { run } = stay;
  return (
    <section className="sheet-panel">
      <div className="sheet-head">
        <h1>{t('needs.theBank', { count: run.days })}</h1>
        {children}
      </div>
      <p className={`stay-says ${run.endsBy || run.tooDeep ? 'is-no' : ''}`}>{run.words}</p>
      {beside && (
        <p className="quiet">
          ··· {beside.title}: {beside.run.words}
        </p>
      )}
      <BankChart run={run} beside={beside?.run ?? null} />
      <div className="weather">
        {Array.from({ length: run.days }, (_, d) => {
          const now = weatherOf(d + 1) as Weather;
          const next = WEATHER[(WEATHER.indexOf(now) + 1) % WEATHER.length]!;
          return (
            <button
              key={d}
              type="button"
              disabled={!mayChange}
              className={`is-${now}`}
              aria-label={t('needs.weatherOn', { day: d + 1, weather: SKY[now] })}
              onClick={() => setWeather(d + 1, next)}
            >
              {SKY[now]}
            </button>
          );
        })}
      </div>
      <PowerChart run={run} />
      {run.events.length > 0 && (
        <ul className="stay-events">
          {run.events.slice(0, 6).map((e) => (
            <li key={`${e.atH}${e.words}`} className="figures">
              {t('needs.event', { day: 1 + Math.floor(e.atH / 24), at: clock(e.atH % 24), words: e.words })}
            </li>
          ))}
        </ul>
      )}
      <p className="quiet">
        {run.keptWh.some((k) => k.wh >= 50) &&
          `${t('needs.keptBy', {
            list: run.keptWh
              .filter((k) => k.wh >= 50)
              .map((k) => `${k.label} ${(k.wh / 1000).toFixed(1)} kWh`)
              .join(', '),
          })}. `}
        {run.curtailedWh > 50 && `${t('needs.curtailed', { kwh: (run.curtailedWh / 1000).toFixed(1) })}. `}
        {stay.assumed.length > 0 && t('needs.taken', { list: stay.assumed.join(', ') })}
      </p>
      <Button size="small" onClick={() => showTable(!table)} aria-expanded={table}>
        {t('needs.table')}
      </Button>{' '}
      <Button size="small" href={csvOf(run)} download="days.csv">
        {t('needs.csv')}
      </Button>
      {table && <ByDay run={run} />}
    </section>
  );
}

const dayWh = (watts: number[], day: number) =>
  Math.round(watts.slice(day * 96, day * 96 + 96).reduce((sum, w) => sum + w, 0) / 4);

function ByDay({ run }: { run: StayRun }) {
  const others = ['engine', 'shore', 'generator'] as const;
  return (
    <table className="stay-table figures">
      <thead>
        <tr>
          <th>{t('needs.dayColumn')}</th>
          <th>{t('needs.usedColumn')}</th>
          <th>{t('needs.sunColumn')}</th>
          <th>{t('needs.otherColumn')}</th>
          <th>{t('needs.missedColumn')}</th>
          {run.batteries.map((b) => (
            <th key={b.id}>
              {b.label}, {t('needs.lowestColumn')}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {Array.from({ length: run.days }, (_, d) => (
          <tr key={d}>
            <td>{d + 1}</td>
            <td>{dayWh(run.useW, d)}</td>
            <td>{dayWh(run.inW.sun ?? [], d)}</td>
            <td>{others.reduce((sum, o) => sum + dayWh(run.inW[o] ?? [], d), 0)}</td>
            <td>{dayWh(run.missedW, d)}</td>
            {run.batteries.map((b) => (
              <td key={b.id}>{Math.round(Math.min(...b.share.slice(d * 96, d * 96 + 96)) * 100)} %</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The run by quarters of an hour, as a file. */
function csvOf(run: StayRun): string {
  const head = [...t('needs.csvHead').split(','), ...run.batteries.map((b) => `${b.label} %`)];
  const rows = run.useW.map((use, n) => [
    ((n + 1) / 4).toFixed(2),
    use,
    ...['sun', 'engine', 'shore', 'generator'].map((s) => run.inW[s]?.[n] ?? 0),
    run.curtailedW[n] ?? 0,
    run.missedW[n] ?? 0,
    ...run.batteries.map((b) => ((b.share[n] ?? 0) * 100).toFixed(2)),
  ]);
  return csvHref(csv([head, ...rows]));
}

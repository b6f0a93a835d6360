import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Select, Slider } from 'antd';
import { useState } from 'react';
import { api, unwrap, type Reference, type RulerRow } from '../api/client';
import { useUnits } from '../shell/units';
import { Schools } from '../needs/Asks';
import { Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import { Banks } from './Banks';
import { RatedParts } from './RatedParts';
import { at, short, TICKS } from './scale';
import './Rulers.css';

export interface Try {
  component: string;
  place: 'cable' | 'cord';
  size?: string;
  lengthM?: number;
}

interface Props {
  job: number;
  revision: number;
  view: string;
  reference: Reference | undefined;
  /** writes what was tried; null where nothing may be changed */
  use: ((what: Try) => void) | null;
  open: ((id: string) => void) | null;
}

/** The rulers of a view; with something tried, as they would be. */
function useRulers(job: number, revision: number, view: string, what: Try | null) {
  return useQuery({
    queryKey: ['rulers', job, revision, view, what],
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      unwrap(
        await api.POST('/jobs/{job}/rulers', {
          params: { path: { job } },
          body: { view, revision, ...what },
          signal,
        }),
      ),
  });
}

/**
 * One ruler a conductor, all to one scale: what it carries, its device, what the wire may carry, what a short delivers
 * and the device breaks. Out of order is seen before it is read.
 */
export function Rulers({ job, revision, view, reference, use, open }: Props) {
  const [chosen, choose] = useState<string | null>(null);
  const [tried, attempt] = useState<Try | null>(null);
  const [all, showAll] = useState(false);
  const { data } = useRulers(job, revision, view, tried);
  if (!data) return <Waiting what={t('size.sizes')} />;
  const { rows } = data;
  const shown = rows.filter((r) => all || r.trouble.length > 0 || r.id === chosen);
  const folded = rows.length - shown.length;
  const pick = (row: RulerRow) => {
    attempt(null);
    choose(row.id === chosen ? null : row.id);
  };
  return (
    <>
      <section className="rulers" aria-label={t('size.everyConductor')}>
        <div className="rulers-head">
          <h1>{t('size.everyConductor')}</h1>
          <span className="quiet">{t('size.worstFirst')}</span>
        </div>
        <div className="ruler ruler-ticks figures" aria-hidden="true">
          <span />
          <div className="ruler-track">
            {TICKS.map((a) => (
              <span key={a} style={{ left: `${at(a)}%` }}>
                {short(a)}
              </span>
            ))}
          </div>
          <span>{t('size.dropHead')}</span>
        </div>
        {shown.map((row) => (
          <Row
            key={row.id}
            row={row}
            chosen={row.id === chosen}
            pick={() => pick(row)}
            tried={tried}
            attempt={attempt}
            use={use}
            open={open}
            reference={reference}
          />
        ))}
        {shown.length === 0 && <p className="all-right">{t('size.allInOrder')}</p>}
        <div className="rulers-foot">
          {(folded > 0 || all) && (
            <Button type="link" onClick={() => showAll(!all)} aria-expanded={all}>
              {all ? t('size.foldThem') : t('size.moreInOrder', { count: folded })}
            </Button>
          )}
          <Legend />
        </div>
      </section>
      <RatedParts parts={data.parts} open={open} />
      <Banks banks={data.banks} />
      {data.options.length > 0 && <Schools schools={data.options} title={t('size.options')} />}
    </>
  );
}

function Row({
  row,
  chosen,
  pick,
  tried,
  attempt,
  use,
  open,
  reference,
}: {
  row: RulerRow;
  chosen: boolean;
  pick: () => void;
  tried: Try | null;
  attempt: (what: Try | null) => void;
  use: Props['use'];
  open: Props['open'];
  reference: Reference | undefined;
}) {
  const units = useUnits();
  const assumed = (name: string) => row.assumed.includes(name);
  const bad = row.trouble.length > 0;
  const danger = row.trouble.some((x) => x.kind === 'wire' || x.kind === 'short');
  const words = [
    `${row.label}.`,
    row.carriesA === null ? '' : t('size.carriesA', { amps: row.carriesA }),
    row.deviceA === null ? t('size.noDevice') : t('size.deviceA', { device: row.device, amps: row.deviceA }),
    row.ampacityA === null ? '' : t('size.wireA', { amps: row.ampacityA }),
  ].join(' ');
  const mine = tried?.component === row.component ? tried : null;
  const change = (to: Partial<Try>) => attempt({ component: row.component, place: row.place, ...mine, ...to });
  return (
    <div className={`ruler-row ${danger ? 'is-bad' : bad ? 'is-off' : ''} ${chosen ? 'is-chosen' : ''}`}>
      <button type="button" className="ruler" onClick={pick} aria-expanded={chosen} aria-label={words}>
        <span className="ruler-name">
          <b>{row.label}</b>
          <small className="figures">
            <span className={assumed('size') ? 'is-assumed' : ''}>
              {assumed('size') && '~'}
              {row.parallel > 1 && `${row.parallel} × `}
              {units.size(row.size)}
            </span>
            {' · '}
            <span className={assumed('lengthM') ? 'is-assumed' : ''}>
              {assumed('lengthM') && '~'}
              {units.length(row.lengthM)}
            </span>
          </small>
        </span>
        <Track row={row} />
        <Sag row={row} />
      </button>
      {bad && <p className="ruler-trouble">{row.trouble.map((x) => x.words).join('; ')}</p>}
      {chosen && (
        <div className="ruler-open">
          <div className="ruler-try">
            <label>
              {t('size.oneWay')}: <b className="figures">{units.length(row.lengthM)}</b>
              <Slider
                min={0.05}
                max={Math.max(10, row.lengthM * 2)}
                step={0.05}
                value={row.lengthM}
                tooltip={{ formatter: null }}
                ariaLabelForHandle={t('size.oneWay')}
                disabled={!use}
                onChange={(lengthM) => change({ lengthM })}
              />
            </label>
            <Select
              aria-label={t('size.size')}
              value={row.size}
              disabled={!use}
              onChange={(size) => change({ size })}
              options={reference?.conductors.map((c) => ({ value: c.designation, label: units.size(c.designation) }))}
            />
            {mine && use && (
              <span>
                <Button type="primary" size="small" onClick={() => use(mine)}>
                  {t('size.useThis')}
                </Button>{' '}
                <Button size="small" onClick={() => attempt(null)}>
                  {t('size.asItWas')}
                </Button>
              </span>
            )}
            {open && (
              <Button size="small" onClick={() => open(row.component)}>
                {t('size.openPart')}
              </Button>
            )}
          </div>
          <dl className="ruler-why figures">
            <dt>{t('size.carries')}</dt>
            <dd>{row.carriesA === null ? t('size.nothingSaid') : `${row.carriesA} A: ${row.carriesWhy}`}</dd>
            <dt>{t('size.device')}</dt>
            <dd>{row.deviceA === null ? t('size.noDevice') : `${row.deviceA} A: ${row.device}`}</dd>
            <dt>{t('size.wire')}</dt>
            <dd>
              {row.ampacityA === null ? '–' : `${row.ampacityA} A`}, {row.school}
              {row.limitA !== null && row.limitA !== row.ampacityA && `; ${t('size.upTo', { amps: row.limitA })}`}
              {row.tap && row.deviceA !== null && row.deviceA > (row.limitA ?? 0) && `; ${t('size.shortTap')}`}
            </dd>
            {row.shortA !== null && (
              <>
                <dt>{t('size.short')}</dt>
                <dd className={row.shortAssumed ? 'is-assumed' : ''}>
                  {row.shortAssumed && '~'}
                  {short(row.shortA)}: {row.shortWhy}
                  {row.breaksA !== null && `; ${t('size.breaks', { amps: short(row.breaksA) })}`}
                  {row.backedUp && `; ${t('size.backedUp')}`}
                </dd>
              </>
            )}
            <dt>{t('size.drop')}</dt>
            <dd>{row.dropWhy}</dd>
            {row.cost !== null && (
              <>
                <dt>{t('size.price')}</dt>
                <dd className="is-assumed">{t('size.priceOf', { price: row.cost.toFixed(2) })}</dd>
              </>
            )}
          </dl>
        </div>
      )}
    </div>
  );
}

function Track({ row }: { row: RulerRow }) {
  const kinds = new Set(row.trouble.map((x) => x.kind));
  return (
    <span className={`ruler-track ${row.kind === 'alternating' ? 'is-ac' : 'is-dc'}`} aria-hidden="true">
      {row.carriesA !== null && <span className="mark-load" style={{ width: `${at(row.carriesA)}%` }} />}
      {row.ampacityA !== null && (
        <span
          className={`mark-wire ${kinds.has('load') ? 'is-over' : ''}`}
          style={{ width: `${at(row.ampacityA)}%` }}
        />
      )}
      {row.shortA !== null && row.ampacityA !== null && row.shortA > row.ampacityA && (
        <span
          className="mark-short"
          style={{ left: `${at(row.ampacityA)}%`, width: `${at(row.shortA) - at(row.ampacityA)}%` }}
        />
      )}
      {row.deviceA !== null && (
        <span
          className={`mark-device ${kinds.has('wire') || kinds.has('device') ? 'is-over' : ''}`}
          style={{ left: `${at(row.deviceA)}%` }}
        />
      )}
      {row.breaksA !== null && (
        <span
          className={`mark-breaks ${kinds.has('short') ? 'is-over' : ''}`}
          style={{ left: `${at(row.breaksA)}%` }}
        />
      )}
    </span>
  );
}

/** The drop as a line that sags: to the dashes is what is usual. */
function Sag({ row }: { row: RulerRow }) {
  const share = Math.min(1.4, row.dropV / Math.max(1e-9, row.dropLimitV));
  const over = row.dropV > row.dropLimitV;
  return (
    <span className="ruler-sag" title={row.dropWhy}>
      <svg viewBox="0 0 100 34" preserveAspectRatio="none" aria-hidden="true">
        <line x1="0" y1="26" x2="100" y2="26" className="sag-limit" />
        <path d={`M0 4 Q50 ${4 + share * 44} 100 4`} className={over ? 'sag is-over' : 'sag'} />
      </svg>
      <small className="figures">
        {t('size.dropOf', { v: row.dropV.toFixed(2), limit: row.dropLimitV.toFixed(2) })}
      </small>
    </span>
  );
}

function Legend() {
  return (
    <ul className="ruler-legend">
      <li>
        <i className="mark-load" />
        {t('size.legendCarries')}
      </li>
      <li>
        <i className="mark-device" />
        {t('size.legendDevice')}
      </li>
      <li>
        <i className="mark-wire" />
        {t('size.legendWire')}
      </li>
      <li>
        <i className="mark-short" />
        {t('size.legendShort')}
      </li>
      <li>
        <i className="mark-breaks" />
        {t('size.legendBreaks')}
      </li>
    </ul>
  );
}

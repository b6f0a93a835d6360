import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, unwrap, type TakeOff } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery } from '../job/useDesign';
import { ViewSwitch } from '../job/ViewSwitch';
import { useMe } from '../shell/Session';
import { useUnits } from '../shell/units';
import { Cautions } from '../ui/Cautions';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import { csvHref } from '../ui/csv';
import { Bill } from './Bill';
import { Choices } from './Choices';
import { asCsv, KINDS, money } from './list';
import { Terminals } from './Terminals';
import { WishForm } from './WishForm';
import '../ui/Panel.css';
import './PartsPlace.css';

/** Lengths that cable is bought in, m. */
const STOCK = [3.048, 7.62, 10, 15.24, 30.48];

/** The bench: what a plan takes, laid out; cable cut from stock, what is missing as an empty outline. */
export default function PartsPlace({ hold, viewId, setViewId }: PlaceProps) {
  const units = useUnits();
  const me = useMe();
  const reference = useQuery(referenceQuery).data;
  const [wishing, openWishes] = useState(false);
  const mayChange = me !== null && !hold.saving;
  const set = (path: string, value: unknown) => hold.edit({ kind: 'set_need', path, value } as never);
  const [stockM, buy] = useState(7.62);
  const job = hold.design.id;
  const plan = hold.view(viewId)?.plan ?? null;
  const list = useQuery({
    queryKey: ['parts', job, hold.design.revision, viewId, stockM],
    enabled: plan !== null,
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      unwrap(
        await api.GET('/jobs/{job}/parts', { params: { path: { job }, query: { view: viewId, stockM } }, signal }),
      ),
  });
  return (
    <main className="page wide">
      <div className="plan-tools">
        <ViewSwitch hold={hold} viewId={viewId} setViewId={setViewId} />
        <span className="spring" />
        <label className="picker">
          {t('bench.cutFrom')}
          <select value={stockM} onChange={(e) => buy(Number(e.target.value))}>
            {STOCK.map((m) => (
              <option key={m} value={m}>
                {units.length(m)}
              </option>
            ))}
          </select>
        </label>
        {list.data && (
          <Button href={csvHref(asCsv(list.data))} download="parts.csv">
            {t('bench.csv')}
          </Button>
        )}
        {list.data && <Button onClick={() => window.print()}>{t('bench.print')}</Button>}
      </div>
      {plan === null && <p className="empty">{t('bench.choose')}</p>}
      {list.error && <Failed error={list.error} again={() => void list.refetch()} />}
      {plan !== null && !list.data && !list.error && <Waiting what={t('bench.list')} />}
      {plan !== null && list.data && (
        <>
          <Bench list={list.data} />
          <Terminals terminals={list.data.terminals} />
          <Choices
            choices={list.data.choices}
            take={mayChange ? (component, code) => void set(`/chosen/${component}`, code) : null}
            wish={() => openWishes(true)}
          />
          <Bill list={list.data} />
        </>
      )}
      {wishing && reference && (
        <WishForm
          wishes={(hold.design.document.needs.unit ?? {}) as Record<string, unknown>}
          reference={reference}
          mayChange={mayChange}
          save={(to) => void set('/unit', to).then((done) => done && openWishes(false))}
          close={() => openWishes(false)}
        />
      )}
      <Cautions />
    </main>
  );
}

function Bench({ list }: { list: TakeOff }) {
  return (
    <>
      <section className="bench">
        <div className="sheet-head">
          <h1>{t('bench.takes')}</h1>
          <span className="spring" />
          <b className="figures">
            {list.costs.assumed > 0 && '~'}
            {t('bench.inShort', {
              money: money(list.costs.total ?? list.costs.material, list.currency),
              hours: list.costs.hours.toFixed(0),
            })}
          </b>
        </div>
        <p className="quiet">{t('bench.slack')}</p>
        {list.cables.map((c) => (
          <Cable key={`${c.kind}${c.size}`} cable={c} stockM={list.stockM} />
        ))}
      </section>
      <div className="bench-cols">
        <section className="bench">
          <h2>{t('bench.parts')}</h2>
          <ul className="laid">
            {list.parts.map((p) => (
              <li key={p.label}>
                <b>{p.label}</b> <span className="figures quiet">{p.words}</span>
              </li>
            ))}
          </ul>
        </section>
        <section className="bench">
          <h2>{t('bench.fuses')}</h2>
          <ul className="laid">
            {list.fuses.map((f) => (
              <li key={f.label}>
                <b className="figures">
                  {f.count} × {f.label}
                </b>{' '}
                <span className="quiet">
                  {f.spares > 0 && `${t('bench.spare', { count: f.spares })}; `}
                  {f.of.join(', ')}
                </span>
              </li>
            ))}
          </ul>
          <h2>{t('bench.lugs')}</h2>
          <ul className="laid">
            {list.lugs.map((l) => (
              <li key={l.kind + l.size + l.stud} className="figures">
                <i className={`sleeve is-${l.kind}`} />
                {t('bench.lugsOf', { count: l.count, size: l.spoken, kind: KINDS[l.kind] })}{' '}
                <span className="quiet">{l.studWords}</span>
              </li>
            ))}
          </ul>
          <p className="quiet figures">
            {[
              ...list.small.map((s) => `${s.count} ${s.label.toLowerCase()}`),
              t('bench.labels', { count: list.labels.length }),
            ].join(', ')}
          </p>
        </section>
        <section className="bench">
          <h2>{t('bench.missing')}</h2>
          <ul className="laid wanting">
            {list.missing.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </ul>
          {list.missing.length === 0 && <p className="quiet">{t('bench.nothingMissing')}</p>}
          <h2>{t('bench.out')}</h2>
          <ul className="laid">
            {list.out.map((o, n) => (
              <li key={`${o}${n}`}>{o}</li>
            ))}
          </ul>
          {list.out.length === 0 && <p className="quiet">{t('bench.nothingOut')}</p>}
        </section>
      </div>
    </>
  );
}

/** One size: its pieces of stock as bars, the cuts where the shears go, what is left hatched. */
function Cable({ cable, stockM }: { cable: TakeOff['cables'][number]; stockM: number }) {
  const units = useUnits();
  const runs = new Map(cable.runs.map((r) => [r.label, r]));
  return (
    <div className={`stock is-${cable.kind}`}>
      <div className="stock-name">
        <b className="figures">{units.size(cable.size)}</b>
        <span>{KINDS[cable.kind]}</span>
        <small className="quiet figures">
          {t('bench.ofRuns', { count: cable.runs.length })}, {units.length(cable.totalM)}
        </small>
      </div>
      <div>
        {cable.pieces.map((piece, n) => (
          <div key={n} className="stock-bar">
            {piece.map((cut) => (
              <span
                key={cut.label}
                className={`cut ${runs.get(cut.label)?.assumed ? 'cut-assumed' : ''}`}
                style={{ width: `${(cut.cutM / stockM) * 100}%` }}
                title={`${cut.label}, ${cut.cutM.toFixed(2)} m`}
              >
                <span className="figures">{units.length(cut.cutM)}</span> {cut.label}
              </span>
            ))}
          </div>
        ))}
        <small className="figures cuts">
          {cable.pieces.flat().map((cut) => (
            <span key={cut.label}>
              {units.length(cut.cutM)} {cut.label}
            </span>
          ))}
        </small>
        <small className="quiet figures">
          {t('bench.pieces', { count: cable.pieces.length })}:{' '}
          {cable.proved ? t('bench.fewest') : t('bench.maybe', { count: cable.atLeast })};{' '}
          {t('bench.waste', { waste: units.length(cable.wasteM) })}.{' '}
          {cable.tooLong.length > 0 && (
            <b className="too-long">{t('bench.tooLong', { list: cable.tooLong.join(', ') })}</b>
          )}
        </small>
      </div>
    </div>
  );
}

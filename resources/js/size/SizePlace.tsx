import { useQuery } from '@tanstack/react-query';
import { Table, Tag } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Answer, Component, Size } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery } from '../job/useDesign';
import { ViewSwitch } from '../job/ViewSwitch';
import { PartDrawer } from '../parts/PartDrawer';
import { plannedParts } from '../parts/planned';
import { plainValue } from '../parts/values';
import { useMe } from '../shell/Session';
import { useUnits } from '../shell/units';
import { FigureLine } from '../ui/Arithmetic';
import { Cautions } from '../ui/Cautions';
import { Waiting } from '../ui/Waiting';
import { Severity } from '../ui/Severity';
import { t } from '../words/t';
import { Rulers } from './Rulers';
import './SizePlace.css';

/** Sizes of the battery-inverter circuit: currents, cable, fuse, each with what governs it; every part opens. */
export default function SizePlace({ hold, viewId, setViewId }: PlaceProps) {
  const me = useMe();
  const [opened, setOpened] = useState<string | null>(null);
  const reference = useQuery(referenceQuery).data;
  const answer = hold.answer(viewId);
  const plan = hold.view(viewId)?.plan ?? null;
  const school = hold.design.document.needs.ampacity ?? 'marine';
  const parts = useMemo(() => plannedParts(hold.design.document, plan), [hold.design.document, plan]);
  const mayChange = plan !== null && me?.role !== 'apprentice';
  const open = plan === null || mayChange ? setOpened : null;
  const use = mayChange
    ? (component: string, places: { path: string; value: unknown }[]) => {
        const [first, ...more] = places;
        void hold.edit({ kind: 'plan_set', plan, component, ...first, more } as never);
      }
    : null;
  return (
    <main className="page wide">
      <div className="plan-tools">
        <ViewSwitch hold={hold} viewId={viewId} setViewId={setViewId} />
        <span className="spring" />
        <label className="picker">
          {t('size.ampacityBy')}
          <select
            value={school}
            onChange={(e) => void hold.edit({ kind: 'set_need', path: '/ampacity', value: e.target.value } as never)}
          >
            <option value="marine">{t('size.marineTables105C')}</option>
            <option value="building">{t('size.buildingWireTables75C')}</option>
          </select>
        </label>
      </div>
      {!answer && <Waiting what={t('size.sizes')} />}
      <Rulers
        job={hold.design.id}
        revision={hold.design.revision}
        view={viewId}
        reference={reference}
        open={open}
        use={
          plan === null || mayChange
            ? ({ component, place, size, lengthM }) => {
                const places = [
                  ...(size === undefined ? [] : [{ path: `/${place}/size`, value: { value: size, basis: 'told' } }]),
                  ...(lengthM === undefined
                    ? []
                    : [{ path: `/${place}/lengthM`, value: { value: lengthM, basis: 'told' } }]),
                ];
                const [first, ...more] = places;
                const intent = plan === null ? { kind: 'survey_set' } : { kind: 'plan_set', plan };
                if (first) void hold.edit({ ...intent, component, ...first, more } as never);
              }
            : null
        }
      />
      {answer?.sizes.length === 0 && <p className="empty">{t('size.nothingToSizeYetThis')}</p>}
      {answer?.sizes.map((size) => (
        <Circuit
          key={size.inverter + size.bank}
          size={size}
          labels={answer.labels}
          parts={parts}
          open={open}
          use={use}
        />
      ))}
      {answer && <Runs answer={answer} open={open} />}
      <Cautions />
      {opened && <PartDrawer hold={hold} plan={plan} id={opened} close={() => setOpened(null)} />}
    </main>
  );
}

type Open = ((id: string) => void) | null;
type Use = ((component: string, places: { path: string; value: unknown }[]) => void) | null;

/** A part of the way, to be opened; plain words where nothing may be opened. */
function Opens({ id, label, open, children }: { id: string; label: string; open: Open; children?: ReactNode }) {
  return open ? (
    <button type="button" className="opens" onClick={() => open(id)} aria-label={t('size.open', { label })}>
      {children ?? label}
    </button>
  ) : (
    <span>{children ?? label}</span>
  );
}

function Circuit({
  size,
  labels,
  parts,
  open,
  use,
}: {
  size: Size;
  labels: Record<string, string>;
  parts: Record<string, Component>;
  open: Open;
  use: Use;
}) {
  const fitted = size.fitted;
  const units = useUnits();
  const cableOf = (id: string) => parts[id]?.cable as { size?: unknown; lengthM?: unknown } | undefined;
  return (
    <section className="sizing">
      <h1>{t('size.to', { bank: labels[size.bank], inverter: labels[size.inverter] })}</h1>
      <ol className="way" aria-label={t('size.theWayFromTheBattery')}>
        {size.way.map((id) => {
          const length = plainValue(cableOf(id)?.lengthM);
          const gauge = plainValue(cableOf(id)?.size);
          const rating = plainValue((parts[id] as { ratingA?: unknown } | undefined)?.ratingA);
          return (
            <li key={id}>
              <Opens id={id} label={labels[id] ?? id} open={open} />
              <small className="figures">
                {gauge.value !== undefined && `${units.size(String(gauge.value))}, `}
                {length.value !== undefined && (
                  <span className={length.assumed ? 'is-assumed' : ''}>
                    {length.assumed && '~'}
                    {units.length(Number(length.value))}
                  </span>
                )}
                {rating.value !== undefined && `${String(rating.value)} A`}
              </small>
            </li>
          );
        })}
      </ol>
      <div className="sizing-grid">
        <div>
          <h2>{t('size.directCurrent')}</h2>
          {size.figures.map((f) => (
            <FigureLine key={f.label} figure={f} />
          ))}
          {size.bank_limit && <FigureLine figure={size.bank_limit} />}
        </div>
        <div>
          <h2>
            {t('size.cableRoundTrip')}{' '}
            <span className={size.roundTripAssumed ? 'is-assumed' : ''}>
              {size.roundTripAssumed && '~'}
              {units.length(size.roundTripM)}
            </span>
          </h2>
          <p className="quiet">{t('size.theOtherSchoolMayAnswer', { school: size.school })}</p>
          <ul className="choicelist">
            {size.choices.map((c) => (
              <li key={c.parallel} className={c.possible ? '' : 'not'}>
                {c.possible ? (
                  <>
                    <b className="figures big">{c.spoken}</b>{' '}
                    <span className="quiet">{t('size.mmOfCopper', { areaMm2: c.areaMm2 })}</span>
                    <p>
                      <Tag>{t('size.governs', { governs: c.governs })}</Tag> <code>{c.arithmetic}</code>
                    </p>
                    {use && c.size && c.size !== fitted.size && c.parallel === 1 && (
                      <button
                        type="button"
                        className="linkish"
                        onClick={() => {
                          for (const id of size.way)
                            if (cableOf(id))
                              use(id, [{ path: '/cable/size', value: { value: c.size, basis: 'told' } }]);
                        }}
                      >
                        {t('size.useTheWholeWay', { spoken: c.spoken })}
                      </button>
                    )}
                    <Drop volts={c.dropV ?? 0} share={c.dropShare ?? 0} />
                    <p className="quiet">{c.source}</p>
                  </>
                ) : (
                  <p>
                    {c.parallel === 1 ? t('size.aSingleConductor') : t('size.twoInParallel')}: {c.why}.
                  </p>
                )}
              </li>
            ))}
          </ul>
          {fitted.spoken && (
            <p className="fitted">
              {t('size.inThisPlan')} <b>{fitted.spoken}</b>
              {t('size.aVOfVDrop', { ampacityA: fitted.ampacityA, dropV: fitted.dropV, dropLimitV: fitted.dropLimitV })}
            </p>
          )}
        </div>
        <div>
          <h2>{t('size.fuseAtLeastA', { neededA: Math.ceil(size.fuse.neededA) })}</h2>
          {size.fuse.short && <FigureLine figure={size.fuse.short} />}
          <Table
            size="small"
            pagination={false}
            rowKey="family"
            dataSource={size.fuse.families}
            columns={[
              { title: t('size.family'), dataIndex: 'label' },
              {
                title: t('size.rating'),
                dataIndex: 'ratingA',
                align: 'right',
                render: (a: number | null) => (a ? `${a} A` : '–'),
              },
              {
                title: t('size.suits'),
                dataIndex: 'suits',
                render: (suits: boolean, f) =>
                  suits ? <b className="yes">{t('size.suits2')}</b> : <span>{t('size.no', { why: f.why })}</span>,
              },
              {
                title: '',
                key: 'use',
                render: (_, f) =>
                  use &&
                  f.suits &&
                  f.ratingA &&
                  !(size.fuse.ratingA === f.ratingA && size.fuse.fittedFamily === f.family) ? (
                    <button
                      type="button"
                      className="linkish"
                      onClick={() =>
                        size.fuse.fitted &&
                        use(size.fuse.fitted, [
                          { path: '/ratingA', value: { value: f.ratingA, basis: 'told' } },
                          { path: '/family', value: f.family },
                        ])
                      }
                    >
                      {t('size.useA', { ratingA: f.ratingA })}
                    </button>
                  ) : null,
              },
            ]}
          />
          {size.fuse.interim && <p className="interim">{size.fuse.interim}</p>}
          <p className="quiet">{size.fuse.source}</p>
        </div>
      </div>
    </section>
  );
}

/** Drop along the run, against the 3 % that is allowed. */
function Drop({ volts, share }: { volts: number; share: number }) {
  const limit = 0.03;
  return (
    <svg
      viewBox="0 0 220 26"
      className="drop"
      role="img"
      aria-label={t('size.vDropPercentOf3', { volts, share: (share * 100).toFixed(1) })}
    >
      <rect x="0" y="4" width="220" height="8" className="drop-track" />
      <rect x="0" y="4" width={Math.min(220, (share / limit) * 200)} height="8" className="drop-fill" />
      <line x1="200" x2="200" y1="0" y2="16" className="drop-limit" />
      <text x="0" y="25" className="drop-note">
        {volts.toFixed(2)} V, {(share * 100).toFixed(1)} %
      </text>
      <text x="200" y="25" textAnchor="middle" className="drop-note">
        3 %
      </text>
    </svg>
  );
}

/** Every 120 V cable against what can arrive in it, and what it drops; then the splice boxes. */
function Runs({ answer, open }: { answer: Answer; open: Open }) {
  const units = useUnits();
  return (
    <section className="runs">
      <h2>{t('size.n120VCables')}</h2>
      <p className="quiet">{t('size.whatCanArriveBeforeA')}</p>
      <div className="table-scroll" tabIndex={0} role="region" aria-label={t('size.n120VCablesScrollable')}>
        <table className="survey-table">
          <thead>
            <tr>
              <th scope="col">{t('size.cable')}</th>
              <th scope="col">{t('size.size')}</th>
              <th scope="col">{t('size.length')}</th>
              <th scope="col">{t('size.canArrive')}</th>
              <th scope="col">{t('size.mayBeBehind')}</th>
              <th scope="col">{t('size.carries')}</th>
              <th scope="col">{t('size.drop')}</th>
              <th scope="col">{t('size.wouldDo')}</th>
            </tr>
          </thead>
          <tbody>
            {answer.runs.map((r) => (
              <tr key={r.component} className={r.holds ? '' : 'run-over'}>
                <td>
                  <b>
                    <Opens id={r.component} label={r.label} open={open} />
                  </b>
                </td>
                <td className="figures">{units.size(r.size)}</td>
                <td className="figures">{units.length(r.lengthM)}</td>
                <td className="figures">{r.arrivingA === null ? '–' : `${r.arrivingA} A`}</td>
                <td className="figures" title={r.source}>
                  {r.limitA === null ? '–' : `${r.limitA} A`} {!r.holds && <Severity severity="danger" />}
                </td>
                <td className="figures" title={r.scenario ? `${r.scenario}, ${r.state}` : undefined}>
                  {r.carriedA > 0 ? `${r.carriedA.toFixed(1)} A` : '–'}
                </td>
                <td className={`figures ${r.dropV > r.dropLimitV ? 'run-drop' : ''}`} title={r.arithmetic}>
                  {r.carriedA > 0 ? `${r.dropV.toFixed(1)} V` : '–'}
                </td>
                <td className="figures">
                  {r.suits === null || r.suits === r.size ? (
                    <span className="quiet">{t('size.asItIs')}</span>
                  ) : (
                    units.size(r.suits)
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {answer.boxes.length > 0 && (
        <>
          <h2>{t('size.spliceBoxes')}</h2>
          <ul className="boxes">
            {answer.boxes.map((b) => (
              <li key={b.component} className={b.needsCm3 > b.hasCm3 ? 'run-over' : ''}>
                <b>
                  <Opens id={b.component} label={b.label} open={open} />
                </b>{' '}
                <span className="figures">
                  {t('size.needsCmHasCm', { needsCm3: b.needsCm3.toFixed(0), hasCm3: b.hasCm3.toFixed(0) })}
                </span>
                <small className="quiet">
                  {b.arithmetic}. {b.source}
                </small>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

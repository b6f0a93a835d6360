import { Table, Tag } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Answer, Component, Size } from '../api/client';
import type { PlaceProps } from '../job/place';
import { ViewSwitch } from '../job/ViewSwitch';
import { PartDrawer } from '../parts/PartDrawer';
import { plannedParts } from '../parts/planned';
import { plainValue } from '../parts/values';
import { useMe } from '../shell/Session';
import { useUnits } from '../shell/units';
import { FigureLine } from '../ui/Arithmetic';
import { Cautions } from '../ui/Cautions';
import { Waiting } from '../ui/Waiting';
import './SizePlace.css';

/** Sizes of the battery-inverter circuit: currents, cable, fuse, each with what governs it; every part opens. */
export default function SizePlace({ hold, viewId, setViewId }: PlaceProps) {
  const me = useMe();
  const [opened, setOpened] = useState<string | null>(null);
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
          ampacity by
          <select
            value={school}
            onChange={(e) => void hold.edit({ kind: 'set_need', path: '/ampacity', value: e.target.value } as never)}
          >
            <option value="marine">marine tables, 105 °C</option>
            <option value="building">building-wire tables, 75 °C</option>
          </select>
        </label>
      </div>
      {!answer && <Waiting what="sizes" />}
      {answer?.sizes.length === 0 && (
        <p className="empty">
          Nothing to size yet: this rig has no inverter wired to a bank. Choose an arrangement in Plan.
        </p>
      )}
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
    <button type="button" className="opens" onClick={() => open(id)} aria-label={`Open ${label}`}>
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
      <h1>
        {labels[size.bank]} to {labels[size.inverter]}
      </h1>
      <ol className="way" aria-label="The way from the battery to the unit and back">
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
          <h2>Direct current</h2>
          {size.figures.map((f) => (
            <FigureLine key={f.label} figure={f} />
          ))}
          {size.bank_limit && <FigureLine figure={size.bank_limit} />}
        </div>
        <div>
          <h2>
            Cable, round trip{' '}
            <span className={size.roundTripAssumed ? 'is-assumed' : ''}>
              {size.roundTripAssumed && '~'}
              {units.length(size.roundTripM)}
            </span>
          </h2>
          <p className="quiet">{size.school}: the other school may answer otherwise. Say which governs.</p>
          <ul className="choicelist">
            {size.choices.map((c) => (
              <li key={c.parallel} className={c.possible ? '' : 'not'}>
                {c.possible ? (
                  <>
                    <b className="figures big">{c.spoken}</b> <span className="quiet">{c.areaMm2} mm² of copper</span>
                    <p>
                      <Tag>{c.governs} governs</Tag> <code>{c.arithmetic}</code>
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
                        use {c.spoken} the whole way
                      </button>
                    )}
                    <Drop volts={c.dropV ?? 0} share={c.dropShare ?? 0} />
                    <p className="quiet">{c.source}</p>
                  </>
                ) : (
                  <p>
                    {c.parallel === 1 ? 'A single conductor' : 'Two in parallel'}: {c.why}.
                  </p>
                )}
              </li>
            ))}
          </ul>
          {fitted.spoken && (
            <p className="fitted">
              In this plan: <b>{fitted.spoken}</b>, {fitted.ampacityA} A, {fitted.dropV} V of {fitted.dropLimitV} V drop
              at the continuous current.
            </p>
          )}
        </div>
        <div>
          <h2>Fuse, at least {Math.ceil(size.fuse.neededA)} A</h2>
          {size.fuse.short && <FigureLine figure={size.fuse.short} />}
          <Table
            size="small"
            pagination={false}
            rowKey="family"
            dataSource={size.fuse.families}
            columns={[
              { title: 'Family', dataIndex: 'label' },
              {
                title: 'Rating',
                dataIndex: 'ratingA',
                align: 'right',
                render: (a: number | null) => (a ? `${a} A` : '–'),
              },
              {
                title: 'Suits',
                dataIndex: 'suits',
                render: (suits: boolean, f) => (suits ? <b className="yes">suits</b> : <span>no: {f.why}</span>),
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
                      use {f.ratingA} A
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
      aria-label={`${volts} V drop, ${(share * 100).toFixed(1)} percent of 3`}
    >
      <rect x="0" y="4" width="220" height="8" className="drop-track" />
      <rect x="0" y="4" width={Math.min(220, (share / limit) * 200)} height="8" className="drop-fill" />
      <line x1="200" x2="200" y1="0" y2="16" className="drop-limit" />
      <text x="0" y="25" className="note">
        {volts.toFixed(2)} V, {(share * 100).toFixed(1)} %
      </text>
      <text x="200" y="25" textAnchor="middle" className="note">
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
      <h2>120 V cables</h2>
      <p className="quiet">
        What can arrive before a device opens: the breaker ahead; behind an inverter/charger that assists, its input
        limit and its own output together. Drop at the largest load scenario, out and back, 75 °C.
      </p>
      <div className="table-scroll" tabIndex={0} role="region" aria-label="120 V cables, scrollable">
        <table className="survey-table">
          <thead>
            <tr>
              <th scope="col">Cable</th>
              <th scope="col">Size</th>
              <th scope="col">Length</th>
              <th scope="col">Can arrive</th>
              <th scope="col">May be behind</th>
              <th scope="col">Carries</th>
              <th scope="col">Drop</th>
              <th scope="col">Would do</th>
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
                  {r.limitA === null ? '–' : `${r.limitA} A`} {!r.holds && <span className="sev sev-danger">!</span>}
                </td>
                <td className="figures" title={r.scenario ? `${r.scenario}, ${r.state}` : undefined}>
                  {r.carriedA > 0 ? `${r.carriedA.toFixed(1)} A` : '–'}
                </td>
                <td className={`figures ${r.dropV > r.dropLimitV ? 'run-drop' : ''}`} title={r.arithmetic}>
                  {r.carriedA > 0 ? `${r.dropV.toFixed(1)} V` : '–'}
                </td>
                <td className="figures">
                  {r.suits === null || r.suits === r.size ? (
                    <span className="quiet">as it is</span>
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
          <h2>Splice boxes</h2>
          <ul className="boxes">
            {answer.boxes.map((b) => (
              <li key={b.component} className={b.needsCm3 > b.hasCm3 ? 'run-over' : ''}>
                <b>
                  <Opens id={b.component} label={b.label} open={open} />
                </b>{' '}
                <span className="figures">
                  needs {b.needsCm3.toFixed(0)} cm³, has {b.hasCm3.toFixed(0)} cm³
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

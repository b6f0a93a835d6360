import type { Rulers } from '../api/client';
import { t } from '../words/t';

type Bank = Rulers['banks'][number];
type Battery = Bank['batteries'][number];

/** Batteries side by side, each as a box that fills with what it gives at full output. */
export function Banks({ banks }: { banks: Rulers['banks'] }) {
  if (banks.length === 0) return null;
  return (
    <section className="rulers" aria-label={t('size.sideBySide')}>
      <div className="rulers-head">
        <h1>{t('size.sideBySide')}</h1>
        <span className="quiet">{t('size.sideBySideNote')}</span>
      </div>
      {banks.map((bank) => (
        <div key={bank.unit} className="banks">
          {bank.batteries.length > 1 && (
            <Row
              title={t('size.atFullOutput', { label: bank.label, amps: bank.amps })}
              units={bank.batteries.map((b) => ({
                name: b.label,
                amps: b.amps,
                equal: b.equalA,
                limit: b.limitA,
                assumed: b.assumed,
              }))}
            />
          )}
          {bank.batteries
            .filter((b) => b.units > 1)
            .map((b) => (
              <Units key={b.id} battery={b} unit={bank.label} />
            ))}
        </div>
      ))}
    </section>
  );
}

/** The batteries of one bank by how it is taken off. */
function Units({ battery, unit }: { battery: Battery; unit: string }) {
  const boxes = (amps: number[]) =>
    amps.map((a, n) => ({
      name: String(n + 1),
      amps: a,
      equal: battery.amps / battery.units,
      limit: battery.unitLimitA,
      assumed: battery.assumed,
    }));
  const said = (way: string) => (battery.takenOff === way ? `${t('size.soItIs')} ` : '');
  return (
    <>
      <Row
        title={said('across') + t('size.takenAcross', { label: battery.label, unit })}
        units={boxes(battery.across)}
        links="across"
      />
      <Row
        title={said('one_end') + t('size.takenAtOneEnd', { label: battery.label })}
        units={boxes(battery.oneEnd)}
        links="end"
      />
    </>
  );
}

interface Box {
  name: string;
  amps: number;
  equal: number;
  limit: number | null;
  assumed: boolean;
}

const PLUS = '+';
const MINUS = '−';
const WIDE = 92;
const HIGH = 64;

function Row({ title, units, links }: { title: string; units: Box[]; links?: 'across' | 'end' }) {
  const most = Math.max(...units.map((u) => Math.max(u.amps, u.limit ?? 0, u.equal)), 1);
  const least = Math.min(...units.map((u) => u.amps / u.equal));
  const worst = Math.max(...units.map((u) => u.amps / u.equal));
  const far = worst > 1.25 * least;
  const width = units.length * (WIDE + 12) + 70;
  const last = (units.length - 1) * (WIDE + 12);
  return (
    <figure className={far ? 'bank-row is-off' : 'bank-row'}>
      <figcaption>
        {title} <b className="figures">{far ? t('size.hardest', { times: worst.toFixed(2) }) : t('size.alike')}</b>
      </figcaption>
      <svg viewBox={`0 0 ${width} ${HIGH + 54}`} width={width} role="img" aria-label={title}>
        {links && (
          <g className="bank-links">
            <line x1={WIDE / 4} y1="12" x2={last + WIDE / 4} y2="12" />
            <line
              x1={(WIDE * 3) / 4}
              y1={HIGH + 28}
              x2={last + (WIDE * 3) / 4}
              y2={HIGH + 28}
              className="is-negative"
            />
            <line x1={WIDE / 4} y1="12" x2={WIDE / 4} y2="2" />
            <text x={WIDE / 4 + 6} y="10" className="bank-name">
              {PLUS}
            </text>
            <text x={(WIDE * 3) / 4 + (links === 'across' ? last : 0) + 6} y={HIGH + 42} className="bank-name">
              {MINUS}
            </text>
            <line
              x1={(WIDE * 3) / 4 + (links === 'across' ? last : 0)}
              y1={HIGH + 28}
              x2={(WIDE * 3) / 4 + (links === 'across' ? last : 0)}
              y2={HIGH + 40}
              className="is-negative"
            />
          </g>
        )}
        {units.map((u, n) => {
          const x = n * (WIDE + 12);
          const full = (u.amps / most) * HIGH;
          const over = u.limit !== null && u.amps > u.limit;
          return (
            <g key={u.name} className={over ? 'is-over' : ''}>
              {links && (
                <g className="bank-links">
                  <line x1={x + WIDE / 4} y1="12" x2={x + WIDE / 4} y2="20" />
                  <line
                    x1={x + (WIDE * 3) / 4}
                    y1={HIGH + 20}
                    x2={x + (WIDE * 3) / 4}
                    y2={HIGH + 28}
                    className="is-negative"
                  />
                </g>
              )}
              <rect x={x} y="20" width={WIDE} height={HIGH} className="bank-box" />
              <rect x={x} y={20 + HIGH - full} width={WIDE} height={full} className="bank-fill" />
              {u.limit !== null && (
                <line
                  x1={x}
                  x2={x + WIDE}
                  y1={20 + HIGH - (u.limit / most) * HIGH}
                  y2={20 + HIGH - (u.limit / most) * HIGH}
                  className="bank-limit"
                />
              )}
              <text x={x + WIDE / 2} y={20 + HIGH / 2 + 5} textAnchor="middle">
                {u.assumed && '~'}
                {u.amps.toFixed(1)} A
              </text>
              {!links && (
                <text x={x + WIDE / 2} y={HIGH + 38} textAnchor="middle" className="bank-name">
                  {u.name}
                </text>
              )}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

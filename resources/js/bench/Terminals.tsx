import type { TakeOff } from '../api/client';
import { t } from '../words/t';

const FT_LB = 1.3558;

/** Terminals as they are made up: the lug nearest the plate first, the stud, the torque. */
export function Terminals({ terminals }: { terminals: TakeOff['terminals'] }) {
  if (terminals.length === 0) return null;
  return (
    <section className="bench">
      <h1>{t('bench.terminals')}</h1>
      <p className="quiet">{t('bench.terminalsNote')}</p>
      <table className="figures terminals">
        <thead>
          <tr>
            <th>{t('bench.terminal')}</th>
            <th>{t('bench.plateUp')}</th>
            <th>{t('bench.stud')}</th>
            <th>{t('bench.torque')}</th>
          </tr>
        </thead>
        <tbody>
          {terminals.map((x) => (
            <tr key={x.terminal}>
              <td>{x.label}</td>
              <td>
                <ol>
                  {x.lugs.map((l, n) => (
                    <li key={`${l.lead}${n}`}>
                      <b>{l.size}</b> {l.label}
                    </li>
                  ))}
                </ol>
                {x.wrong.map((w) => (
                  <p key={w} className="too-long">
                    {w}
                  </p>
                ))}
              </td>
              <td>{x.stud ?? <span className="quiet">{t('bench.notKnown')}</span>}</td>
              <td>
                {x.torqueNm === null ? (
                  <span className="quiet">{t('bench.makers')}</span>
                ) : (
                  <>
                    {t('bench.newtonMetres', { torque: torque(x.torqueNm) })}{' '}
                    <small className="quiet">
                      {t('bench.ftLb', { torque: torque(x.torqueNm.map((nm) => nm / FT_LB)) })}
                      {!x.ofMaker && ` ${t('bench.general')}`}
                    </small>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** A torque, or from and to. */
const torque = (nm: number[]): string => {
  const [from, to] = nm.map((x) => (x < 10 ? x.toFixed(1) : x.toFixed(0)));
  return from === to ? from! : `${from}–${to}`;
};

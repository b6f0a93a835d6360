import { Popover } from 'antd';
import type { Figure } from '../api/client';
import { t } from '../words/t';
import './Arithmetic.css';

/** Figures from ten thousand up with a thin gap between thousands. */
const number = (v: number) =>
  Math.abs(v) >= 10000
    ? Math.round(v).toLocaleString('en').replace(/,/g, '\u202f')
    : (Math.abs(v) >= 100 ? v.toFixed(0) : v.toFixed(Math.abs(v) >= 10 ? 1 : 2)).replace(/\.0+$/, '');

/** A figure with its unit and limit; a tap shows its arithmetic and source. */
export function FigureLine({ figure }: { figure: Figure }) {
  const over = figure.limit !== null && figure.value > figure.limit;
  return (
    <Popover
      trigger="click"
      content={
        <div className="arithmetic">
          <code>{figure.arithmetic}</code>
          <p>{figure.source}</p>
          {figure.assumed && <p className="is-assumed">{t('ui.restsOnAnAssumedValue')}</p>}
        </div>
      }
    >
      <button type="button" className="figure-line">
        <span>{figure.label}</span>
        <b className={`figures ${figure.assumed ? 'is-assumed' : ''}`}>
          {figure.assumed && '~'}
          {number(figure.value)} {figure.unit}
        </b>
        {figure.limit !== null && figure.limit > 0 && (
          <span className={`figures quiet ${over ? 'over' : ''}`}>
            {t('ui.of', { limit: number(figure.limit), unit: figure.unit })}
          </span>
        )}
      </button>
    </Popover>
  );
}

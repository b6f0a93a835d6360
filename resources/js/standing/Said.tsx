import type { Places } from '../api/client';
import { useUnits } from '../shell/units';
import { t } from '../words/t';

const SIGN = { danger: '!', warn: '▲', note: 'i' } as const;

/** What the scales say, and what somebody who knows says at the sight of it. */
export function Said({ places, open }: { places: Places; open: (id: string) => void }) {
  const units = useUnits();
  const { words, looks, sides } = places;
  const plus = (kg: number) => `${kg >= 0 ? '+' : '−'}${units.weight(Math.abs(kg))}`;
  return (
    <aside className="sheet-panel scales-say" aria-live="polite">
      <p className={`scales-words is-${words.level}`}>{units.said(words.text)}</p>
      {words.lines.map((line) => (
        <p key={line} className={`scales-line is-${words.level}`}>
          {units.said(line)}
        </p>
      ))}
      {Math.abs(sides.leftKg) + Math.abs(sides.rightKg) > 0.5 && (
        <p className="quiet figures">{t('place.sides', { left: plus(sides.leftKg), right: plus(sides.rightKg) })}</p>
      )}
      {places.perMetre !== null && (
        <p className="quiet figures">
          {t(places.rig.motor ? 'place.perMetreMotor' : 'place.perMetre', {
            weight: units.weight(10),
            step: units.length(1),
            change: plus(places.perMetre * 10),
          })}
        </p>
      )}
      <h2>{t('place.seen')}</h2>
      {looks.length === 0 && <p className="quiet">{t('place.nothingSeen')}</p>}
      <ul className="seen-here">
        {looks.map((look) => (
          <li key={look.words} className={`is-${look.level}`}>
            <span className="look-sign" aria-label={look.level}>
              {SIGN[look.level]}
            </span>
            <button type="button" onClick={() => open(look.at)}>
              {units.said(look.words)} <small className="quiet">{look.source}</small>
            </button>
          </li>
        ))}
      </ul>
    </aside>
  );
}

import { rect, type Geometry } from '../measures';
import { t } from '../../words/t';
import './Ground.css';

/** What a rig stands on: the sill for its frame, and the line between 120 V and 12 V. */
export function Ground({ geometry: { width, deckTop, sill } }: { geometry: Geometry }) {
  return (
    <>
      <defs>
        <pattern id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="9" className="hatch" />
        </pattern>
      </defs>
      <line x1={0} x2={width} y1={deckTop} y2={deckTop} className="waterline" />
      <text x={width - 8} y={deckTop - 6} textAnchor="end" className="note">
        120 V
      </text>
      <text x={width - 8} y={deckTop + 14} textAnchor="end" className="note">
        12 V
      </text>
      <rect {...rect(sill)} className="sill" />
      <rect {...rect(sill)} fill="url(#hatch)" />
      <text x={12} y={sill.y + 17} className="note strong">
        {t('wall.frame')}
      </text>
    </>
  );
}

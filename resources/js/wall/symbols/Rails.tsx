import type { Answer } from '../../api/client';
import type { Box, Geometry } from '../measures';
import './Rails.css';

/** Neutral and ground of a panel, a tick for each circuit at home, a bond screw where there is one. */
export function Rails({
  tray,
  rails,
  box,
  neutralLive,
}: {
  tray: Answer['wall']['trays'][string];
  rails: Geometry['rails'][string];
  box: Box;
  neutralLive: boolean;
}) {
  return (
    <svg className="rails" width={box.w} height={box.h} aria-hidden="true">
      <path
        d={`M${rails.x1 - box.x} ${rails.n - box.y}H${rails.x2 - box.x}`}
        className={`rail-n ${neutralLive ? 'rail-live' : ''}`}
      />
      <path d={`M${rails.x1 - box.x} ${rails.g - box.y}H${rails.x2 - box.x}`} className="rail-g" />
      {tray.rows
        .filter((r) => r.kind === 'circuit' && !r.strayNeutral)
        .map((r, i) => (
          <path key={r.circuit} d={`M${rails.x1 - box.x + 10 + i * 14} ${rails.n - box.y - 4}v8`} className="tick" />
        ))}
      {tray.bondScrew && (
        <path
          d={`M${rails.x2 - box.x - 26} ${rails.g - box.y}V${rails.n - box.y - 6}h16V${rails.g - box.y}`}
          className="screw"
        />
      )}
      <text x={rails.x2 - box.x + 8} y={rails.n - box.y + 4} className={`note strong ${neutralLive ? 'live-n' : ''}`}>
        N{neutralLive ? '!' : ''}
      </text>
      <text x={rails.x2 - box.x + 8} y={rails.g - box.y + 5} className="note strong">
        G
      </text>
    </svg>
  );
}

import type { Link } from '../../api/client';
import { useUnits } from '../../shell/units';
import { labelPoint, type Point } from '../measures';
import type { RibbonPaint } from '../paint';
import { Mark } from './Mark';
import './RibbonWords.css';

/** What a 120 V ribbon carries, and from which source. */
export function RibbonWords({ link, route, paint }: { link: Link; route: Point[]; paint: RibbonPaint }) {
  const units = useUnits();
  const at = labelPoint(route);
  if (Math.abs(route[0]!.x - route.at(-1)!.x) + Math.abs(route[0]!.y - route.at(-1)!.y) < 40) return null;
  return (
    <g className={`ribbon-words on-${paint.pattern}`}>
      {at.flat && link.kind === 'ac' && (paint.amps !== null || paint.pattern === 'dead') && (
        <text x={at.x} y={at.y - 9} textAnchor="middle" className={`note ${link.assumed ? 'is-assumed' : ''}`}>
          {paint.amps !== null
            ? `${paint.amps.toFixed(1)} A`
            : link.size
              ? `${(link.parallel ?? 1) > 1 ? `${link.parallel} × ` : ''}${units.size(link.size)}`
              : link.label}
        </text>
      )}
      {paint.letter && paint.pattern !== 'soft' && (
        <Mark x={at.x} y={at.y} n={paint.exchanged ? `${paint.letter}!` : paint.letter} kind="letter" />
      )}
    </g>
  );
}

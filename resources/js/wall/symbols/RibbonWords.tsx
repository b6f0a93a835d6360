import type { Link } from '../../api/client';
import { useUnits } from '../../shell/units';
import { textWidth } from '../flow/sizes';
import { labelPoint, type Point } from '../measures';
import type { RibbonPaint } from '../paint';
import { Mark } from './Mark';
import './RibbonWords.css';

/** How far words may reach past the ends of the stretch they stand on, px: into the gaps beside plates. */
const BEYOND = 6;

/** What a 120 V ribbon carries, and from which source; nothing where it would run under a plate. */
export function RibbonWords({ link, route, paint }: { link: Link; route: Point[]; paint: RibbonPaint }) {
  const units = useUnits();
  const at = labelPoint(route);
  if (Math.abs(route[0]!.x - route.at(-1)!.x) + Math.abs(route[0]!.y - route.at(-1)!.y) < 40) return null;
  const parallel = (link.parallel ?? 1) > 1 ? `${link.parallel} × ` : '';
  const words =
    paint.amps !== null ? `${paint.amps.toFixed(1)} A` : link.size ? `${parallel}${units.size(link.size)}` : link.label;
  const said = at.flat && link.kind === 'ac' && (paint.amps !== null || paint.pattern === 'dead');
  return (
    <g className={`ribbon-words on-${paint.pattern}`}>
      {said && textWidth(words, 14) <= at.length + BEYOND && (
        <text x={at.x} y={at.y - 9} textAnchor="middle" className={`note ${link.assumed ? 'is-assumed' : ''}`}>
          {words}
        </text>
      )}
      {paint.letter && paint.pattern !== 'soft' && (
        <Mark x={at.x} y={at.y} n={paint.exchanged ? `${paint.letter}!` : paint.letter} kind="letter" />
      )}
    </g>
  );
}

import { labelPoint, type Point } from '../measures';
import './Arrows.css';

/** Arrows on a lead that charges, away from the charger. */
export function Arrows({ route, back }: { route: Point[]; back: boolean }) {
  const points = back ? [...route].reverse() : route;
  const at = labelPoint(points);
  const i = points.findIndex(
    (p, n) => n > 0 && ((p.x + points[n - 1]!.x) / 2 === at.x || (p.y + points[n - 1]!.y) / 2 === at.y),
  );
  const a = points[Math.max(0, i - 1)]!;
  const b = points[Math.max(1, i)]!;
  const angle = Math.atan2(b.y - a.y, b.x - a.x);
  return (
    <g className="arrows">
      {[-26, 0, 26].map((s) => (
        <path
          key={s}
          d="M-5 -5L6 0L-5 5Z"
          transform={
            `translate(${at.x + s * Math.cos(angle)} ${at.y + s * Math.sin(angle)}) ` +
            `rotate(${(angle * 180) / Math.PI})`
          }
        />
      ))}
    </g>
  );
}

import type { Link } from '../api/client';
import { useUnits } from '../shell/units';
import type { Point } from './measures';
import type { RibbonPaint } from './paint';

function path(points: Point[]): string {
  return points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join('');
}

/** Middle of the longest stretch, where a ribbon is labelled. */
export function labelPoint(points: Point[]): { x: number; y: number; flat: boolean } {
  let best = { x: points[0]!.x, y: points[0]!.y, flat: true };
  let longest = -1;
  points.slice(1).forEach((b, i) => {
    const a = points[i]!;
    const length = Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
    if (length > longest) {
      longest = length;
      best = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, flat: a.y === b.y };
    }
  });
  return best;
}

export function Ribbon({
  link,
  route,
  paint,
  step,
  chosen,
  onChoose,
  onOpen,
}: {
  link: Link;
  route: Point[];
  paint: RibbonPaint;
  step: number | undefined;
  chosen: boolean;
  onChoose: () => void;
  onOpen: (() => void) | undefined;
}) {
  const units = useUnits();
  const d = path(route);
  const name = link.size ? `${units.size(link.size)} · ${units.length(link.lengthM ?? 0)}` : link.label;
  return (
    <g
      className={`ribbon ribbon-${link.kind} on-${paint.pattern} ${chosen ? 'is-chosen' : ''}`}
      data-link={link.id}
      onClick={onChoose}
      onDoubleClick={onOpen}
    >
      {step !== undefined && <path d={d} className="halo" />}
      <title>{`${name}${paint.amps === null ? '' : `, ${paint.amps.toFixed(1)} A`}`}</title>
      {link.kind === 'bond' ? (
        <path d={d} className="bondline" />
      ) : (
        <>
          <path d={d} className="casing" />
          <path d={d} className="core" />
          <path d={d} className="beads" />
        </>
      )}
      {/* A finger is wider than a cable. */}
      <path d={d} className="touch" />
      {paint.charging && <Arrows route={route} back={paint.charging === 'back'} />}
    </g>
  );
}

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

/** Arrows on a lead that charges, away from the charger. */
function Arrows({ route, back }: { route: Point[]; back: boolean }) {
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

export function Fork({ route, live, lit }: { route: Point[]; live: boolean; lit: boolean }) {
  const end = route.at(-1)!;
  return (
    <g className={`fork ${live ? 'fork-live' : ''}`}>
      {lit && <path d={path(route)} className="halo" />}
      <path d={path(route)} className="fork-case" />
      <path d={path(route)} className="fork-core" />
      <Mark x={route[1]!.x} y={(route[1]!.y + route[2]!.y) / 2} n="N" kind="neutral" />
      <circle cx={end.x} cy={end.y} r={4} className="fork-end" />
    </g>
  );
}

export function Mark({
  x,
  y,
  n,
  kind,
}: {
  x: number;
  y: number;
  n: number | string;
  kind: 'letter' | 'step' | 'ground' | 'neutral';
}) {
  return (
    <g className={`mark mark-${kind}`} transform={`translate(${x} ${y})`}>
      {kind === 'step' ? (
        <circle r={10} />
      ) : (
        <rect x={-9} y={-9} width={18} height={18} rx={kind === 'ground' ? 9 : 3} />
      )}
      <text textAnchor="middle" y={4.5}>
        {n}
      </text>
    </g>
  );
}

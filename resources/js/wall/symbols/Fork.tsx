import { line, type Point } from '../measures';
import { Mark } from './Mark';
import './Fork.css';

export function Fork({ route, live, lit }: { route: Point[]; live: boolean; lit: boolean }) {
  const end = route.at(-1)!;
  return (
    <g className={`fork ${live ? 'fork-live' : ''}`}>
      {lit && <path d={line(route)} className="halo" />}
      <path d={line(route)} className="fork-case" />
      <path d={line(route)} className="fork-core" />
      <Mark x={route[1]!.x} y={(route[1]!.y + route[2]!.y) / 2} n="N" kind="neutral" />
      <circle cx={end.x} cy={end.y} r={4} className="fork-end" />
    </g>
  );
}

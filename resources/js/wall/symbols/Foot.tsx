import type { Geometry } from '../measures';
import { Mark } from './Mark';

/** The ground of a case: a short foot, with its numbered mate on the sill. */
export function Foot({ foot, sill }: { foot: Geometry['feet'][string]; sill: Geometry['sill'] }) {
  return (
    <g>
      <path d={`M${foot.x} ${foot.y}v9`} className="foot" />
      <Mark x={foot.x} y={foot.y + 15} n={foot.number} kind="ground" />
      <Mark x={foot.sillX} y={sill.y} n={foot.number} kind="ground" />
    </g>
  );
}

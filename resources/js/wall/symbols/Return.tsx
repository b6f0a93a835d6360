import type { Link } from '../../api/client';
import { useUnits } from '../../shell/units';
import type { Geometry } from '../measures';
import { t } from '../../words/t';
import './Return.css';

/** A negative that comes home without a line across the drawing: the letter of the place, at the part and there. */
export function Return({
  link,
  at,
  home,
  wrong,
  chosen,
  onChoose,
  onOpen,
}: {
  link: Link;
  at: Geometry['returns'][string];
  home: string;
  wrong: boolean;
  chosen: boolean;
  onChoose: () => void;
  onOpen: (() => void) | undefined;
}) {
  const units = useUnits();
  const size = link.size ? `, ${units.size(link.size)} · ${units.length(link.lengthM ?? 0)}` : '';
  return (
    <g
      className={`return ${wrong ? 'is-wrong' : ''} ${chosen ? 'is-chosen' : ''}`}
      data-link={link.id}
      onClick={onChoose}
      onDoubleClick={onOpen}
    >
      <title>{t('wall.negativeHome', { home }) + size}</title>
      {chosen && <path d={`M${at.from.x} ${at.from.y}L${at.to.x} ${at.to.y}`} />}
      {[at.from, at.to].map((p, i) => (
        <g key={i} transform={`translate(${p.x} ${p.y})`}>
          <rect x={-11} y={-8} width={22} height={16} rx={8} />
          <text textAnchor="middle" y={4.5}>
            −{at.letter}
          </text>
        </g>
      ))}
    </g>
  );
}

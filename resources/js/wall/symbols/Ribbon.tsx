import type { Link } from '../../api/client';
import { useUnits } from '../../shell/units';
import { line, type Point } from '../measures';
import type { RibbonPaint } from '../paint';
import { Arrows } from './Arrows';
import './Ribbon.css';

export function Ribbon({
  link,
  route,
  paint,
  step,
  lit = false,
  chosen,
  onChoose,
  onOpen,
}: {
  link: Link;
  route: Point[];
  paint: RibbonPaint;
  step: number | undefined;
  lit?: boolean;
  chosen: boolean;
  onChoose: () => void;
  onOpen: (() => void) | undefined;
}) {
  const units = useUnits();
  const d = line(route);
  const name = link.size ? `${units.size(link.size)} · ${units.length(link.lengthM ?? 0)}` : link.label;
  return (
    <g
      className={`ribbon ribbon-${link.kind} on-${paint.pattern} ${chosen ? 'is-chosen' : ''}`}
      data-link={link.id}
      onClick={onChoose}
      onDoubleClick={onOpen}
    >
      {(step !== undefined || lit) && <path d={d} className="halo" />}
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

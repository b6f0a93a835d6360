import type { CSSProperties } from 'react';
import type { Finding } from '../api/client';
import type { Box } from './measures';

export function rect(box: Box) {
  return { x: box.x, y: box.y, width: box.w, height: box.h };
}

export const place = (box: Box): CSSProperties => ({ left: box.x, top: box.y, width: box.w, height: box.h });

export function Severity({ severity }: { severity: Finding['severity'] }) {
  const sign = { danger: '!', warning: '▲', advice: 'i' }[severity];
  return (
    <span className={`sev sev-${severity}`} role="img" aria-label={severity}>
      {sign}
    </span>
  );
}

/** A bond: a staple from neutral to ground, one leg missing when open. */
export function Staple({ closed }: { closed: boolean }) {
  return (
    <span className="staple" title={closed ? 'neutral-ground bond closed' : 'neutral-ground bond open'}>
      <svg width="30" height="16" aria-hidden="true">
        <path d={closed ? 'M4 15V4H26V15' : 'M4 15V4H26'} />
      </svg>
      <span>{closed ? 'bond 1' : 'bond open'}</span>
    </span>
  );
}

/** The current of the first of some elements that anything is known of. */
export function carried(elements: string[] | undefined, amps: Record<string, number> | undefined): number | undefined {
  const known = elements?.find((e) => amps?.[e] !== undefined);
  return known === undefined ? undefined : amps?.[known];
}

function seconds(s: number): string {
  return s < 1 ? `${Math.round(s * 1000)} ms` : `${s < 10 ? s : Math.round(s)} s`;
}

/** That a device moved by itself: as which one, and after how long. */
export function byItself(moved: { order: number; atS: number }): string {
  return `${moved.order} · by itself, ${seconds(moved.atS)}`;
}

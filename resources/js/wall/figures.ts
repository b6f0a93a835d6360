import { t } from '../words/t';

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
  return t('wall.byItself', { order: moved.order, atS: seconds(moved.atS) });
}

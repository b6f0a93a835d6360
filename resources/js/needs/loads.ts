import type { JobDocument } from '../api/client';
import { plainValue } from '../parts/values';

export type NeedLoad = NonNullable<NonNullable<JobDocument['needs']['loads']>[string]>;
export type Loads = Record<string, NeedLoad>;

export interface Span {
  fromH: number;
  hours: number;
}

/** Bars snap to quarters of an hour: the steps that days are counted in. */
const STEP_H = 0.25;

const snapped = (h: number) => Math.round(h / STEP_H) * STEP_H;

/** Loads in the order they are shown. */
export function inOrder(loads: Loads): [string, NeedLoad][] {
  return Object.entries(loads).sort(([, a], [, b]) => (a.order ?? 0) - (b.order ?? 0));
}

/** W of one of a load; how it is known. */
export function wattsOf(load: NeedLoad): { value: number; assumed: boolean } {
  const { value, assumed } = plainValue(load.watts);
  return { value: Number(value), assumed };
}

/** The same hours moved along the day; over midnight it goes round. */
export function moved(span: Span, byH: number): Span {
  return { ...span, fromH: (snapped(span.fromH + byH) + 48) % 24 };
}

/** The same hours with the end pulled; never shorter than a step, never longer than a day. */
export function stretched(span: Span, byH: number): Span {
  return { ...span, hours: Math.min(24, Math.max(STEP_H, snapped(span.hours + byH))) };
}

/** Pieces of a span as they lie on the day: two where it goes over midnight. Shares of the day. */
export function pieces({ fromH, hours }: Span): { left: number; width: number }[] {
  const end = fromH + hours;
  return end <= 24
    ? [{ left: fromH / 24, width: hours / 24 }]
    : [
        { left: fromH / 24, width: (24 - fromH) / 24 },
        { left: 0, width: (end - 24) / 24 },
      ];
}

/** Thickness of a bar: heavy ones are thick, by the root of their watts. */
export function thickness(watts: number): number {
  return Math.round(Math.min(40, Math.max(6, 6 + Math.sqrt(watts) * 0.85)));
}

/** An hour of the day as on a clock. */
export function clock(h: number): string {
  const minutes = Math.round(h * 60) % 1440;
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
}

/** An id that no load has yet. */
export function freeId(wanted: string, loads: Loads): string {
  const base =
    wanted
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '_')
      .replace(/^_+|_+$/g, '')
      .slice(0, 30) || 'load';
  const id = /^[a-z]/.test(base) ? base : `x${base}`;
  let free = id;
  for (let n = 2; loads[free]; n++) free = `${id}_${n}`;
  return free;
}

/**
 * A load as somebody types it: "kettle 1400w 7:00 15m", "fan 12v 25w 21:00 10h 60% x2". Null where there are no
 * watts or no name.
 */
export function readLoad(text: string): Omit<NeedLoad, 'order'> | null {
  let supply = 'ac';
  let watts: number | null = null;
  let count: number | undefined;
  let duty: number | undefined;
  const spans: Record<string, Span> = {};
  const name: string[] = [];
  let from: number | null = null;
  const put = (span: Span) => (spans[`h${Object.keys(spans).length + 1}`] = span);
  for (const word of text.trim().split(/\s+/)) {
    const part = (pattern: RegExp) => pattern.exec(word);
    let m: RegExpExecArray | null;
    if (/^12v$/i.test(word)) supply = 'dc';
    else if (/^120v$/i.test(word)) supply = 'ac';
    else if ((m = part(/^(\d+(?:\.\d+)?)w$/i))) watts = Number(m[1]);
    else if ((m = part(/^x(\d+)$/i))) count = Number(m[1]);
    else if ((m = part(/^(\d+)%$/))) duty = Number(m[1]);
    else if ((m = part(/^(\d{1,2}):(\d{2})$/))) {
      if (from !== null) put({ fromH: from, hours: STEP_H });
      from = Number(m[1]) + Number(m[2]) / 60;
    } else if ((m = part(/^(\d+(?:\.\d+)?)(h|m|min)$/i))) {
      const hours = Number(m[1]) / (m[2]!.toLowerCase() === 'h' ? 1 : 60);
      put({ fromH: from ?? 0, hours: Math.min(24, hours) });
      from = null;
    } else name.push(word);
  }
  if (from !== null) put({ fromH: from, hours: STEP_H });
  if (watts === null || name.length === 0 || watts > 6000) return null;
  const label = name.join(' ');
  return {
    label: label.charAt(0).toUpperCase() + label.slice(1),
    supply,
    watts: { value: watts, basis: 'told' },
    spans: Object.keys(spans).length ? spans : { h1: { fromH: 0, hours: 24 } },
    ...(count === undefined ? {} : { count }),
    ...(duty === undefined ? {} : { duty }),
  };
}

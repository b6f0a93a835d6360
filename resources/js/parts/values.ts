import type { Component } from '../api/client';
import { t } from '../words/t';

interface Surveyed {
  value?: unknown;
  basis?: string;
  entered?: string;
}

/** How a value can be known. */
export const BASES = [
  { value: 'measured', label: t('parts.measured') },
  { value: 'read_off', label: t('parts.readOffThePart') },
  { value: 'told', label: t('parts.told') },
  { value: 'assumed', label: t('parts.assumed') },
];

/** How one comes to know a value by looking at it: lengths are measured, the rest is read off. */
export const confirmedAs = (name: string): { basis: 'measured' | 'read_off'; words: string } =>
  name.endsWith('lengthM')
    ? { basis: 'measured', words: t('parts.asShownMeasured') }
    : { basis: 'read_off', words: t('parts.asShownReadOff') };

/** Who looked, and when. */
export const knownBy = (by: string, on = new Date()): { by: string; at: string } => ({
  by,
  at: on.toISOString().slice(0, 10),
});

const isSurveyed = (v: unknown): v is Surveyed => typeof v === 'object' && v !== null && 'basis' in v;

/** A value, surveyed or plain, with how it is known. A bare value counts as told. */
export function plainValue(v: unknown): {
  value: unknown;
  basis: string;
  assumed: boolean;
  entered: string | undefined;
} {
  if (isSurveyed(v))
    return { value: v.value, basis: v.basis ?? 'told', assumed: v.basis === 'assumed', entered: v.entered };
  return { value: v, basis: 'told', assumed: false, entered: undefined };
}

/** The places of a part where something is only assumed: `/cable/lengthM`. */
export function assumedPlaces(part: unknown, path = ''): string[] {
  if (isSurveyed(part)) return part.basis === 'assumed' ? [path] : [];
  return typeof part === 'object' && part !== null
    ? Object.entries(part).flatMap(([name, x]) => assumedPlaces(x, `${path}/${name}`))
    : [];
}

export function assumedCount(component: Component): number {
  return assumedPlaces(component).length;
}

const METRES: Record<string, number> = { ft: 0.3048, in: 0.0254, m: 1, cm: 0.01, mm: 0.001 };

const NAMES: Record<string, string> = { feet: 'ft', foot: 'ft', "'": 'ft', inch: 'in', inches: 'in', '"': 'in' };

/**
 * A length as somebody writes it: "18 ft", "5.5 m", "4 in", "4 ft 6 in", "30 cm". Null when it cannot be told what is
 * meant: a number without its unit is one of five lengths.
 */
export function readLength(text: string): { value: number; entered: string } | null {
  const part = String.raw`(\d+(?:\.\d+)?)\s*([a-z]+|'|")`;
  const m = new RegExp(String.raw`^\s*${part}(?:\s*${part})?\s*$`, 'i').exec(text);
  if (!m) return null;
  const parts = [m.slice(1, 3), m.slice(3, 5)]
    .filter((p) => p[0] !== undefined)
    .map(([n, unit]) => ({ n: n!, unit: NAMES[unit!.toLowerCase()] ?? unit!.toLowerCase() }));
  if (parts.some((p) => !(p.unit in METRES))) return null;
  if (parts.length > 1 && (parts[0]!.unit !== 'ft' || parts[1]!.unit !== 'in')) return null;
  const metres = parts.reduce((sum, p) => sum + Number(p.n) * METRES[p.unit]!, 0);
  return { value: Math.round(metres * 1000) / 1000, entered: parts.map((p) => `${p.n} ${p.unit}`).join(' ') };
}

import type { Component } from '../api/client';

interface Surveyed {
  value?: unknown;
  basis?: string;
  entered?: string;
}

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

export function assumedCount(component: Component): number {
  const walk = (v: unknown): number => {
    if (isSurveyed(v)) return v.basis === 'assumed' ? 1 : 0;
    return typeof v === 'object' && v !== null ? Object.values(v).reduce((n: number, x) => n + walk(x), 0) : 0;
  };
  return walk(component);
}

const M_PER_FT = 0.3048;

/** A length as somebody writes it: "18 ft", "5.5 m", "18". Null when it cannot be told what is meant. */
export function readLength(text: string): { value: number; entered: string } | null {
  const m = /^\s*(\d+(?:\.\d+)?)\s*(ft|feet|'|m)\s*$/i.exec(text);
  if (!m) return null;
  const feet = m[2]!.toLowerCase() !== 'm';
  return {
    value: Math.round(Number(m[1]) * (feet ? M_PER_FT : 1) * 1000) / 1000,
    entered: `${m[1]} ${feet ? 'ft' : 'm'}`,
  };
}

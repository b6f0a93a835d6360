import type { Component, Field, JobDocument } from '../api/client';
import type { Wire } from '../parts/Landing';
import { assumedPlaces, confirmedAs, knownBy, plainValue } from '../parts/values';
import { fieldAt } from '../ui/spoken';
import { t } from '../words/t';

/** A value of a part that is shown in a table: where it stands, and how its form declares it. */
export interface Shown {
  path: string;
  field: Field;
  raw: unknown;
}

const at = (part: unknown, path: string): unknown =>
  path
    .split('/')
    .slice(1)
    .reduce((v: unknown, step) => (v as Record<string, unknown> | undefined)?.[step], part);

/** One value of a part. */
export function shownAt(fields: Record<string, Field>, part: Component, path: string): Shown | null {
  const field = fieldAt(fields, path);
  return field ? { path, field, raw: at(part, path) } : null;
}

/** What is worth a place in a row: whatever is surveyed, and every number. */
export function shownOf(fields: Record<string, Field>, part: unknown, path = ''): Shown[] {
  return Object.entries(fields).flatMap(([name, field]): Shown[] => {
    const raw = (part as Record<string, unknown> | undefined)?.[name];
    if (raw === undefined || raw === null) return [];
    const here = `${path}/${name}`;
    if (field.kind === 'group') return shownOf(field.fields, raw, here);
    if (field.kind === 'map')
      return Object.entries(raw as object).flatMap(([id, entry]) => shownOf(field.fields, entry, `${here}/${id}`));
    return field.surveyed || field.kind === 'number' || field.kind === 'integer' ? [{ path: here, field, raw }] : [];
  });
}

/** The intent that confirms every assumed value of some parts as it is shown; null where nothing is assumed. */
export function confirmation(
  parts: [string, Component][],
  by: string,
  on: Date,
): { kind: string; basis: string; by: string; at: string; values: object[] } | null {
  const values = parts.flatMap(([component, part]) =>
    assumedPlaces(part).map((path) => ({ component, path, basis: confirmedAs(path).basis })),
  );
  return values.length === 0 ? null : { kind: 'survey_confirm', basis: 'read_off', ...knownBy(by, on), values };
}

const landing = (w: Wire | undefined): string =>
  w?.behind ? `~${w.behind}` : w?.at ? `~~${w.at}` : `${w?.panel} ${w?.slot}${w?.half ?? ''}`;

/** Circuits in the order of their slots, what hangs behind others last. */
export function circuitsOf(components: JobDocument['asFound']['components']): [string, Component][] {
  return (Object.entries(components) as [string, Component][])
    .filter(([, c]) => c.type === 'circuit')
    .sort((a, b) => landing(a[1].hot as Wire).localeCompare(landing(b[1].hot as Wire), 'en', { numeric: true }));
}

/** Where a circuit lands, in a few words. */
export function landsWords(w: Wire | undefined, name: (id: string) => string, panels: number): string {
  if (w?.behind) return `behind ${name(w.behind)}`;
  if (w?.at) return `at ${name(w.at)}`;
  if (!w?.panel) return 'nowhere';
  const slot = `${w.slot}${w.half ?? ''}`;
  return panels > 1 ? `${name(w.panel)} ${slot}` : slot;
}

/** What a battery is made of: 2 × 6 V in series, 220 Ah. */
export function bankWords(bank: Component): string {
  const series = Number(bank.series ?? 1);
  const parallel = Number(bank.parallel ?? 1);
  const unitV = Number(bank.unitV);
  const ah = Number(plainValue(bank.unitAh).value ?? 0);
  const volts = Math.round(series * unitV * 10) / 10;
  if (series === 1 && parallel === 1) return `${volts} V, ${ah} Ah`;
  const string = series > 1 ? t('survey.vInSeries', { series, unitV }) : `${unitV} V`;
  const whole = `${volts} V, ${ah * parallel} Ah`;
  if (parallel === 1) return `${string} = ${whole}`;
  return series > 1 ? t('survey.stringsOf', { parallel, string, whole }) : t('survey.sideBySide', { parallel, whole });
}

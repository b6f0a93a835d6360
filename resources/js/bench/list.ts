import type { TakeOff } from '../api/client';
import { t } from '../words/t';

/** What a cable is for, in words. */
export const KINDS: Record<string, string> = {
  positive: t('bench.positive'),
  negative: t('bench.negative'),
  bond: t('bench.bond'),
  sheathed: t('bench.sheathed'),
  cord: t('bench.cord'),
};

const quoted = (field: string | number): string => {
  const text = /^[=+\-@]/.test(String(field)) ? `'${field}` : String(field);
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};

/** The list as rows that a supplier reads: RFC 4180. */
export function asCsv(list: TakeOff): string {
  const rows: (string | number)[][] = [
    ...list.cables.flatMap((c) =>
      c.runs.map((r) => [t('bench.cable'), `${c.spoken} ${KINDS[c.kind]}`, 1, `${r.cutM} m: ${r.label}`]),
    ),
    ...list.lugs.flatMap((l) => [
      [t('bench.lug'), l.spoken, l.count, KINDS[l.kind] ?? ''],
      [t('bench.sleeve'), l.spoken, l.count, KINDS[l.kind] ?? ''],
    ]),
    ...list.fuses.map((f) => [t('bench.fuse'), f.label, f.count + f.spares, f.of.join('; ')]),
    ...list.parts.map((p) => [t('bench.part'), p.label, 1, p.words]),
    ...list.labels.map((l) => [t('bench.label'), l, 1, '']),
  ];
  return [t('bench.csvHead'), ...rows.map((row) => row.map(quoted).join(','))].join('\r\n');
}

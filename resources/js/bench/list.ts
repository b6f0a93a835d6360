import type { TakeOff } from '../api/client';
import { csv } from '../ui/csv';
import { t } from '../words/t';

/** What a cable is for, in words. */
export const KINDS: Record<string, string> = {
  positive: t('bench.positive'),
  negative: t('bench.negative'),
  bond: t('bench.bond'),
  sheathed: t('bench.sheathed'),
  cord: t('bench.cord'),
};

/** Kinds of lines of a bill, in the order in which they are bought. */
export const GROUPS = ['part', 'cable', 'lug', 'fuse', 'label'] as const;
export const GROUP_WORDS: Record<string, string> = {
  part: t('bench.parts'),
  cable: t('bench.cables'),
  lug: t('bench.lugs'),
  fuse: t('bench.fuses'),
  label: t('bench.labelsHead'),
};

/** The list as rows that a supplier reads. */
export function asCsv(list: TakeOff): string {
  return csv([
    t('bench.csvHead').split(','),
    ...list.cables.flatMap((c) =>
      c.pieces.flatMap((piece, n) =>
        piece.map((cut) => [
          t('bench.cable'),
          `${c.spoken} ${KINDS[c.kind]}`,
          1,
          t('bench.cutOf', { cutM: cut.cutM, label: cut.label, piece: n + 1 }),
        ]),
      ),
    ),
    ...list.lugs.flatMap((l) => [
      [t('bench.lug'), [l.spoken, l.studWords].filter(Boolean).join(', '), l.count, KINDS[l.kind] ?? ''],
      [t('bench.sleeve'), l.spoken, l.count, KINDS[l.kind] ?? ''],
    ]),
    ...list.fuses.map((f) => [t('bench.fuse'), f.label, f.count + f.spares, f.of.join('; ')]),
    ...list.parts.map((p) => [t('bench.part'), p.label, 1, p.words]),
    ...list.small.map((s) => [t('bench.part'), s.label, s.count, '']),
    ...list.labels.map((l) => [t('bench.label'), l, 1, '']),
    ...list.terminals.map((x) => [
      t('bench.terminal'),
      x.label,
      x.lugs.length,
      [x.stud ?? '', x.torqueNm?.join('–') ?? '', ...x.lugs.map((l) => l.size)].filter(Boolean).join('; '),
    ]),
  ]);
}

/** What it costs, line by line, with the sums below. */
export function billAsCsv(list: TakeOff): string {
  const { costs } = list;
  return csv([
    t('bench.billHead').split(','),
    ...costs.lines.map((l) => [
      GROUP_WORDS[l.group] ?? l.group,
      l.label,
      l.quantity,
      l.unit,
      l.offer ?? '',
      l.each ?? '',
      l.total ?? '',
      l.assumed ? t('bench.assumedPrice') : '',
    ]),
    [t('bench.material'), '', '', '', '', '', costs.material, list.currency],
    [t('bench.labour'), '', costs.hours, 'h', '', costs.hour ?? '', costs.labour ?? '', list.currency],
    [t('bench.total'), '', '', '', '', '', costs.total ?? '', list.currency],
    ...costs.tools.map((tool) => [t('bench.tool'), tool.name, '', '', '', tool.price ?? '', '', t('bench.notCounted')]),
  ]);
}

/** Offers with what each has and lacks, a row for each must. */
export const choicesAsCsv = (choices: TakeOff['choices']): string =>
  csv([
    t('bench.choicesHead').split(','),
    ...choices.flatMap((choice) =>
      choice.candidates.flatMap((c) =>
        c.musts.map((m) => [
          choice.label,
          c.name,
          c.price ?? '',
          c.code === choice.taken ? t('bench.isTaken') : '',
          m.name,
          m.wants,
          m.has ?? '',
          m.ok === null ? '?' : m.ok ? t('bench.yes') : t('bench.no'),
        ]),
      ),
    ),
  ]);

/** A sum of money; the currency is the workshop's own word for it. */
export function money(sum: number | null, currency: string): string {
  if (sum === null) return '–';
  const figures = sum.toLocaleString('en', { minimumFractionDigits: 2, maximumFractionDigits: 2 });
  return currency ? `${figures} ${currency}` : figures;
}

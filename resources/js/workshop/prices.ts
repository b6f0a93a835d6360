import type { Catalogue, CatalogueOffer, Field } from '../api/client';
import { t } from '../words/t';

type Row = Catalogue['offers'][number];

/** Fields that stand in columns of their own, or say nothing about the part. */
const APART = ['kind', 'name', 'price', 'known', 'per', 'minutes', 'note', 'widthMm', 'heightMm', 'depthMm'];

/** Quantities that their unit alone does not tell apart. */
const SAID: Record<string, string> = {
  surgeW: t('workshop.saidSurge'),
  idleW: t('workshop.saidIdle'),
  chargerA: t('workshop.saidCharger'),
  passA: t('workshop.saidPass'),
};

/** What is written on a part, in a row. */
export function factsOf(body: CatalogueOffer, fields: Record<string, Field>): string {
  const said = Object.entries(fields)
    .filter(([name]) => !APART.includes(name))
    .flatMap(([name, field]) => {
      const value = body[name as keyof CatalogueOffer];
      if (value === undefined || value === false) return [];
      if (field.kind === 'flag') return [field.label.toLowerCase()];
      if (field.kind === 'choice') return [field.choices[String(value)] ?? String(value)];
      if (field.kind === 'size') return [];
      return [[SAID[name] ?? '', String(value), field.unit].filter(Boolean).join(' ')];
    });
  if (body.widthMm && body.heightMm && body.depthMm)
    said.push(`${body.widthMm} × ${body.heightMm} × ${body.depthMm} mm`);
  return said.join(', ');
}

/** Offers of a kind whose name or code has all the words, kind after kind. */
export function matching(offers: Row[], kind: string, words: string, kinds: string[] = []): Row[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const place = (o: Row) => kinds.indexOf(o.body.kind);
  return offers
    .filter(
      (o) =>
        (kind === '' || o.body.kind === kind) &&
        wanted.every((w) => `${o.body.name} ${o.code}`.toLowerCase().includes(w)),
    )
    .sort((a, b) => place(a) - place(b));
}

/** A code from a name that no other offer has. */
export function freeCode(name: string, offers: Row[]): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 50) || 'part';
  const taken = new Set(offers.map((o) => o.code));
  let code = base;
  for (let n = 2; taken.has(code); n++) code = `${base}-${n}`;
  return code;
}

import type { Field } from './api/client';

/* What several tests of the interface need. */

/** What a person reads of a piece of markup. */
export const words = (html: string): string =>
  html
    .replace(/<style[\s\S]*?<\/style>/g, '')
    .replace(/<title>.*?<\/title>/g, '')
    .replace(/<[^>]+>/g, ' ')
    .replace(/&#x27;/g, "'")
    .replace(/\s+/g, ' ')
    .trim();

export const nothing = (): undefined => undefined;

/** A declared property, with what a test leaves open filled in. */
export const field = (kind: string, label: string, more: Partial<Field> = {}): Field => ({
  kind,
  label,
  unit: '',
  min: 0,
  max: 0,
  choices: {},
  surveyed: false,
  required: true,
  note: '',
  fields: {},
  ...more,
});

import type { Field, Reference } from '../api/client';
import type { Units } from '../shell/units';
import { t } from '../words/t';

interface Place {
  words: string;
  field: Field | undefined;
}

/** A label inside a sentence; the unit that some labels carry belongs to the value. */
const UNIT = /, (A|V|W|VA|Ah)$/;
const inSentence = (label: string): string => {
  const bare = label.replace(UNIT, '').replaceAll(', ', ' ');
  return /^[A-Z][a-z]/.test(bare) ? bare[0]!.toLowerCase() + bare.slice(1) : bare;
};

/** The steps to a place of a form, without those that name an entry: its id is nobody's word for it. */
function stepsTo(within: Record<string, Field>, path: string): { step: string; field: Field | undefined }[] {
  let fields = within;
  let ofMap = false;
  return path
    .split('/')
    .slice(1)
    .flatMap((step) => {
      if (ofMap) {
        ofMap = false;
        return [];
      }
      const field: Field | undefined = fields[step];
      ofMap = field?.kind === 'map';
      fields = field?.fields ?? {};
      return [{ step, field }];
    });
}

/** The field at a place of a form: `/cable/lengthM`. */
export const fieldAt = (fields: Record<string, Field>, path: string): Field | undefined =>
  stepsTo(fields, path).at(-1)?.field;

/** A place in a component as a person would say it: `/cable/lengthM` is "cable, length one way". */
export function placeOf(forms: Reference['forms'] | undefined, type: string, path: string): Place {
  const steps = stepsTo(forms?.[type]?.fields ?? {}, path);
  return {
    words: steps.map(({ step, field }) => inSentence(field?.label ?? step)).join(', '),
    field: steps.at(-1)?.field,
  };
}

/** A value with its unit, in the units chosen; a group's parts in a row; other parts by their names. */
export function valueWords(
  field: Field | undefined,
  value: unknown,
  units: Units,
  name: (id: string) => string = (id) => id,
): string {
  if (typeof value === 'object' && value !== null) {
    const v = value as Record<string, unknown>;
    if ('basis' in v) return valueWords(field, v.value, units, name);
    return Object.entries(v)
      .map(([k, x]) => {
        const inner = field?.fields[k];
        const text = valueWords(inner, x, units, name);
        return inner?.kind === 'size' || inner?.kind === 'ref' || inner?.unit
          ? text
          : `${inSentence(inner?.label ?? k)} ${text}`;
      })
      .join(', ');
  }
  if (typeof value === 'boolean') return value ? t('ui.yes') : t('ui.no');
  if (field?.kind === 'size') return units.size(String(value));
  if (field?.unit === 'm' && typeof value === 'number') return units.length(value);
  if (field?.kind === 'choice') return field.choices[String(value)] ?? String(value);
  if (field?.kind === 'ref') return name(String(value));
  if (field?.kind === 'terminal') return String(value).replace(/^(\w+)\./, (_, id: string) => `${name(id)}, `);
  const unit = field?.unit || UNIT.exec(field?.label ?? '')?.[1];
  return unit ? `${String(value)} ${unit}` : String(value);
}

/** Where a change lands in its part and what it puts there; empty for a change of the whole part. */
export function changeWords(
  forms: Reference['forms'] | undefined,
  type: string,
  change: { path?: string; value?: unknown },
  units: Units,
  name: (id: string) => string,
): string {
  if (!change.path) return '';
  const at = placeOf(forms, type, change.path);
  return change.value === undefined ? at.words : `${at.words}: ${valueWords(at.field, change.value, units, name)}`;
}

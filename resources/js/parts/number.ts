import { t } from '../words/t';

export interface Bounds {
  min?: number;
  max?: number;
  unit?: string;
  whole?: boolean;
}

/**
 * A number as somebody writes it: "12", "12.5", "-3", "1e3" not. A comma may be a thousand or a decimal, and is asked
 * back; the unit of the field may stand behind it.
 */
export function readNumber(text: string, { min, max, unit = '', whole = false }: Bounds): number | { trouble: string } {
  const bare = text
    .trim()
    .replace(new RegExp(`\\s*${unit.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`), '')
    .replace('−', '-');
  if (bare.includes(',')) return { trouble: t('parts.noComma') };
  const said = (words: string) => ({ trouble: words.replace(/\s+\./, '.') });
  if (!/^-?\d+(\.\d+)?$/.test(bare))
    return whole ? { trouble: t('parts.aWholeNumber') } : said(t('parts.notANumber', { unit }));
  const value = Number(bare);
  if (whole && !Number.isInteger(value)) return { trouble: t('parts.aWholeNumber') };
  if ((min !== undefined && value < min) || (max !== undefined && value > max))
    return said(t('parts.between', { min, max, unit }));
  return value;
}

import type { System } from '../shell/units';
import type { Key } from '../words/t';
import { OPEN } from './fold';

/** What a figure is asked in. */
export interface Asked {
  unit: string;
  low: number | null;
  high: number | null;
}

/** A unit as it is read and typed: what is kept, times and plus. */
interface Shown {
  unit: string;
  times: number;
  plus: number;
}

const NM_PER_FT_LB = 1.355818;
const NM_PER_IN_LB = NM_PER_FT_LB / 12;

/** Above this a wrench is marked in foot-pounds, below it a driver in inch-pounds: common practice, no source. */
const WRENCH_NM = 17;

/** Figures are kept in metric units; whoever works in the trade's reads and types those that are on the tools. */
export function shownIn({ unit, low, high }: Asked, system: System): Shown {
  const as = (name: string, times: number, plus = 0) => ({ unit: name, times, plus });
  if (system === 'metric') return as(unit, 1);
  switch (unit) {
    case 'N·m':
      return (high ?? low ?? 0) >= WRENCH_NM ? as('ft·lb', 1 / NM_PER_FT_LB) : as('in·lb', 1 / NM_PER_IN_LB);
    case 'm':
      return as('ft', 1 / 0.3048);
    case 'cm':
      return as('in', 1 / 2.54);
    case 'mm':
      return as('in', 1 / 25.4);
    case 'kg':
      return as('lb', 1 / 0.45359237);
    case 'K':
      return as('°F', 1.8);
    case '°C':
      return as('°F', 1.8, 32);
    default:
      return as(unit, 1);
  }
}

const digits = (v: number) => Number(v.toPrecision(4)).toString();

/** A kept figure as it is read, without its unit. */
export function figureIn(ask: Asked, value: number, system: System): string {
  const { times, plus } = shownIn(ask, system);
  return digits(value * times + plus);
}

/** The ask with its band in the units that are read. */
export function bandIn(ask: Asked, system: System): Asked {
  const { unit, times, plus } = shownIn(ask, system);
  // A table's 35 in·lb were 3.95 N·m on their way here.
  const to = (v: number | null) => (v === null || times === 1 ? v : Number((v * times + plus).toPrecision(3)));
  return { unit, low: to(ask.low), high: to(ask.high) };
}

/** Units that people type behind a figure, of what they measure, in the unit it is kept in. */
const TYPED: Record<string, [RegExp, number, number?][]> = {
  'N·m': [
    [/^n[·.\s-]?m$/i, 1],
    [/^(in|")[·.\s-]?lbf?s?$|^lbf?s?[·.\s-]?in$/i, NM_PER_IN_LB],
    [/^ft[·.\s-]?lbf?s?$|^lbf?s?[·.\s-]?ft$/i, NM_PER_FT_LB],
  ],
  m: [
    [/^m$/i, 1],
    [/^cm$/i, 0.01],
    [/^mm$/i, 0.001],
    [/^(in|inch|inches|")$/i, 0.0254],
    [/^(ft|feet|foot|')$/i, 0.3048],
  ],
  kg: [
    [/^kg$/i, 1],
    [/^lbs?$/i, 0.45359237],
  ],
  K: [
    [/^(k|°?c)$/i, 1],
    [/^°?f$/i, 1 / 1.8],
  ],
  '°C': [
    [/^°?c$/i, 1],
    [/^°?f$/i, 1 / 1.8, -32 / 1.8],
  ],
  V: [
    [/^v(dc|ac)?$/i, 1],
    [/^mv$/i, 0.001],
  ],
  A: [
    [/^a(mps?)?$/i, 1],
    [/^ma$/i, 0.001],
  ],
  Ω: [
    [/^(Ω|ohms?)$/i, 1],
    [/^m(Ω|ohms?)$/, 0.001],
    [/^k(Ω|ohms?)?$/i, 1000],
    [/^M(Ω|ohms?|eg|egohms?)?$/, 1e6],
  ],
};

/** How units of one kind are kept: of which measure, and how many to one of it. */
const KEPT: Record<string, [keyof typeof TYPED, number]> = { cm: ['m', 100], mm: ['m', 1000] };

/**
 * What somebody typed, as it is kept; or what is wrong with it. A unit behind the figure counts: 25 in·lb is not
 * 25 N·m, and 120 mV is not 120 V.
 */
export function readFigure(
  text: string,
  ask: Asked,
  system: System,
): { number: number } | { words: string } | { trouble: Key } {
  const typed = text.trim();
  if (ask.unit === 'Ω' && /^(open|ol|o\.l\.?|∞)$/i.test(typed)) return { words: OPEN };
  const parts = /^([-+−]?(?:\d+(?:\.\d+)?|\.\d+))\s*(.*)$/.exec(typed);
  if (!parts) return { trouble: typed.includes(',') ? 'build.comma' : 'build.aNumber' };
  const figure = Number(parts[1]!.replace('−', '-'));
  const unit = parts[2]!.trim();
  if (unit.startsWith(',')) return { trouble: 'build.comma' };
  const shown = shownIn(ask, system);
  if (unit === '' || unit.toLowerCase() === shown.unit.toLowerCase())
    return { number: kept((figure - shown.plus) / shown.times) };
  const [measure, many] = KEPT[ask.unit] ?? [ask.unit, 1];
  const found = (TYPED[measure] ?? []).find(([name]) => name.test(unit));
  if (!found) return { trouble: 'build.otherUnit' };
  return { number: kept((figure * found[1] + (found[2] ?? 0)) * many) };
}

/** Without the crumbs of a conversion: 25 in·lb and back is 25. */
const kept = (v: number) => Number(v.toPrecision(10));

import { t } from '../words/t';

const BROWSERS: [RegExp, string][] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrom(e|ium)\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const MACHINES: [RegExp, string][] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'a Mac'],
  [/Linux/, 'Linux'],
];

/** A browser as its person would call it. */
export function browserIn(agent: string | null): string {
  const of = (list: [RegExp, string][]) => list.find(([pattern]) => pattern.test(agent ?? ''))?.[1];
  const browser = of(BROWSERS);
  const machine = of(MACHINES);
  if (!browser) return t('account.anotherBrowser');
  return machine ? `${browser} on ${machine}` : browser;
}

import type { Answer, Finding, Link, Paint } from '../api/client';
import { t } from '../words/t';

/** How a ribbon is stroked: the pattern names its source, a letter repeats it. */
export type Pattern = 'dead' | 'soft' | 'shore' | 'generator' | 'inverter' | 'battery' | 'charge';

export const PATTERN_OF: Record<string, Pattern> = {
  S: 'shore',
  T: 'shore',
  G: 'generator',
  F: 'generator',
  I: 'inverter',
  J: 'inverter',
  K: 'inverter',
  B: 'battery',
  C: 'charge',
};

export const SOURCE_WORDS: Record<string, string> = {
  S: t('wall.shore'),
  T: t('wall.secondShore'),
  G: t('wall.generator'),
  F: t('wall.secondGenerator'),
  I: t('wall.inverter'),
  J: t('wall.secondInverter'),
  K: t('wall.thirdInverter'),
  B: t('wall.battery'),
  C: t('wall.charging'),
};

/** What is known of a circuit in a state, in words. */
export function liveWords(cell: { kind: string; words: string; source?: string | null }): string {
  const source = SOURCE_WORDS[cell.source ?? ''];
  if (cell.kind === 'works') return t('wall.worksFrom', { source });
  return cell.kind === 'ground' ? `${cell.words}, from ${source}` : cell.words;
}

export interface RibbonPaint {
  pattern: Pattern;
  letter: string | null;
  /** a charger's lead: out of its first end, or into it */
  charging: 'forward' | 'back' | null;
  amps: number | null;
  /** hot and neutral exchanged: live, on the wrong wire */
  exchanged: boolean;
}

export function ribbonPaint(
  link: Link,
  paint: Paint | undefined,
  amps: Record<string, number> | undefined,
): RibbonPaint {
  const p = paint?.links[link.id];
  const flowing = link.elements.map((e) => amps?.[e]).find((a) => a !== undefined && a > 0.05) ?? null;
  if (link.kind === 'positive' || link.kind === 'negative') {
    const by = p?.by ?? [];
    const charging =
      link.kind === 'negative'
        ? null
        : by.includes(`C:${link.from.c}`)
          ? 'forward'
          : by.includes(`C:${link.to.c}`)
            ? 'back'
            : null;
    return { pattern: p?.on ? 'battery' : 'dead', letter: null, charging, amps: flowing, exchanged: false };
  }
  const exchanged = !p?.hot?.[1] && !!p?.exchanged;
  const letter = p?.hot?.[1] ?? p?.exchanged ?? null;
  return {
    pattern: letter ? (p?.soft ? 'soft' : (PATTERN_OF[letter] ?? 'shore')) : 'dead',
    letter,
    charging: null,
    amps: letter && !p?.soft ? flowing : null,
    exchanged,
  };
}

/** The links a finding's proof runs along, in the order of its path, with the step each gets. */
export function witnessSteps(finding: Finding | null, links: Link[]): Map<string, number> {
  const steps = new Map<string, number>();
  if (!finding) return steps;
  for (const element of finding.witness.elements) {
    const link = links.find((l) => l.elements.includes(element));
    if (link && !steps.has(link.id)) steps.set(link.id, steps.size + 1);
  }
  return steps;
}

/** The named state that shows a finding best: its own, or the nearest one by its controls. */
export function stateOf(finding: Finding, answer: Answer): string | null {
  const controls = finding.witness.controls;
  if (finding.witness.state || !controls) return finding.witness.state;
  const apart = (id: string) =>
    Object.entries(controls).filter(
      ([d, p]) => answer.paint[id]?.positions[d] && answer.paint[id].positions[d].position !== p,
    ).length;
  return [...answer.states].sort((a, b) => apart(a.id) - apart(b.id))[0]?.id ?? null;
}

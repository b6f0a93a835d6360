import type { Component, Field, JobDocument, Reference } from '../api/client';
import { t } from '../words/t';

export type Options = Record<string, unknown>;
type Kind = Reference['batteries'][number];

/** The circuits that the inverter is to feed when nothing was said before: those that must run off grid. */
export function neededOffGrid(document: JobDocument): string[] {
  return Object.entries(document.needs.offGrid ?? {})
    .filter(([id, on]) => on && document.asFound.components[id]?.type === 'circuit')
    .map(([id]) => id);
}

/** A charger that is left on a battery of another chemistry than its profile is for; null where all suits. */
export function wrongCharger(
  components: Record<string, Component>,
  chemistry: unknown,
  fate: unknown,
): Component | null {
  const found = Object.values(components).find((c) => c.type === 'battery_bank');
  if (!chemistry || !['left', 'by_hand', 'ahead', 'contactor', 'contactor_safe'].includes(String(fate))) return null;
  if (found && found.chemistry === chemistry) return null;
  const lithium = chemistry === 'lfp';
  const charger = Object.values(components).find((c) => c.type === 'converter');
  return charger && charger.profile !== (lithium ? 'lithium' : 'lead') ? charger : null;
}

const BEFORE = 'before';

/** What there is to choose from, with what the plan had where it is none of the usual kinds; and what it had. */
export function kindsWith(kinds: Kind[], used: Options, usual: number): { kinds: Kind[]; chosen: string } {
  const names = new Set(kinds.flatMap((k) => Object.keys(k.values)));
  const values = Object.fromEntries(Object.entries(used).filter(([name]) => names.has(name)));
  const same = kinds.find((k) => Object.entries(values).every(([name, v]) => k.values[name] === v));
  if (Object.keys(values).length === 0) return { kinds, chosen: kinds[Math.min(usual, kinds.length - 1)]!.id };
  if (same) return { kinds, chosen: same.id };
  return { kinds: [{ id: BEFORE, title: t('plan.asThisPlanHasIt'), values }, ...kinds], chosen: BEFORE };
}

/** The plan that something is written to: the open one, or another whose name is still free. */
export function writtenTo(plan: string | null, fresh: boolean, document: JobDocument): string {
  if (!fresh && plan) return plan;
  for (let n = 1; ; n++) if (!document.plans[`plan_${n}`]) return `plan_${n}`;
}

/** A name that no other plan has. */
export function named(title: string, document: JobDocument): string {
  const taken = new Set(Object.values(document.plans).map((p) => p.title));
  const short = title.slice(0, 70);
  for (let n = 1; ; n++) {
    const name = n === 1 ? short : `${short} ${n}`;
    if (!taken.has(name)) return name;
  }
}

/** What a choice of unit and battery brings with it, in a few words. */
export function filledWords(filled: Options, options: Record<string, Field>): string {
  return Object.entries(filled)
    .filter(([name]) => name in options && name !== 'chemistry')
    .map(([name, v]) => {
      const field = options[name]!;
      const value = field.kind === 'choice' ? (field.choices[String(v)] ?? v) : `${String(v).replace('awg:', '')}`;
      const unit = field.unit || (field.kind === 'size' ? 'AWG' : '');
      return `${field.label.charAt(0).toLowerCase()}${field.label.slice(1)} ${String(value)} ${unit}`.trim();
    })
    .join(', ');
}

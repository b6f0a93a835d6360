import type { Component, JobDocument } from '../api/client';

type Change = JobDocument['plans'][string]['changes'][string];

/** Changes in the order in which they hold: by stage, then by their own order. */
export function inOrder(plan: JobDocument['plans'][string]): [string, Change][] {
  const stage = (c: Change) => plan.stages[c.stage]?.order ?? 0;
  return Object.entries(plan.changes).sort(([, a], [, b]) => stage(a) - stage(b) || (a.order ?? 0) - (b.order ?? 0));
}

/** The parts of a rig as a plan leaves them. */
export function plannedParts(document: JobDocument, plan: string | null): Record<string, Component> {
  const parts = structuredClone(document.asFound.components) as Record<string, Component>;
  const entry = plan === null ? undefined : document.plans[plan];
  for (const [, change] of entry ? inOrder(entry) : []) {
    if (change.op === 'fit') parts[change.target] = structuredClone(change.value) as Component;
    else if (change.op === 'remove') delete parts[change.target];
    else if (parts[change.target] && change.path) put(parts[change.target]!, change.path, change.value);
  }
  return parts;
}

function put(part: Component, path: string, value: unknown): void {
  const steps = path.split('/').slice(1);
  let at = part as Record<string, unknown>;
  for (const step of steps.slice(0, -1)) at = (at[step] ??= {}) as Record<string, unknown>;
  at[steps.at(-1)!] = structuredClone(value);
}

/** A value that is known by somebody, as against a group of values. */
const isLeaf = (v: unknown): boolean =>
  typeof v !== 'object' || v === null || Array.isArray(v) || 'basis' in v || Object.keys(v).length === 0;

/** What differs between two states of a part: the places, and what stands there now. */
export function differences(before: unknown, after: unknown, path = ''): { path: string; value: unknown }[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return [];
  if (after === undefined) return [{ path, value: null }];
  if (isLeaf(before) || isLeaf(after)) return [{ path, value: after }];
  const was = before as Record<string, unknown>;
  const is = after as Record<string, unknown>;
  // A group that has lost a member is another group: where a wire landed, and where it lands.
  if (path !== '' && Object.keys(was).some((name) => is[name] === undefined)) return [{ path, value: after }];
  return [...new Set([...Object.keys(was), ...Object.keys(is)])].flatMap((name) =>
    differences(was[name], is[name], `${path}/${name}`),
  );
}

/** What was set in a plan by hand on one part, and what dropping it goes back to. */
export function byHand(document: JobDocument, plan: string, part: string): [string, Change][] {
  const entry = document.plans[plan];
  return entry
    ? inOrder(entry).filter(([, c]) => c.by === 'hand' && c.target === part && (c.op === 'set' || c.op === 'move'))
    : [];
}

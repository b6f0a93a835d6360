import type { Answer, Finding } from '../api/client';
import { t } from '../words/t';

/** What takes a pedestal that is wired wrong stands apart: it is nobody's mistake here. */
export const isOutside = (f: Finding): boolean => f.ways.kind === 'outside';

/** What this rig does by itself or by a slip. */
export const ownFindings = (answer: Answer): Finding[] => answer.findings.filter((f) => !isOutside(f));

export const countOf = (answer: Answer, severity: Finding['severity']): number =>
  ownFindings(answer).filter((f) => f.severity === severity).length;

/** "1 danger", "2 dangers" */
export const counted = (n: number, what: 'danger' | 'warning'): string =>
  t(what === 'danger' ? 'plan.danger' : 'plan.warning', { count: n });

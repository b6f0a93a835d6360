import type { Plate } from '../../api/client';

/** What is always true of a part: its figures, a line each. */
export function Lines({ plate }: { plate: Plate }) {
  return plate.lines.map((line) => <span key={line}>{line}</span>);
}

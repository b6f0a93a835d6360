import type { Build } from '../api/client';

/** From this on what goes on by itself is drawn beside the rope, min. */
export const BESIDE_MIN = 30;

/** What goes on by itself, beside the rope: from the step that begins it to the first that waits for it. */
export interface Strand {
  step: string;
  from: number;
  to: number;
  /** 0 is nearest the rope's words; two that run at once are in different lanes */
  lane: number;
}

/** The strands beside the rope, in the order in which they begin. */
export function strands(build: Pick<Build, 'steps' | 'links'>): Strand[] {
  const place = new Map(build.steps.map((s, n) => [s.id, n]));
  const ends: number[] = [];
  const all: Strand[] = [];
  build.steps.forEach((step, from) => {
    if (step.unattendedMin < BESIDE_MIN) return;
    const waiting = build.links
      .filter((l) => l.before === step.id)
      .map((l) => place.get(l.after) ?? build.steps.length)
      .filter((n) => n > from);
    const to = Math.min(build.steps.length - 1, ...waiting);
    const free = ends.findIndex((end) => end <= from);
    const lane = free === -1 ? ends.length : free;
    ends[lane] = to;
    all.push({ step: step.id, from, to, lane });
  });
  return all;
}

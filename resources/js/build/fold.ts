import type { Build, Step, StepState } from '../api/client';
import type { Line } from './store';

/** A line that waits here, with who wrote it. */
export interface Waiting {
  line: Line;
  by: string;
  tablet: string;
}

type Answers = StepState['answers'];

/** How steps stand with what is written here and not taken yet: the same reading of the logbook as the server's. */
export function stands(
  build: Pick<Build, 'steps' | 'links' | 'states' | 'arrivals' | 'replaced'>,
  waiting: Waiting[],
): Record<string, StepState> {
  if (waiting.length === 0) return build.states;
  const states: Record<string, StepState> = {};
  // What the step said when it was done is not told: done and not reopened means that it said the same.
  const marks: Record<string, string> = {};
  for (const step of build.steps) {
    const was = build.states[step.id]!;
    states[step.id] = {
      ...was,
      answers: { ...was.answers },
      conflicts: { ...was.conflicts },
      photos: { ...was.photos },
      notes: [...was.notes],
    };
    marks[step.id] = was.status === 'reopened' ? '' : step.mark;
  }
  for (const { line, by } of waiting) {
    const state = states[line.step];
    if (state) apply(state, line, by, marks);
  }
  return judged(build, states, marks, onTheWay(build, waiting));
}

function apply(state: StepState, line: Line, by: string, marks: Record<string, string>): void {
  const says = line.says as Record<string, string | number | boolean | undefined>;
  const note = { words: String(says.words ?? ''), by, at: line.at };
  switch (line.kind) {
    case 'start':
      state.startedAt = line.at;
      state.by = by;
      break;
    case 'done':
      state.doneAt = line.at;
      state.by = by;
      state.override = '';
      marks[line.step] = String(says.mark ?? '');
      break;
    case 'undone':
      state.doneAt = null;
      state.override = '';
      state.notes.push(note);
      break;
    case 'override':
      state.override = note.words;
      state.doneAt = line.at;
      state.by = by;
      break;
    case 'note':
      state.notes.push(note);
      break;
    case 'value': {
      const ask = String(says.ask);
      delete state.conflicts[ask];
      state.answers[ask] = {
        value: (says.number ?? says.words ?? says.tick ?? null) as Answers[string]['value'],
        right: null,
        by,
        at: line.at,
        entry: line.uuid,
        instrument: String(says.instrument ?? ''),
      };
      break;
    }
    case 'photo': {
      const ask = String(says.ask ?? 'photo');
      state.photos[ask] = (state.photos[ask] ?? 0) + 1;
      break;
    }
  }
}

/** Materials that somebody has said are on their way, and that nothing stands in for. */
function onTheWay(
  build: Pick<Build, 'arrivals' | 'replaced'>,
  waiting: Waiting[],
): (line: Step['lists'][number]) => boolean {
  const here: Record<string, boolean> = {};
  for (const [key, arrival] of Object.entries(build.arrivals)) here[key] = arrival.here;
  const replaced = new Set(build.replaced);
  for (const { line } of waiting) {
    if (line.kind === 'arrival') here[String(line.says.key)] = line.says.here === true;
    if (line.kind === 'substitute') replaced.add(String(line.says.key));
  }
  return (line) => here[line.key] === false && !replaced.has(line.words.slice(0, 80));
}

function judged(
  build: Pick<Build, 'steps' | 'links'>,
  states: Record<string, StepState>,
  marks: Record<string, string>,
  away: (line: Step['lists'][number]) => boolean,
): Record<string, StepState> {
  const waits: Record<string, string[]> = {};
  for (const link of build.links) (waits[link.after] ??= []).push(link.before);
  const gates = new Set(build.steps.filter((s) => s.gate).map((s) => s.id));
  // In working order: what a step waits for is judged before it.
  for (const step of build.steps) {
    const state = states[step.id]!;
    for (const ask of step.asks) {
      reckon(ask, state);
      const answer = state.answers[ask.id];
      if (answer) answer.right = isRight(ask, answer.value);
    }
    state.missing = [...step.lists.filter(away).map((l) => `${l.words}: not here yet`), ...missing(step, state)];
    const free = (waits[step.id] ?? []).every((id) => isPassed(states[id]!, gates.has(id)));
    state.status =
      state.override !== ''
        ? 'overridden'
        : state.doneAt !== null && marks[step.id] !== step.mark
          ? 'reopened'
          : state.doneAt !== null
            ? state.missing.length === 0
              ? 'done'
              : 'incomplete'
            : !free
              ? 'waiting'
              : state.startedAt !== null
                ? 'running'
                : 'open';
  }
  return states;
}

/** What a meter shows where nothing conducts. */
export const OPEN = 'open';

export function isPassed(state: StepState, gate: boolean): boolean {
  return state.status === 'done' || state.status === 'overridden' || (!gate && state.status === 'incomplete');
}

/** Whether what was recorded is what it should be; null when there is nothing to hold it against. */
export function isRight(ask: Step['asks'][number], value: unknown): boolean | null {
  if (ask.kind === 'tick') return value === true;
  if (ask.expected !== '') return value === ask.expected;
  if (ask.kind !== 'number' && ask.kind !== 'reckoned') return null;
  // No path at all is more ohms than any figure.
  if (value === OPEN && ask.unit === 'Ω') return ask.high === null;
  if (typeof value !== 'number') return false;
  if (ask.low === null && ask.high === null) return null;
  return (ask.low === null || value >= ask.low - 1e-9) && (ask.high === null || value <= ask.high + 1e-9);
}

/** What nobody writes down because it follows from what is written. */
function reckon(ask: Step['asks'][number], state: StepState): void {
  if (ask.kind !== 'reckoned') return;
  delete state.answers[ask.id];
  delete state.conflicts[ask.id];
  const from = ask.of.map((of) => state.answers[of]);
  const figures = from.map((a) => a?.value).filter((v) => typeof v === 'number');
  if (figures.length === 0 || figures.length < from.length) return;
  const [first, second] = figures as [number, number];
  if (ask.how === 'ratio' && Math.abs(second) < 1e-9) return;
  const value = ask.how === 'spread' ? Math.max(...figures) - Math.min(...figures) : (1000 * first) / second;
  const last = (from as Answers[string][]).reduce((a, b) => (b.at >= a.at ? b : a));
  state.answers[ask.id] = { ...last, value: Math.round(value * 1e6) / 1e6 };
}

/** Words of what is asked for and not recorded, or not right: as the server says them. */
function missing(step: Step, state: StepState): string[] {
  const said: string[] = [];
  for (const ask of step.asks) {
    const answer = state.answers[ask.id];
    const photographed = ask.kind === 'photo' && (state.photos[ask.id] ?? 0) > 0;
    if (state.conflicts[ask.id]) said.push(`${ask.words}: recorded twice, and not the same`);
    else if (ask.finds && answer) continue;
    else if (ask.kind === 'reckoned' && !answer) continue;
    else if (!answer && String(state.answers[ask.excusedBy]?.value ?? '').trim() !== '') continue;
    else if (answer?.right === false && state.answers[ask.signedBy]) continue;
    else if (answer && answer.right === false && (ask.required || ask.kind === 'number'))
      said.push(`${ask.words}: not as it should be`);
    else if (ask.required && !answer && !photographed) said.push(`${ask.words}: not recorded`);
  }
  return said;
}

/** The step to do next: what runs, else the first that is open; null when nothing is left. */
export function nextStep(steps: Step[], states: Record<string, StepState>): string | null {
  const now = steps.filter((s) => !s.later);
  return (
    now.find((s) => states[s.id]!.status === 'running')?.id ??
    now.find((s) => states[s.id]!.status === 'reopened')?.id ??
    now.find((s) => states[s.id]!.status === 'open')?.id ??
    null
  );
}

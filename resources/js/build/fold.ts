import type { Build, Step, StepState } from '../api/client';
import { saysSomething } from './reason';
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
  const before = gatesBefore(build);
  const steps = new Map(build.steps.map((s) => [s.id, s]));
  waiting.forEach(({ line, by }, n) => {
    const state = states[line.step];
    const step = steps.get(line.step);
    if (!state || !step) return;
    const passed = (id: string) => wasPassed(steps.get(id)!, states[id]!, marks, onTheWay(build, waiting.slice(0, n)));
    const why = staysShut(step, line, states, passed, before, steps);
    if (why === null) apply(state, line, by, marks);
    else state.notes.push({ words: `Not taken: ${why} ${String(line.says.words ?? '')}`.trim(), by, at: line.at });
  });
  return judged(build, states, marks, onTheWay(build, waiting));
}

/** Why nobody passes some gates: as the server says it. */
export const ABSOLUTE =
  'Nobody passes this without its proof: where it cannot be opened or measured as it stands here, another way ' +
  'is found and recorded.';

/** What each step waits for, and every gate that anything before it waits for. */
function gatesBefore(build: Pick<Build, 'steps' | 'links'>): (step: string) => string[] {
  const waits: Record<string, string[]> = {};
  for (const link of build.links) (waits[link.after] ??= []).push(link.before);
  const gates = new Set(build.steps.filter((s) => s.gate).map((s) => s.id));
  return (step) => {
    const found = [...(waits[step] ?? [])];
    const queue = [...found];
    const seen = new Set(found);
    for (const at of queue)
      for (const id of waits[at] ?? []) {
        if (seen.has(id)) continue;
        seen.add(id);
        queue.push(id);
        if (gates.has(id)) found.push(id);
      }
    return found;
  };
}

/** Why a line does nothing: it would pass a gate that stays shut, or take a source that comes after another. */
function staysShut(
  step: Step,
  line: Line,
  states: Record<string, StepState>,
  passed: (id: string) => boolean,
  before: (id: string) => string[],
  steps: Map<string, Step>,
): string | null {
  if (line.kind === 'override' && step.absolute) return ABSOLUTE;
  if ((line.kind === 'override' || line.kind === 'done') && step.gate)
    for (const id of before(step.id)) if (!passed(id)) return `It still waits for “${steps.get(id)!.title}”.`;
  if (line.kind === 'value' && step.inOrder && line.says.tick !== false) {
    const first = inTurn(step, states[step.id]!, String(line.says.ask));
    if (first !== null) return `First: ${first.words}.`;
  }
  return null;
}

/** What must be ticked before an ask of a step that goes in order; null when it is its turn. */
export function inTurn(step: Step, state: StepState, ask: string): Step['asks'][number] | null {
  if (!step.inOrder) return null;
  for (const other of step.asks) {
    if (ask === other.id || ask === other.otherwise) return null;
    if (state.answers[other.id]?.value !== true && !isOtherwise(state, other)) return other;
  }
  return null;
}

/** Whether somebody has said how else something was opened or measured, in words of substance. */
export function isOtherwise(state: StepState, ask: Step['asks'][number]): boolean {
  return ask.otherwise !== '' && saysSomething(String(state.answers[ask.otherwise]?.value ?? ''));
}

function wasPassed(
  step: Step,
  state: StepState,
  marks: Record<string, string>,
  away: (line: Step['lists'][number]) => boolean,
): boolean {
  if (state.override !== '') return true;
  if (state.doneAt === null) return false;
  return !step.gate || marks[step.id] !== step.mark || (!step.lists.some(away) && look(step, state).length === 0);
}

/** What is missing or wrong at a step, with each answer held against what is asked. */
function look(step: Step, state: StepState): string[] {
  for (const ask of step.asks) {
    reckon(ask, state);
    const answer = state.answers[ask.id];
    if (answer) state.answers[ask.id] = { ...answer, right: isRight(ask, answer.value) };
  }
  return missing(step, state);
}

/** A gate that a lead has passed without its proof, and that is still open. */
export interface PassedOver {
  step: Step;
  why: string;
  by: string;
  at: string;
  wrong: { ask: Step['asks'][number]; value: unknown }[];
  missing: string[];
}

/** Gates before a step that were passed without their proof: shown on every later step until they are closed. */
export function passedOver(
  build: Pick<Build, 'steps' | 'open'>,
  states: Record<string, StepState>,
  step: string,
  closed: Set<string>,
): PassedOver[] {
  const found: PassedOver[] = [];
  for (const s of build.steps) {
    if (s.id === step) break;
    const state = states[s.id]!;
    if (state.status !== 'overridden' || closed.has(`override_${s.id}`)) continue;
    found.push({
      step: s,
      why: state.override,
      by: state.by,
      at: state.doneAt ?? '',
      wrong: s.asks
        .filter((a) => state.answers[a.id]?.right === false)
        .map((ask) => ({ ask, value: state.answers[ask.id]!.value })),
      missing: state.missing,
    });
  }
  return found;
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
    const lacks = look(step, state);
    state.missing = [...step.lists.filter(away).map((l) => `${l.words}: not here yet`), ...lacks];
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
    else if (ask.kind === 'tick' && isOtherwise(state, ask)) continue;
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

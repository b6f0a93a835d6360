import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Build, StepState } from '../api/client';
import { isRight, nextStep, stands } from './fold';
import type { Line } from './store';

interface Fixture {
  work: Pick<Build, 'steps' | 'links'>;
  cases: { lines: Line[]; before: Record<string, StepState>; after: Record<string, StepState> }[];
}

const fixture = JSON.parse(readFileSync('storage/fixtures/logbook.json', 'utf8')) as Fixture;

/** Empty maps come as maps or lists; which conflicts settled and which tablet wrote is not read here. */
const plain = (states: Record<string, StepState>) =>
  Object.fromEntries(
    Object.entries(states).map(([id, s]) => [
      id,
      {
        status: s.status,
        startedAt: s.startedAt,
        doneAt: s.doneAt,
        override: s.override,
        missing: s.missing,
        photos: { ...s.photos },
        answers: Object.fromEntries(Object.entries(s.answers).map(([a, v]) => [a, [v.value, v.right]])),
        notes: s.notes.map((n) => n.words),
      },
    ]),
  );

describe('the tablet reads the logbook as the server does', () => {
  it.each(fixture.cases.map((c, n) => [n, c] as const))('drawn lines %i', (_, { lines, before, after }) => {
    const waiting = lines.slice(20).map((line) => ({ line, by: 'Idris', tablet: 'one' }));
    const build = { ...fixture.work, states: before };
    expect(plain(stands(build, waiting))).toEqual(plain(after));
  });

  it('leaves what the server told as it is', () => {
    const { before, lines } = fixture.cases[0]!;
    const copy = structuredClone(before);
    stands(
      { ...fixture.work, states: before },
      lines.map((line) => ({ line, by: 'Idris', tablet: 'one' })),
    );
    expect(before).toEqual(copy);
  });
});

describe('what is right', () => {
  const ask = {
    id: 'a',
    words: 'a',
    required: true,
    unit: 'V',
    why: '',
    options: [],
    expected: '',
    finds: false,
    signedBy: '',
    excusedBy: '',
  };
  it.each([
    ['in its band', { ...ask, kind: 'number', low: 1, high: 2 }, 1.5, true],
    ['at its edge', { ...ask, kind: 'number', low: 1, high: 2 }, 2, true],
    ['past it', { ...ask, kind: 'number', low: 1, high: 2 }, 2.1, false],
    ['open above', { ...ask, kind: 'number', low: 20, high: null }, 1e6, true],
    ['nothing to hold it against', { ...ask, kind: 'number', low: null, high: null }, 3, null],
    ['a tick taken back', { ...ask, kind: 'tick', low: null, high: null }, false, false],
    ['words', { ...ask, kind: 'text', low: null, high: null }, 'x', null],
    ['the word that is right', { ...ask, kind: 'text', low: null, high: null, expected: 'dark' }, 'dark', true],
    ['another word', { ...ask, kind: 'text', low: null, high: null, expected: 'dark' }, 'says open ground', false],
    ['open, where many ohms are right', { ...ask, kind: 'number', unit: 'Ω', low: 20, high: null }, 'open', true],
    ['open, where few are', { ...ask, kind: 'number', unit: 'Ω', low: 0, high: 1 }, 'open', false],
    ['open, in volts', { ...ask, kind: 'number', low: 0, high: 1 }, 'open', false],
  ] as const)('%s', (_, asked, value, right) => {
    expect(isRight(asked as never, value)).toBe(right);
  });
});

it('goes on with what runs, then with what is to be done again, then with what is open', () => {
  const steps = fixture.work.steps;
  const states = structuredClone(fixture.cases[0]!.before);
  for (const s of steps) states[s.id]!.status = 'waiting';
  expect(nextStep(steps, states)).toBeNull();
  states[steps[5]!.id]!.status = 'open';
  expect(nextStep(steps, states)).toBe(steps[5]!.id);
  states[steps[9]!.id]!.status = 'reopened';
  expect(nextStep(steps, states)).toBe(steps[9]!.id);
  states[steps[11]!.id]!.status = 'running';
  expect(nextStep(steps, states)).toBe(steps[11]!.id);
});

it('opens nothing after a baseline that was not read, until somebody says why', () => {
  const step = fixture.work.steps.find((s) => s.kind === 'baseline')!;
  const before = structuredClone(fixture.cases[0]!.before);
  before[step.id] = { ...before[step.id]!, answers: {}, conflicts: {}, photos: {}, override: '' };
  const line = (kind: string, says: Line['says']) => ({
    line: { uuid: kind + String(says.words), kind, step: step.id, says, at: '2026-11-27T09:00:00Z' } as Line,
    by: 'Idris',
    tablet: 'one',
  });
  const done = line('done', { mark: step.mark });
  const after = (...more: ReturnType<typeof line>[]) =>
    stands({ ...fixture.work, states: before }, [done, ...more])[step.id]!;
  expect(after().missing).toHaveLength(step.asks.filter((a) => a.finds).length);
  expect(after(line('value', { ask: 'unread', words: ' ' })).status).toBe('incomplete');
  expect(after(line('value', { ask: 'unread', words: 'no pedestal' }))).toMatchObject({ status: 'done', missing: [] });
});

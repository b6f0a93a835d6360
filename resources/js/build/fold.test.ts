import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Build, StepState } from '../api/client';
import { isRight, nextStep, stands } from './fold';
import type { Line } from './store';
import { asked } from './testing-work';

interface Fixture {
  work: Pick<Build, 'steps' | 'links' | 'arrivals' | 'replaced'>;
  cases: {
    known: number;
    lines: Line[];
    before: Record<string, StepState>;
    arrivals: Build['arrivals'];
    replaced: string[];
    after: Record<string, StepState>;
  }[];
}

const fixture = JSON.parse(readFileSync('storage/fixtures/logbook.json', 'utf8')) as Fixture;
Object.assign(fixture.work, { arrivals: {}, replaced: [] });

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
  it.each(fixture.cases.map((c, n) => [n, c] as const))(
    'drawn lines %i',
    (_, { known, lines, before, arrivals, replaced, after }) => {
      const waiting = lines.slice(known).map((line) => ({ line, by: 'Idris', tablet: 'one' }));
      const build = { ...fixture.work, states: before, arrivals, replaced };
      expect(plain(stands(build, waiting))).toEqual(plain(after));
    },
  );

  it('is held together on what matters: gates passed and shut, ways found, materials, signatures', () => {
    const all = fixture.cases.flatMap((c) => Object.values(c.after));
    const kinds = new Set(fixture.cases.flatMap((c) => c.lines.map((l) => l.kind)));
    const gates = new Set(fixture.work.steps.filter((s) => s.gate).map((s) => s.id));
    const passed = fixture.cases.flatMap((c) =>
      Object.entries(c.after).filter(([id, s]) => gates.has(id) && ['done', 'overridden'].includes(s.status)),
    );
    expect(passed.length).toBeGreaterThan(10);
    expect(
      all.filter((s) => s.notes.some((n) => n.words.startsWith('Not taken: Nobody passes'))).length,
    ).toBeGreaterThan(3);
    expect(all.filter((s) => s.notes.some((n) => n.words.startsWith('Not taken: It still'))).length).toBeGreaterThan(3);
    expect(all.filter((s) => s.missing.some((m) => m.endsWith('not here yet'))).length).toBeGreaterThan(0);
    for (const kind of ['arrival', 'substitute', 'override', 'undone', 'photo']) expect(kinds).toContain(kind);
    const asked = new Set(fixture.cases.flatMap((c) => c.lines.map((l) => String(l.says.ask ?? ''))));
    expect([...asked].some((a) => a.startsWith('way.'))).toBe(true);
    expect(asked).toContain('signed');
    expect(asked).toContain('unread');
    const reckoned = new Set(
      fixture.work.steps.flatMap((s) => s.asks.filter((a) => a.kind === 'reckoned').map((a) => `${s.id} ${a.id}`)),
    );
    const worked = fixture.cases.flatMap((c) =>
      Object.entries(c.after).flatMap(([id, s]) => Object.keys(s.answers).filter((a) => reckoned.has(`${id} ${a}`))),
    );
    expect(worked.length).toBeGreaterThan(0);
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
  const ask = asked({ unit: 'V' });
  it.each([
    ['in its band', { ...ask, kind: 'number', low: 1, high: 2 }, 1.5, true],
    ['at its edge', { ...ask, kind: 'number', low: 1, high: 2 }, 2, true],
    ['past it', { ...ask, kind: 'number', low: 1, high: 2 }, 2.1, false],
    ['open above', { ...ask, kind: 'number', low: 20, high: null }, 1e6, true],
    ['nothing to hold it against', { ...ask, kind: 'number', low: null, high: null }, 3, null],
    ['words where a figure belongs', { ...ask, kind: 'number', low: null, high: null }, 'banana', false],
    ['a tick taken back', { ...ask, kind: 'tick', low: null, high: null }, false, false],
    ['words', { ...ask, kind: 'text', low: null, high: null }, 'x', null],
    ['the word that is right', { ...ask, kind: 'text', low: null, high: null, expected: 'dark' }, 'dark', true],
    ['another word', { ...ask, kind: 'text', low: null, high: null, expected: 'dark' }, 'says open ground', false],
    ['open, where many ohms are right', { ...ask, kind: 'number', unit: 'Ω', low: 20, high: null }, 'open', true],
    ['open, where few are', { ...ask, kind: 'number', unit: 'Ω', low: 0, high: 1 }, 'open', false],
    ['open, in volts', { ...ask, kind: 'number', low: 0, high: 1 }, 'open', false],
  ] as const)('%s', (_, given, value, right) => {
    expect(isRight(given as never, value)).toBe(right);
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

describe('what follows from figures', () => {
  const reckoned = (how: string, high: number) =>
    asked({ id: 'it', kind: 'reckoned', unit: 'V', low: 0, high, of: ['a', 'b'], how });
  const step = fixture.work.steps[0]!;
  const value = (ask: string, number: number) => ({
    line: {
      uuid: ask,
      kind: 'value',
      step: step.id,
      says: { ask, number },
      at: '2026-11-27T09:00:00Z',
      seen: 0,
    } as Line,
    by: 'Idris',
    tablet: 'one',
  });
  const answer = (how: string, ...lines: ReturnType<typeof value>[]) => {
    const states = structuredClone(fixture.cases[0]!.before);
    states[step.id]!.answers = {};
    const steps = fixture.work.steps.map((s) => (s.id === step.id ? { ...s, asks: [reckoned(how, 0.1)] } : s));
    return stands({ ...fixture.work, steps, states } as never, lines)[step.id]!.answers.it;
  };
  it('is the spread of all of them, or one by another in thousandths', () => {
    expect(answer('spread', value('a', 13.4), value('b', 13.45))).toMatchObject({ value: 0.05, right: true });
    expect(answer('spread', value('a', 13.4), value('b', 13.6))).toMatchObject({ value: 0.2, right: false });
    expect(answer('ratio', value('a', 0.3), value('b', 20))).toMatchObject({ value: 15, right: false });
  });
  it('is nothing while one is missing, and nothing by nothing', () => {
    expect(answer('spread', value('a', 13.4))).toBeUndefined();
    expect(answer('spread', value('a', 13.4), value('it', 0))).toBeUndefined();
    expect(answer('ratio', value('a', 0.3), value('b', 0))).toBeUndefined();
  });
});

it('has no material gate passed while something is on its way, unless something stands in for it', () => {
  const step = fixture.work.steps.find((s) => s.kind === 'materials')!;
  const material = step.lists.find((l) => l.key !== '')!;
  const states = structuredClone(fixture.cases[0]!.before);
  Object.assign(states[step.id]!, { answers: {}, conflicts: {}, override: '' });
  const line = (kind: string, says: Line['says'], of = '') => ({
    line: { uuid: `${kind}${JSON.stringify(says)}`, kind, step: of, says, at: '2026-11-27T09:00:00Z', seen: 0 } as Line,
    by: 'Idris',
    tablet: 'one',
  });
  const counted = [line('value', { ask: 'all_here', tick: true }, step.id), line('done', { mark: step.mark }, step.id)];
  const status = (arrivals: Build['arrivals'], ...more: ReturnType<typeof line>[]) =>
    stands({ ...fixture.work, states, arrivals }, [...counted, ...more])[step.id]!.status;
  const away = { [material.key]: { date: '2026-12-02', here: false } };
  expect(status({})).toBe('done');
  expect(status(away)).toBe('incomplete');
  expect(status(away, line('arrival', { key: material.key, here: true }))).toBe('done');
  expect(status(away, line('substitute', { key: material.words.slice(0, 80), words: 'x', why: 'y' }))).toBe('done');
  expect(status({}, line('arrival', { key: material.key, date: '2026-12-02' }))).toBe('incomplete');
});

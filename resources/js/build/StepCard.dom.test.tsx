// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Ask, Build, Step, StepState } from '../api/client';
import { inDocument } from '../testing-dom';
import { stands } from './fold';
import { OpenItems } from './OpenItems';
import { StepCard } from './StepCard';
import { asked } from './testing-work';
import type { BuildHold } from './useBuild';

afterEach(cleanup);

const fixture = JSON.parse(readFileSync('storage/fixtures/logbook.json', 'utf8')) as {
  work: Pick<Build, 'steps' | 'links' | 'stages'>;
  cases: { before: Record<string, StepState> }[];
};

/** The work of the demo rig, as nobody has touched it, with a step of one's own asks at its beginning. */
function card(asks: Partial<Ask>[], more: Partial<Step> = {}, state: Partial<StepState> = {}, open: unknown[] = []) {
  const first = fixture.work.steps[0]!;
  const step: Step = {
    ...first,
    labels: [],
    asks: asks.map((a, n) => asked({ id: `a${n}`, words: `Ask ${n}`, ...a })),
    ...more,
  };
  const untouched = structuredClone(fixture.cases[0]!.before);
  for (const s of Object.values(untouched))
    Object.assign(s, { status: 'open', startedAt: null, doneAt: null, override: '', answers: {}, conflicts: {} });
  Object.assign(untouched[step.id]!, { photos: {}, notes: [], missing: [] }, state);
  const steps = fixture.work.steps.map((s) => (s.id === step.id ? step : s));
  const build = {
    ...fixture.work,
    steps,
    states: untouched,
    job: 1,
    revision: 2,
    plan: 'line',
    open,
    photos: [],
    wires: [],
    arrivals: {},
    replaced: [],
  } as unknown as Build;
  const lines: { kind: string; says: Record<string, unknown> }[] = [];
  const hold = (): BuildHold => ({
    build,
    states: stands(
      build,
      lines.map((l, n) => ({
        line: { uuid: `u${n}`, step: step.id, at: '2026-11-27T09:00:00Z', seen: 0, ...l },
        by: 'Idris',
        tablet: 'one',
      })),
    ),
    keptAt: null,
    waiting: [],
    pictures: [],
    write: (kind, _, says) => {
      lines.push({ kind, says });
      return Promise.resolve();
    },
    picture: () => Promise.resolve(''),
    again: () => undefined,
  });
  const next = vi.fn();
  const show = () => inDocument(<StepCard hold={hold()} step={step} mayWrite choose={() => undefined} next={next} />);
  return { lines, hold, next, show, again: () => (cleanup(), show()) };
}

const done = () => screen.getByRole('button', { name: /^(Done|Proven)/ });

describe('a step beside the rig', () => {
  it('takes a figure in the units that are on the tools, and keeps newton-metres', async () => {
    const { lines, show, again } = card([{ words: 'Torque', unit: 'N·m', low: 2.26, high: 3.95 }]);
    show();
    expect(screen.getByText(/20 … 35 in·lb/)).toBeTruthy();
    await userEvent.type(screen.getByLabelText('Torque'), '25{Enter}');
    expect(lines).toHaveLength(1);
    expect(lines[0]!.says.number).toBeCloseTo(2.8246, 3);
    again();
    expect(screen.getByLabelText<HTMLInputElement>('Torque').value).toBe('25');
    expect(done().textContent).toBe('Done');
  });

  it.each([
    ['banana', /A number belongs here/],
    ['12,5', /read in two ways/],
    ['12 furlongs', /write it in in·lb/],
  ])('tells what is wrong with “%s”, keeps it in sight and writes nothing', async (typed, trouble) => {
    const { lines, show } = card([{ words: 'Torque', unit: 'N·m', low: 2.26, high: 3.95 }]);
    show();
    await userEvent.type(screen.getByLabelText('Torque'), `${typed}{Enter}`);
    expect(screen.getByRole('alert').textContent).toMatch(trouble);
    expect(screen.getByLabelText<HTMLInputElement>('Torque').value).toBe(typed);
    expect(lines).toEqual([]);
  });

  it('works out what follows from figures, and offers no field for it', async () => {
    const { show, again } = card([
      { id: 'a', words: 'Battery 1', unit: 'V' },
      { id: 'b', words: 'Battery 2', unit: 'V' },
      { words: 'Largest difference', kind: 'reckoned', unit: 'V', low: 0, high: 0.1, of: ['a', 'b'], how: 'spread' },
    ]);
    show();
    expect(screen.queryByLabelText('Largest difference')).toBeNull();
    expect(screen.getByRole('status').textContent).toBe('follows from what is read');
    await userEvent.type(screen.getByLabelText('Battery 1'), '13.4{Enter}');
    await userEvent.type(screen.getByLabelText('Battery 2'), '13.62{Enter}');
    again();
    expect(screen.getByRole('status').textContent).toBe('0.22 V');
    expect(done().textContent).toBe('Done, 1 still to do');
  });

  it('is no gate passed while something is missing or wrong, asked for or not', async () => {
    const { show, again } = card(
      [
        { words: 'Looked at', kind: 'tick' },
        { words: 'Frame to earth', unit: 'V', low: 0, high: 1, required: false },
      ],
      { gate: true },
      { missing: ['Looked at: not recorded'] },
    );
    show();
    expect(done()).toHaveProperty('disabled', true);
    await userEvent.click(screen.getByRole('checkbox', { name: 'Looked at' }));
    await userEvent.type(screen.getByLabelText('Frame to earth'), '50{Enter}');
    again();
    expect(done()).toHaveProperty('disabled', true);
    await userEvent.clear(screen.getByLabelText('Frame to earth'));
    await userEvent.type(screen.getByLabelText('Frame to earth'), '0.2{Enter}');
    again();
    expect(done()).toHaveProperty('disabled', false);
    expect(done().textContent).toBe('Proven');
  });

  it('names what it waits for, a gate that is done with something missing too', () => {
    const gate = fixture.work.steps.find((s) => s.kind === 'isolate')!;
    const after = fixture.work.links.find((l) => l.before === gate.id)!;
    const { hold } = card([]);
    const held = hold();
    held.states[gate.id]!.status = 'incomplete';
    held.states[after.after]!.status = 'waiting';
    const step = held.build.steps.find((s) => s.id === after.after)!;
    inDocument(<StepCard hold={held} step={step} mayWrite choose={() => undefined} next={() => undefined} />);
    expect(screen.getByRole('button', { name: gate.title })).toBeTruthy();
    expect(screen.getAllByText(after.why).length).toBeGreaterThan(0);
  });

  it('shows what is on its way where it is counted, and takes it as come with a tap', async () => {
    const { lines, show } = card(
      [{ words: 'Counted', kind: 'tick' }],
      { gate: true, lists: [{ words: 'Charger 20 A', why: 'for the van', key: 'charger' }] },
      { missing: ['Charger 20 A: not here yet', 'Counted: not recorded'] },
    );
    show();
    expect(done().textContent).toBe('Proven: 2 still to do');
    const row = screen.getByText('Charger 20 A').closest('li')!;
    expect(row.textContent).toContain('Not here yet');
    await userEvent.click(within(row).getByRole('button', { name: 'It is here' }));
    expect(lines).toEqual([{ kind: 'arrival', says: { key: 'charger', here: true } }]);
  });

  it('lets nobody but a lead sign for what falls short', () => {
    card([{ id: 'signed', kind: 'text', words: 'Falls short', required: false }]).show();
    expect(screen.getByLabelText('Falls short')).toHaveProperty('disabled', true);
  });

  it('shows two answers that contradict each other, and settles them with a tap', async () => {
    const { lines, show } = card(
      [{ id: 'a', words: 'Torque', unit: 'N·m', low: 2.26, high: 3.95 }],
      {},
      {
        answers: { a: { value: 3, right: true, by: 'Posy', at: '2026-11-27T08:00:00Z', entry: 'e', instrument: '' } },
        conflicts: {
          a: [
            { value: 2.5, by: 'Idris', at: '2026-11-27T07:00:00Z', tablet: 'one' },
            { value: 3, by: 'Posy', at: '2026-11-27T08:00:00Z', tablet: 'two' },
          ],
        },
      },
    );
    show();
    await userEvent.click(within(screen.getByRole('alert')).getByRole('button', { name: /Idris/ }));
    expect(lines).toEqual([{ kind: 'value', says: { ask: 'a', number: 2.5 } }]);
  });
});

describe('open items', () => {
  const item = {
    id: 'x1',
    kind: 'temporary',
    words: 'Thin strap, 30 cm of it',
    blocks: true,
    whose: 'the owner',
    due: '',
    event: 'the panels arrive',
    capW: 1500,
    late: false,
    photo: '',
    step: '',
    by: '',
    at: '',
  };

  it('say whose they are, what they wait for and how much power they leave, in the units chosen', () => {
    const { hold } = card([], {}, {}, [item]);
    inDocument(<OpenItems hold={hold()} />);
    const row = screen.getByText('Thin strap, 12 in of it').closest('li')!;
    for (const part of ['the owner', 'the panels arrive', '1500 W', 'Blocks the hand-over'])
      expect(row.textContent).toContain(part);
  });

  it('are written down with whose they are and their cap; a cap that is none is told', async () => {
    const { hold, lines } = card([]);
    inDocument(<OpenItems hold={hold()} />);
    await userEvent.type(screen.getByLabelText('Something else that is open'), 'Fuse of 250 A');
    await userEvent.type(screen.getByLabelText('Whose it is'), 'the owner');
    await userEvent.type(screen.getByLabelText(/^At most/), 'lots');
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
    expect(screen.getByRole('alert').textContent).toContain('between 1 and 20000');
    expect(lines).toEqual([]);
    await userEvent.clear(screen.getByLabelText(/^At most/));
    await userEvent.type(screen.getByLabelText(/^At most/), '1500 W');
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
    expect(lines).toEqual([
      {
        kind: 'open',
        says: { words: 'Fuse of 250 A', kind: 'temporary', blocks: false, whose: 'the owner', capW: 1500 },
      },
    ]);
  });
});

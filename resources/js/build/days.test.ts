import { describe, expect, it } from 'vitest';
import type { Schedule } from '../api/client';
import { after, dayAt, localIn, picture } from './days';

const people = [
  { id: 'p1', name: 'Idris', rank: 1 },
  { id: 'p2', name: 'Posy', rank: 0 },
  { id: 'p3', name: 'Maren', rank: 2 },
];

const task = (step: string, spans: [string, string][], who: string[], aloneMin = 0, to?: string) => ({
  step,
  title: step,
  spans: spans.map(([from, until]) => ({ from, to: until })),
  from: spans[0]![0],
  to: to ?? spans.at(-1)![1],
  aloneMin,
  people: who,
  floatMin: 0,
});

// Friday the 27th to Monday the 30th of November, Chicago: UTC − 6 h.
const schedule: Pick<Schedule, 'zone' | 'tasks' | 'people' | 'critical'> = {
  zone: 'America/Chicago',
  people,
  critical: ['a', 'c'],
  tasks: [
    task('a', [['2026-11-27T14:00:00Z', '2026-11-27T16:00:00Z']], ['p1'], 840, '2026-11-28T06:00:00Z'),
    task('b', [['2026-11-27T14:00:00Z', '2026-11-27T15:00:00Z']], ['p2']),
    task(
      'c',
      [
        ['2026-11-27T22:00:00Z', '2026-11-27T23:00:00Z'],
        ['2026-11-30T14:00:00Z', '2026-11-30T15:00:00Z'],
      ],
      ['p1', 'p2'],
    ),
  ],
};

describe('the schedule as a picture', () => {
  const drawn = picture(schedule, 400);

  it('has a column a day, wide where somebody works, thin where nobody does', () => {
    expect(drawn.days.map((d) => [d.day, d.worked])).toEqual([
      ['2026-11-27', true],
      ['2026-11-28', false],
      ['2026-11-29', false],
      ['2026-11-30', true],
    ]);
    expect(drawn.days.map((d) => d.width)).toEqual([400, 26, 26, 400]);
    expect(drawn.width).toBe(400 + 26 + 26 + 400 + 3 * 18);
  });

  it('gives each who works a lane, and what goes on by itself the last', () => {
    expect(drawn.lanes).toEqual(['Idris', 'Posy']);
    expect(drawn.blocks.filter((b) => b.alone).map((b) => [b.step, b.lane])).toEqual([['a', 2]]);
  });

  it('draws an hour as wide as an hour, whoever works', () => {
    const a = drawn.blocks.find((b) => b.step === 'a' && !b.alone)!;
    const b = drawn.blocks.find((b) => b.step === 'b')!;
    // From 8 to 17 at least: nine hours in 400 px.
    expect(a.x).toBe(b.x);
    expect(a.width).toBeCloseTo((2 * 400) / 9);
    expect(b.width).toBeCloseTo(400 / 9);
  });

  it('breaks work at the night and draws a helper beside', () => {
    const c = drawn.blocks.filter((b) => b.step === 'c');
    expect(c.map((b) => b.lane)).toEqual([0, 0, 1, 1]);
    expect(c[1]!.x).toBeGreaterThanOrEqual(drawn.days[3]!.x);
    expect(c.every((b) => b.critical)).toBe(true);
  });

  it('finds the day under a hand', () => {
    expect(dayAt(drawn, 200)).toBe('2026-11-27');
    expect(dayAt(drawn, drawn.days[3]!.x + 5)).toBe('2026-11-30');
  });

  it('never draws two blocks of one lane over each other', () => {
    for (const lane of [0, 1]) {
      const own = drawn.blocks.filter((b) => b.lane === lane).sort((x, y) => x.x - y.x);
      own.slice(1).forEach((b, n) => expect(b.x).toBeGreaterThanOrEqual(own[n]!.x + own[n]!.width - 1e-6));
    }
  });
});

it('reads the clock of the workshop, summer and winter', () => {
  const local = localIn('America/Chicago');
  expect(local('2026-11-27T14:30:00Z')).toEqual({ day: '2026-11-27', minute: 8 * 60 + 30 });
  expect(local('2026-07-01T03:30:00Z')).toEqual({ day: '2026-06-30', minute: 22 * 60 + 30 });
});

it('knows the day after, over months and leap days', () => {
  expect(after('2026-11-30')).toBe('2026-12-01');
  expect(after('2028-02-28')).toBe('2028-02-29');
});

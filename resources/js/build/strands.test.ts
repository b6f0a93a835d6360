import { describe, expect, it } from 'vitest';
import { strands } from './strands';

const step = (id: string, unattendedMin = 0) => ({ id, unattendedMin });
const build = (steps: ReturnType<typeof step>[], links: [string, string][]) =>
  ({ steps, links: links.map(([before, after]) => ({ before, after, why: '' })) }) as never;

describe('what goes on by itself', () => {
  it('hangs beside the rope until the first step that waits for it', () => {
    const made = strands(
      build(
        [step('charge', 600), step('a'), step('b'), step('join'), step('after')],
        [
          ['charge', 'after'],
          ['charge', 'join'],
        ],
      ),
    );
    expect(made).toEqual([{ step: 'charge', from: 0, to: 3, lane: 0 }]);
  });

  it('has a lane of its own while another runs, and the same one after it', () => {
    const made = strands(
      build(
        [step('one', 60), step('two', 60), step('join'), step('three', 60), step('end')],
        [
          ['one', 'join'],
          ['two', 'join'],
          ['three', 'end'],
        ],
      ),
    );
    expect(made.map((s) => [s.step, s.lane])).toEqual([
      ['one', 0],
      ['two', 1],
      ['three', 0],
    ]);
  });

  it('leaves out what is short, and goes to the end where nothing waits', () => {
    expect(strands(build([step('wait', 5), step('cure', 90), step('last')], []))).toEqual([
      { step: 'cure', from: 1, to: 2, lane: 0 },
    ]);
  });
});

import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Answer } from '../api/client';
import { fromAddress, planReducer, START, toAddress, type PlanAction, type PlanState } from './planState';

const answers = JSON.parse(readFileSync('storage/fixtures/demo.json', 'utf8')) as Record<string, Answer>;
const answer = Object.values(answers).find((a) => a.findings.some((f) => f.witness.state))!;
const after = (...actions: PlanAction[]): PlanState => actions.reduce(planReducer, START);
const again = (state: PlanState) =>
  fromAddress(new URLSearchParams(toAddress(state, new URLSearchParams()).toString()));

describe('what is looked at in a plan', () => {
  it('stands in the address and comes back from it', () => {
    const states = [
      START,
      after({ do: 'show', form: 'table' }, { do: 'state', id: 'inverting' }, { do: 'volts' }),
      after({ do: 'set', id: 'mode', position: 'on', pedestal: false }, { do: 'rail', rail: 'hand', open: true }),
      after({ do: 'fault', fault: answer.faults[0]! }, { do: 'fold' }),
    ];
    for (const state of states) expect({ ...again(state), touches: state.touches }).toEqual(state);
    expect(toAddress(START, new URLSearchParams('view=p%2Fwhole')).toString()).toBe('view=p%2Fwhole');
  });

  it('makes nothing of nonsense in an address', () => {
    const state = fromAddress(new URLSearchParams('as=castle&beside=moat&hand={"a":1}&open=maybe'));
    expect(state).toEqual({ ...START, open: false });
  });

  it('leaves a faulty pedestal when another state is chosen, and when the pedestal is set by hand', () => {
    const fault = after({ do: 'rail', rail: 'meter', open: true }, { do: 'fault', fault: answer.faults[0]! });
    expect(fault.rail).toBe('meter');
    expect(fault.open).toBe(true);
    expect(planReducer(fault, { do: 'state', id: 'shore_30' })).toMatchObject({ fault: null, hand: null });
    expect(planReducer(fault, { do: 'set', id: 'shore', position: 'good', pedestal: true }).fault).toBeNull();
    expect(planReducer(fault, { do: 'set', id: 'cord', position: 'out', pedestal: false }).fault).toBe(fault.fault);
    expect(planReducer(fault, { do: 'look' })).toMatchObject({ fault: null, finding: null, hand: null });
  });

  it('goes into the state that proves a finding, or into its very setting', () => {
    const named = answer.findings.find((f) => f.witness.state)!;
    expect(after({ do: 'finding', finding: named, answer })).toMatchObject({
      finding: named.id,
      state: named.witness.state,
      hand: null,
    });
    const own = { ...named, witness: { ...named.witness, state: null, controls: { mode: 'on' }, surroundings: {} } };
    expect(after({ do: 'finding', finding: own as never, answer }).hand).toEqual({
      controls: { mode: 'on' },
      surroundings: {},
    });
  });

  it('counts touches, so that the same part twice is two of them', () => {
    const twice = after({ do: 'touch', id: 'inlet' }, { do: 'touch', id: 'inlet' });
    expect(twice).toMatchObject({ chosen: 'inlet', touches: 2 });
  });
});

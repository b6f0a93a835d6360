import type { Answer, Finding } from '../api/client';
import { stateOf } from '../wall/paint';
import type { Form } from './FormSwitch';
import type { Rail } from './RailTabs';

type Positions = Record<string, string>;

/** Controls that are set otherwise than the named state has them. */
export interface Hand {
  controls: Positions;
  surroundings: Positions;
}

/** Everything one can be looking at in a plan; it stands in the address, so that a link shows the same. */
export interface PlanState {
  form: Form;
  /** a named state; empty for the one a rig is looked at first */
  state: string;
  scenario: string;
  finding: string | null;
  /** the part last touched on the wall, and how often anything was: the same twice is two touches */
  chosen: string | null;
  touches: number;
  rail: Rail;
  /** whether what stands beside the wall is open; null for as the screen has room */
  open: boolean | null;
  hand: Hand | null;
  fault: string | null;
  volts: boolean;
}

export const START: PlanState = {
  form: 'wall',
  state: '',
  scenario: '',
  finding: null,
  chosen: null,
  touches: 0,
  rail: 'findings',
  open: null,
  hand: null,
  fault: null,
  volts: false,
};

export type PlanAction =
  | { do: 'show'; form: Form }
  | { do: 'state'; id: string }
  | { do: 'scenario'; id: string }
  | { do: 'finding'; finding: Finding | null; answer: Answer | undefined }
  | { do: 'touch'; id: string | null }
  | { do: 'rail'; rail: Rail; open: boolean }
  | { do: 'fold' }
  | { do: 'set'; id: string; position: string; pedestal: boolean }
  | { do: 'fault'; fault: Answer['faults'][number] }
  | { do: 'volts' }
  | { do: 'look' };

/** One step from what is looked at to what is looked at next. */
export function planReducer(now: PlanState, action: PlanAction): PlanState {
  switch (action.do) {
    case 'show':
      return { ...now, form: action.form };
    case 'state':
      return { ...now, state: action.id, hand: null, fault: null };
    case 'scenario':
      return { ...now, scenario: action.id };
    case 'finding': {
      const next = { ...now, finding: action.finding?.id ?? null };
      if (!action.finding || !action.answer) return next;
      const { state, controls, surroundings } = action.finding.witness;
      if (state) return { ...next, state, hand: null, fault: null };
      if (!controls) return next;
      // No named state shows it: the wall goes into the very setting that does.
      const near = stateOf(action.finding, action.answer);
      return {
        ...next,
        state: near ?? next.state,
        hand: { controls, surroundings: surroundings ?? {} },
        fault: null,
      };
    }
    case 'touch':
      return { ...now, chosen: action.id, touches: now.touches + 1 };
    case 'rail':
      return { ...now, rail: action.rail, open: action.open };
    case 'fold':
      return { ...now, open: false };
    case 'set': {
      const hand = now.hand ?? { controls: {}, surroundings: {} };
      const key = action.pedestal ? 'surroundings' : 'controls';
      return {
        ...now,
        // Another pedestal is no longer the faulty one that was chosen.
        fault: action.pedestal ? null : now.fault,
        hand: { ...hand, [key]: { ...hand[key], [action.id]: action.position } },
      };
    }
    case 'fault':
      return {
        ...now,
        hand: { controls: action.fault.controls, surroundings: action.fault.surroundings },
        fault: action.fault.id,
      };
    case 'volts':
      return { ...now, volts: !now.volts };
    case 'look':
      // Another plan: a finding, a setting, a fault of this one say nothing there.
      return { ...now, finding: null, hand: null, fault: null, chosen: null };
  }
}

const NAMES = {
  form: 'as',
  state: 'state',
  scenario: 'running',
  finding: 'finding',
  chosen: 'about',
  rail: 'beside',
  fault: 'fault',
} as const;

/** The state as it stands in an address; what is as at the start is left out. */
export function toAddress(state: PlanState, address: URLSearchParams): URLSearchParams {
  const next = new URLSearchParams(address);
  const put = (name: string, value: string | null) => {
    if (value === null || value === '') next.delete(name);
    else next.set(name, value);
  };
  for (const [key, name] of Object.entries(NAMES) as [keyof typeof NAMES, string][])
    put(name, state[key] === START[key] ? null : state[key]);
  put('open', state.open === null ? null : state.open ? '1' : '0');
  put('volts', state.volts ? '1' : null);
  put('hand', state.hand ? JSON.stringify([state.hand.controls, state.hand.surroundings]) : null);
  return next;
}

const FORMS: Form[] = ['wall', 'list', 'table', 'plans', 'compare', 'changes'];
const RAILS: Rail[] = ['findings', 'hand', 'meter'];
const isPositions = (v: unknown): v is Positions =>
  typeof v === 'object' && v !== null && Object.values(v).every((p) => typeof p === 'string');

function handOf(text: string | null): Hand | null {
  try {
    const [controls, surroundings] = JSON.parse(text ?? '') as unknown[];
    return isPositions(controls) && isPositions(surroundings) ? { controls, surroundings } : null;
  } catch {
    return null;
  }
}

/** What an address says; what makes no sense in it is as at the start. */
export function fromAddress(address: URLSearchParams): PlanState {
  const form = address.get(NAMES.form) as Form | null;
  const rail = address.get(NAMES.rail) as Rail | null;
  const open = address.get('open');
  return {
    ...START,
    form: form && FORMS.includes(form) ? form : START.form,
    state: address.get(NAMES.state) ?? '',
    scenario: address.get(NAMES.scenario) ?? '',
    finding: address.get(NAMES.finding),
    chosen: address.get(NAMES.chosen),
    rail: rail && RAILS.includes(rail) ? rail : START.rail,
    open: open === null ? null : open === '1',
    hand: handOf(address.get('hand')),
    fault: address.get(NAMES.fault),
    volts: address.get('volts') === '1',
  };
}

import clsx from 'clsx';
import { useEffect, useMemo, useRef } from 'react';
import type { Build, Step, StepState } from '../api/client';
import { BESIDE_MIN, strands } from './strands';
import { statusWords, lasting, between } from './words';
import { t } from '../words/t';
import './Rope.css';

/** Breadth of a strand beside the rope, px. */
const LANE = 14;

interface Props {
  build: Build;
  states: Record<string, StepState>;
  open: string | null;
  choose: (step: string) => void;
}

/** The work on one rope, from top to bottom: a gate is a knot, and what goes on by itself hangs beside it. */
export function Rope({ build, states, open, choose }: Props) {
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    // The rope scrolls in its own frame; the page stays where it is.
    const step = list.current?.querySelector<HTMLElement>('[aria-current]')?.parentElement;
    const frame = list.current?.closest<HTMLElement>('.rope-panel, .ant-drawer-body');
    if (step && frame) frame.scrollTop = step.offsetTop + list.current!.offsetTop - frame.clientHeight / 2;
  }, [open]);
  const several = build.stages.length > 1;
  const beside = useMemo(() => strands(build), [build]);
  const lanes = Math.max(0, ...beside.map((s) => s.lane + 1));
  return (
    <ol
      className="rope"
      ref={list}
      aria-label={t('build.theRope')}
      style={lanes > 0 ? { paddingRight: 12 + lanes * LANE } : undefined}
    >
      {build.steps.map((step, n) => {
        const state = states[step.id]!;
        const first = build.steps[n - 1]?.stage !== step.stage;
        return (
          <li key={step.id}>
            {several && first && <h2 className="rope-stage">{build.stages.find((s) => s.id === step.stage)?.title}</h2>}
            <button
              type="button"
              className={clsx('rope-step', `is-${state.status}`, step.gate && 'is-gate', step.later && 'is-later')}
              aria-current={open === step.id ? 'step' : undefined}
              onClick={() => choose(step.id)}
            >
              <Bead step={step} state={state} />
              <span className="rope-words">
                <b>{step.title}</b>
                <small>
                  {[
                    state.status === 'waiting' || state.status === 'open' ? null : statusWords(state),
                    state.doneAt && state.by ? state.by : null,
                    step.where,
                    between(step.minutes),
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </small>
              </span>
              {step.unattendedMin >= BESIDE_MIN && (
                <span className="rope-alone" title={t('build.goesOnByItself')}>
                  {t('build.alone', { time: lasting(step.unattendedMin) })}
                </span>
              )}
            </button>
            {beside
              .filter((s) => s.from <= n && n <= s.to)
              .map((s) => (
                <span
                  key={s.step}
                  aria-hidden="true"
                  className={clsx('strand', s.from === n && 'begins', s.to === n && 'ends')}
                  style={{ right: -(s.lane + 1) * LANE, width: (s.lane + 1) * LANE }}
                />
              ))}
          </li>
        );
      })}
    </ol>
  );
}

/** Where the step sits on the rope: a bead, or a knot for a gate; filled once it is done. */
function Bead({ step, state }: { step: Step; state: StepState }) {
  const done = state.status === 'done';
  return (
    <svg className="bead" viewBox="0 0 36 36" role="img" aria-label={statusWords(state)}>
      {step.gate ? <path d="M18 3 33 18 18 33 3 18Z" /> : <circle cx="18" cy="18" r="10" />}
      {done && <path className="bead-tick" d="m13 18 4 4 7-8" />}
      {(state.status === 'incomplete' || state.status === 'overridden') && (
        <path className="bead-gap" d="M18 12v7m0 4v1" />
      )}
      {state.status === 'reopened' && <path className="bead-gap" d="M13 16a6 6 0 1 1 1 6m-2-7 1 4 4-1" />}
      {state.status === 'running' && <circle className="bead-now" cx="18" cy="18" r="4" />}
    </svg>
  );
}

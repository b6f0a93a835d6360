import { useEffect, useRef } from 'react';
import type { Answer } from '../api/client';
import { counted } from './findings';
import { t } from '../words/t';
import './plan.css';
import './StateStrip.css';

type State = Answer['states'][number];

/** States that differ in one figure at their end stand together: shore 30, 20, 15 A. */
export function inGroups(states: State[]): { stem: string | null; states: State[] }[] {
  const groups: { stem: string | null; states: State[] }[] = [];
  for (const state of states) {
    const stem = /^(.*\S) \d+ A$/.exec(state.title)?.[1] ?? null;
    const last = groups.at(-1);
    if (stem !== null && last?.stem === stem) last.states.push(state);
    else groups.push({ stem, states: [state] });
  }
  return groups;
}

/** The rig's operating states; choosing one repaints the wall. */
export function StateStrip({
  answer,
  state,
  choose,
  fault,
}: {
  answer: Answer;
  state: string;
  choose: (id: string) => void;
  /** the faulty pedestal that is shown, if one is */
  fault: string | null;
}) {
  const strip = useRef<HTMLDivElement>(null);
  // A state that was chosen by its letter is brought into sight.
  useEffect(() => {
    strip.current?.querySelector('[aria-checked="true"]')?.scrollIntoView?.({ block: 'nearest', inline: 'nearest' });
  }, [state]);
  const dangers = (id: string) =>
    answer.findings.filter((f) => f.severity === 'danger' && f.witness.states.includes(id)).length;
  return (
    <div className="strip" role="radiogroup" aria-label={t('plan.operatingState')} ref={strip}>
      {state === 'by_hand' && !fault && (
        <span className="strip-state strip-hand" role="status">
          {t('plan.setByHand')}
        </span>
      )}
      {inGroups(answer.states.filter((s) => s.group !== 'battery')).map(({ stem, states }) => {
        const together = states.length > 1;
        return (
          <span key={states[0]!.id} className={together ? 'strip-group' : 'strip-one'}>
            {together && <span className="strip-stem">{stem}</span>}
            {states.map((s) => {
              const n = dangers(s.id);
              return (
                <button
                  key={s.id}
                  type="button"
                  role="radio"
                  aria-checked={state === s.id}
                  aria-label={`${s.letter} ${s.title}${n > 0 ? `, ${counted(n, 'danger')}` : ''}`}
                  className="strip-state"
                  onClick={() => choose(s.id)}
                >
                  <b>{s.letter}</b> {together ? s.title.slice(stem!.length + 1) : s.title}
                  {n > 0 && <span className="count-danger">{n}</span>}
                </button>
              );
            })}
          </span>
        );
      })}
    </div>
  );
}

/** What else may be: of the batteries, and wrong with the pedestal; the choice stays until another state is chosen. */
export function FaultSelect({
  answer,
  state = '',
  choose,
  fault,
  setFault,
}: {
  answer: Answer;
  state?: string;
  choose?: (id: string) => void;
  fault: string | null;
  setFault: (id: string) => void;
}) {
  const batteries = answer.states.filter((s) => s.group === 'battery');
  if (answer.faults.length === 0 && batteries.length === 0) return null;
  const chosen = fault ?? (batteries.some((s) => s.id === state) ? state : '');
  const faults = answer.faults.map((f) => (
    <option key={f.id} value={f.id}>
      {f.title.replace('shore: ', '')}
    </option>
  ));
  return (
    <select
      className={`strip-faults ${chosen ? 'is-chosen' : ''}`}
      aria-label={t(batteries.length > 0 ? 'plan.whatElseMayBe' : 'plan.atAFaultyPedestal2')}
      value={chosen}
      onChange={({ target: { value } }) => (batteries.some((s) => s.id === value) ? choose?.(value) : setFault(value))}
    >
      <option value="" disabled>
        {t(batteries.length > 0 ? 'plan.moreStates' : 'plan.faultyPedestal2')}
      </option>
      {batteries.length > 0 ? (
        <>
          <optgroup label={t('plan.batteries')}>
            {batteries.map((s) => (
              <option key={s.id} value={s.id}>
                {s.letter} {s.title}
              </option>
            ))}
          </optgroup>
          <optgroup label={t('plan.aFaultyPedestal')}>{faults}</optgroup>
        </>
      ) : (
        faults
      )}
    </select>
  );
}

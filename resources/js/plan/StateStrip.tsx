import type { ReactNode } from 'react';
import type { Answer } from '../api/client';
import { counted } from './findings';
import type { Setting } from './useSettled';

/** The rig's operating states; choosing one repaints the wall. */
export function StateStrip({
  answer,
  state,
  choose,
  fault,
  extra,
}: {
  answer: Answer;
  state: string;
  choose: (id: string) => void;
  /** a faulty pedestal, as a setting of its own */
  fault: (setting: Setting) => void;
  extra?: ReactNode;
}) {
  const dangers = (id: string) =>
    answer.findings.filter((f) => f.severity === 'danger' && f.witness.states.includes(id)).length;
  return (
    <div className="strip" role="radiogroup" aria-label="Operating state">
      <span className="strip-when">When</span>
      {answer.states.map((s) => {
        const n = dangers(s.id);
        return (
          <button
            key={s.id}
            type="button"
            role="radio"
            aria-checked={state === s.id}
            className="strip-state"
            onClick={() => choose(s.id)}
          >
            <b>{s.letter}</b> {s.title}
            {n > 0 && (
              <span className="count-danger" aria-label={counted(n, 'danger')}>
                {n}
              </span>
            )}
          </button>
        );
      })}
      {state === 'by_hand' && (
        <span className="strip-state strip-hand" role="status">
          set by hand
        </span>
      )}
      {answer.faults.length > 0 && (
        <select
          className="strip-faults"
          aria-label="At a faulty pedestal"
          value=""
          onChange={(e) => {
            const chosen = answer.faults.find((f) => f.id === e.target.value);
            if (chosen) fault({ controls: chosen.controls, surroundings: chosen.surroundings });
          }}
        >
          <option value="" disabled>
            faulty pedestal …
          </option>
          {answer.faults.map((f) => (
            <option key={f.id} value={f.id}>
              {f.title.replace('shore: ', '')}
            </option>
          ))}
        </select>
      )}
      {extra}
    </div>
  );
}

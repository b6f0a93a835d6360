import clsx from 'clsx';
import { useState } from 'react';
import { Control } from '../parts/Fields';
import { Reds, useReds } from '../parts/red';
import { confirmedAs, knownBy, plainValue } from '../parts/values';
import { useUnits } from '../shell/units';
import { valueWords } from '../ui/spoken';
import { useSurvey } from './context';
import type { Shown } from './survey';
import { t } from '../words/t';
import './Cell.css';

interface Props {
  component: string;
  label: string;
  shown: Shown;
  name: (id: string) => string;
  empty?: string;
}

/** A value in a table: tapped it is edited where it stands; what is assumed has a tick that confirms it. */
export function Cell({ component, label, shown, name, empty = '–' }: Props) {
  const { hold, told, by } = useSurvey();
  const units = useUnits();
  const [draft, setDraft] = useState<{ value: unknown; entered?: string } | null>(null);
  const { field, path, raw } = shown;
  const last = path.split('/').at(-1)!;
  const plain = plainValue(raw);
  const what = `${field.label} of ${label}`;
  const known = knownBy(by);
  const reds = useReds();
  const put = (value: unknown, entered?: string) => {
    // What is red is not taken, and neither is what stood there before it.
    if (reds.any) return;
    setDraft(null);
    if (value === plain.value && !plain.assumed) return;
    const basis = told ? 'told' : confirmedAs(last).basis;
    const stored =
      field.surveyed && value !== undefined && value !== null
        ? { value, basis, ...known, ...(entered ? { entered } : {}) }
        : value;
    void hold.edit({ kind: 'survey_set', component, path, value: stored ?? null } as never);
  };
  const atOnce = field.kind === 'choice' || field.kind === 'size' || field.kind === 'flag' || field.kind === 'ref';
  if (draft) {
    return (
      <span
        className="val-edit"
        onKeyDown={(e) => {
          if (e.key === 'Enter' && !atOnce) put(draft.value, draft.entered);
          if (e.key === 'Escape') setDraft(null);
        }}
      >
        <Reds tell={reds.tell}>
          <Control
            name={last}
            field={field}
            value={draft.value}
            entered={draft.entered}
            set={(value, entered) => (atOnce ? put(value, entered) : setDraft({ value, entered }))}
            autoFocus
          />
        </Reds>
        <button type="button" className="val-done" disabled={reds.any} onClick={() => put(draft.value, draft.entered)}>
          {t('survey.done')}
        </button>
      </span>
    );
  }
  const words = plain.value === undefined || plain.value === null ? empty : valueWords(field, raw, units, name);
  return (
    <span className={clsx('val', plain.assumed && 'val-assumed')}>
      <button
        type="button"
        className={clsx('val-shown figures', words === empty && 'quiet')}
        title={t('survey.changeIt', { what })}
        onClick={() => setDraft({ value: plain.value, entered: plain.entered })}
      >
        {plain.assumed && '~'}
        {words}
      </button>
      {plain.assumed && (
        <button
          type="button"
          className="confirm"
          aria-label={`${what}: ${confirmedAs(last).words}`}
          title={confirmedAs(last).words}
          onClick={() =>
            void hold.edit({
              kind: 'survey_confirm',
              basis: told ? 'told' : confirmedAs(last).basis,
              ...known,
              values: [{ component, path }],
            } as never)
          }
        >
          ✓
        </button>
      )}
    </span>
  );
}

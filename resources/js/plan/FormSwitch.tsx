import { Segmented } from 'antd';
import { useSyncExternalStore } from 'react';
import { createPortal } from 'react-dom';
import { t } from '../words/t';
import './plan.css';

export type Form = 'wall' | 'list' | 'table' | 'compare' | 'plans' | 'changes';

const nothing = () => () => undefined;

/** In which form the plan is shown: in the top bar where there is room, else among the controls. */
export function FormSwitch({
  form,
  show,
  plans,
  planned,
  narrow,
}: {
  form: Form;
  show: (form: Form) => void;
  /** whether there are several plans to compare */
  plans: boolean;
  planned: boolean;
  narrow: boolean;
}) {
  const slot = useSyncExternalStore(nothing, () => document.getElementById('place-forms'));
  const forms = (
    <Segmented<Form>
      aria-label={t('plan.shownAs')}
      className="form-switch"
      value={form}
      onChange={(v) => show(v)}
      options={[
        { value: 'wall', label: t('plan.wall') },
        { value: 'list', label: t('plan.list') },
        { value: 'table', label: t('plan.whatIsLive') },
        { value: 'compare', label: t('plan.sideBySide') },
        ...(plans ? [{ value: 'plans' as const, label: t('plan.plans') }] : []),
        ...(planned ? [{ value: 'changes' as const, label: t('plan.changes') }] : []),
      ]}
    />
  );
  return narrow || !slot ? forms : createPortal(forms, slot);
}

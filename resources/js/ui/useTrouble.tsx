import type { FormInstance } from 'antd';
import { useState } from 'react';
import { ApiError } from '../api/client';
import { t } from '../words/t';

/** Puts what is wrong beside the fields of a form; what belongs to none of them is returned to be said by itself. */
function atFields<Values>(form: FormInstance<Values>, error: Error): string | null {
  if (!(error instanceof ApiError)) return t('ui.noConnectionNothingWasChanged');
  const names = Object.keys(form.getFieldsValue() as object);
  const here = error.problems.filter((p) => names.includes(p.pointer.slice(1)));
  form.setFields(
    here.map((p) => ({
      name: p.pointer.slice(1) as never,
      errors: [p.message.replace(/^[a-z]/, (c) => c.toUpperCase())],
    })),
  );
  return here.length > 0 && here.length === error.problems.length ? null : error.message;
}

/** What a server has against a form: beside its fields, and as a line of its own what belongs to none of them. */
export function useTrouble<Values>(form: FormInstance<Values>) {
  const [trouble, setTrouble] = useState<string | null>(null);
  return {
    /** for the mutation that sends the form */
    heard: {
      onMutate: () => setTrouble(null),
      onError: (e: Error) => setTrouble(atFields(form, e)),
    },
    line: trouble && (
      <p role="alert" className="trouble">
        {trouble}
      </p>
    ),
  };
}

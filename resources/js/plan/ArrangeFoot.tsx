import { Button, Input, Radio } from 'antd';
import type { ReactNode } from 'react';
import type { JobDocument } from '../api/client';
import { t } from '../words/t';

interface Props {
  plan: string | null;
  document: JobDocument;
  fresh: boolean;
  setFresh: (fresh: boolean) => void;
  title: string;
  setTitle: (title: string) => void;
  usual: string;
  saving: boolean;
  children?: ReactNode;
}

/** Where an arrangement is written: another plan, with its name, or the one that is open. */
export function ArrangeFoot({ plan, document, fresh, setFresh, title, setTitle, usual, saving, children }: Props) {
  return (
    <div className="dialog-foot">
      {children}
      {plan && (
        <Radio.Group
          value={fresh}
          onChange={(e) => setFresh(e.target.value as boolean)}
          options={[
            { value: true, label: t('plan.asAnotherPlan') },
            {
              value: false,
              label: t(children === undefined ? 'plan.rewrite' : 'plan.into', { title: document.plans[plan]?.title }),
            },
          ]}
        />
      )}
      {fresh && (
        <Input
          placeholder={usual}
          aria-label={t('plan.nameOfThePlan')}
          maxLength={80}
          value={title}
          onChange={(e) => setTitle(e.target.value)}
        />
      )}
      <Button type="primary" htmlType="submit" loading={saving}>
        {t('plan.planIt')}
      </Button>
    </div>
  );
}

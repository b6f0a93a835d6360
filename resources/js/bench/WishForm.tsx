import { Button, Form, Modal } from 'antd';
import type { Reference } from '../api/client';
import { OptionItem } from '../plan/Asked';
import { t } from '../words/t';

interface Props {
  wishes: Record<string, unknown>;
  reference: Reference;
  mayChange: boolean;
  save: (wishes: Record<string, unknown>) => void;
  close: () => void;
}

/** What an owner wants of the unit beside its power. */
export function WishForm({ wishes, reference, mayChange, save, close }: Props) {
  const send = (values: Record<string, unknown>) =>
    save(
      Object.fromEntries(
        Object.entries(values).filter(([, v]) => v !== undefined && v !== null && v !== '' && v !== false),
      ),
    );
  return (
    <Modal open title={t('bench.wishes')} onCancel={close} footer={null} width={760} destroyOnHidden>
      <Form layout="vertical" requiredMark={false} disabled={!mayChange} initialValues={wishes} onFinish={send}>
        <div className="field-grid">
          {Object.entries(reference.wishes).map(([name, field]) => (
            <OptionItem key={name} name={name} field={field} components={{}} reference={reference} />
          ))}
        </div>
        {mayChange && (
          <div className="field-foot">
            <span />
            <Button type="primary" htmlType="submit">
              {t('bench.keep')}
            </Button>
          </div>
        )}
      </Form>
    </Modal>
  );
}

import { Button, Form, InputNumber, Modal, Select } from 'antd';
import type { Component, Reference } from '../api/client';
import { OptionItem } from '../plan/Asked';
import { t } from '../words/t';
import { clock, wattsOf, type NeedLoad, type Span } from './loads';

/** Fields that have a control of their own here. */
const OWN = ['watts', 'spans', 'order'];

interface Props {
  load: NeedLoad;
  components: Record<string, Component>;
  reference: Reference;
  mayChange: boolean;
  save: (load: NeedLoad | null) => void;
  close: () => void;
}

interface Values {
  watts: number;
  basis: string;
  spans: Record<string, Span>;
}

/** Everything about one load: what it takes, how that is known, its hours, what it is on. */
export function LoadForm({ load, components, reference, mayChange, save, close }: Props) {
  const fields = Object.entries(reference.needs.load).filter(([name]) => !OWN.includes(name));
  const basis = (load.watts as { basis?: string } | null)?.basis ?? 'told';
  const send = ({ watts, basis: how, ...rest }: Values & Record<string, unknown>) => {
    const said = Object.fromEntries(
      Object.entries(rest).filter(([, v]) => v !== undefined && v !== null && v !== '' && v !== false),
    );
    save({
      ...said,
      spans: load.spans,
      order: load.order,
      watts: { value: watts, basis: how },
    } as unknown as NeedLoad);
  };
  return (
    <Modal open title={load.label} onCancel={close} footer={null} width={760} destroyOnHidden>
      <Form
        layout="vertical"
        requiredMark={false}
        disabled={!mayChange}
        initialValues={{ ...load, watts: wattsOf(load).value, basis }}
        onFinish={send}
      >
        <div className="field-grid">
          <Form.Item
            name="watts"
            label={t('needs.watts')}
            rules={[{ required: true, type: 'number', min: 0, max: 6000, message: t('needs.wattsRange') }]}
          >
            <InputNumber style={{ width: '100%' }} />
          </Form.Item>
          <Form.Item name="basis" label={t('needs.knownBy')}>
            <Select
              options={[
                { value: 'measured', label: t('needs.basis_measured') },
                { value: 'read_off', label: t('needs.basis_read_off') },
                { value: 'told', label: t('needs.basis_told') },
                { value: 'assumed', label: t('needs.basis_assumed') },
              ]}
            />
          </Form.Item>
          {fields.map(([name, field]) => (
            <OptionItem key={name} name={name} field={field} components={components} reference={reference} />
          ))}
        </div>
        <p className="quiet figures">
          {t('needs.hours')}:{' '}
          {Object.values(load.spans ?? {})
            .map((s) => `${clock(s.fromH)}–${clock(s.fromH + s.hours)}`)
            .join(', ')}
        </p>
        {mayChange && (
          <div className="field-foot">
            <Button danger onClick={() => save(null)}>
              {t('needs.takeOut')}
            </Button>
            <Button type="primary" htmlType="submit">
              {t('needs.save')}
            </Button>
          </div>
        )}
      </Form>
    </Modal>
  );
}

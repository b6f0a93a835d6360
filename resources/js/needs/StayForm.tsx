import { Button, Form, Modal, Select } from 'antd';
import type { Component, Field, Reference } from '../api/client';
import { OptionItem } from '../plan/Asked';
import { t } from '../words/t';

export type Trip = Record<string, unknown>;

/** Fields that are asked elsewhere, or not by themselves. */
const ELSEWHERE = ['weatherOn', 'shore'];

interface Props {
  trip: Trip;
  /** supplies of the survey the rig can be on: id and words */
  supplies: { value: string; label: string }[];
  reference: Reference;
  components: Record<string, Component>;
  save: (trip: Trip) => void;
  close: () => void;
}

/** Where the rig stands, under what sky, what it burns and what feeds it: all that days go by. */
export function StayForm({ trip, supplies, reference, components, save, close }: Props) {
  const fields = Object.entries(reference.needs.trip).filter(([name]) => !ELSEWHERE.includes(name));
  const send = (values: Trip) => {
    const said = Object.fromEntries(
      Object.entries(values).filter(([, v]) => v !== undefined && v !== null && v !== ''),
    );
    save({ ...said, ...(trip.weatherOn ? { weatherOn: trip.weatherOn } : {}) });
  };
  return (
    <Modal open title={t('needs.where')} onCancel={close} footer={null} width={860} destroyOnHidden>
      <Form layout="vertical" requiredMark={false} initialValues={trip} onFinish={send}>
        <div className="load-grid">
          <Form.Item name="shore" label={t('needs.supply')}>
            <Select allowClear options={supplies} placeholder={t('needs.none')} />
          </Form.Item>
          {fields.map(([name, field]: [string, Field]) => (
            <OptionItem key={name} name={name} field={field} components={components} reference={reference} />
          ))}
        </div>
        <div className="load-foot">
          <span />
          <Button type="primary" htmlType="submit">
            {t('needs.save')}
          </Button>
        </div>
      </Form>
    </Modal>
  );
}

import { Button, Form, Modal, Select } from 'antd';
import type { Component, Field, Reference } from '../api/client';
import { OptionItem } from '../plan/Asked';
import { t } from '../words/t';

export type Trip = Record<string, unknown>;

/** What is asked, by what it is about. */
const ABOUT: { title: string; names: string[] }[] = [
  { title: t('needs.aboutPlace'), names: ['place', 'latitude', 'elevationM', 'month', 'days', 'startShare'] },
  {
    title: t('needs.aboutSky'),
    names: ['weather', 'tiltDeg', 'facingDeg', 'shadeFromH', 'shadeH', 'shadeLeft', 'lowC', 'highC', 'warmCells'],
  },
  { title: t('needs.aboutSupply'), names: ['shoreFromH', 'shoreH', 'inverter', 'driveFromH', 'driveH'] },
  {
    title: t('needs.aboutGenerator'),
    names: ['generatorBelow', 'generatorTo', 'quietFromH', 'quietH', 'fuelL', 'fuelLPerKwh'],
  },
  { title: t('needs.aboutTanks'), names: ['propaneL', 'waterL', 'waterPerDayL', 'wasteL'] },
];

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
  const send = (values: Trip) => {
    const said = Object.fromEntries(
      Object.entries(values).filter(([, v]) => v !== undefined && v !== null && v !== ''),
    );
    save({ ...said, ...(trip.weatherOn ? { weatherOn: trip.weatherOn } : {}) });
  };
  return (
    <Modal open title={t('needs.where')} onCancel={close} footer={null} width={860} destroyOnHidden>
      <Form layout="vertical" requiredMark={false} initialValues={trip} onFinish={send}>
        {ABOUT.map(({ title, names }) => (
          <fieldset key={title} className="stay-about">
            <legend>{title}</legend>
            <div className="field-grid">
              {names.includes('shoreH') && (
                <Form.Item name="shore" label={t('needs.supply')}>
                  <Select allowClear options={supplies} placeholder={t('needs.none')} />
                </Form.Item>
              )}
              {names.map((name) => {
                const field: Field | undefined = reference.needs.trip[name];
                return (
                  field && (
                    <OptionItem key={name} name={name} field={field} components={components} reference={reference} />
                  )
                );
              })}
            </div>
          </fieldset>
        ))}
        <div className="field-foot">
          <span />
          <Button type="primary" htmlType="submit">
            {t('needs.save')}
          </Button>
        </div>
      </Form>
    </Modal>
  );
}

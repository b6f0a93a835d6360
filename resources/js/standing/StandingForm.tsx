import { Button, Form, Modal, Select, Switch } from 'antd';
import type { ReactNode } from 'react';
import type { Field, Reference } from '../api/client';
import { t } from '../words/t';
import { Entry } from './Measure';

export type Said = Record<string, unknown>;

interface Props {
  title: string;
  fields: Record<string, Field>;
  /** only these, in this order */
  names: string[];
  value: Said;
  reference: Reference;
  mayChange: boolean;
  save: (value: Said) => void;
  takeOut?: () => void;
  close: () => void;
  /** what is taken of each that is left empty, SI */
  usual?: Record<string, number | undefined>;
  zones?: { value: string; label: string }[];
  children?: ReactNode;
}

const BASES = ['measured', 'read_off', 'told', 'assumed'] as const;
const BASIS: Record<(typeof BASES)[number], string> = {
  measured: t('place.measured'),
  read_off: t('place.readOff'),
  told: t('place.told'),
  assumed: t('place.assumed'),
};

/** What is asked of the outline, a zone, a part or a mass: everything in the units of the workshop. */
export function StandingForm({
  title,
  fields,
  names,
  value,
  reference,
  mayChange,
  save,
  takeOut,
  close,
  usual = {},
  zones,
  children,
}: Props) {
  const kg = value.kg as { value?: number; basis?: string } | number | undefined;
  const surveyed = typeof kg === 'object';
  const initial = { ...value, kg: surveyed ? kg.value : kg, basis: surveyed ? kg.basis : 'measured' };
  const asksBasis = names.includes('kg') && fields.kg?.surveyed === true;
  const send = ({ basis, ...said }: Said & { basis?: string }) => {
    const kept = Object.fromEntries(
      Object.entries({ ...value, ...said }).filter(([, v]) => v !== undefined && v !== null && v !== '' && v !== false),
    );
    if (asksBasis && typeof kept.kg === 'number') kept.kg = { value: kept.kg, basis };
    save(kept);
  };
  return (
    <Modal open title={title} onCancel={close} footer={null} width={820} destroyOnHidden>
      {children}
      <Form
        layout="vertical"
        requiredMark={false}
        disabled={!mayChange}
        initialValues={initial}
        onFinish={send}
        className="standing-form"
      >
        <div className="field-grid">
          {zones && (
            <Form.Item name="zone" label={t('place.in')}>
              <Select allowClear options={zones} placeholder={t('place.noZone')} />
            </Form.Item>
          )}
          {names
            .filter((name) => fields[name]?.kind !== 'flag')
            .map((name) => (
              <Entry key={name} name={name} field={fields[name]!} usual={usual[name]} reference={reference} />
            ))}
          {asksBasis && (
            <Form.Item name="basis" label={t('place.weightKnown')}>
              <Select options={BASES.map((b) => ({ value: b, label: BASIS[b] }))} />
            </Form.Item>
          )}
        </div>
        <div className="standing-flags">
          {names
            .filter((name) => fields[name]?.kind === 'flag')
            .map((name) => (
              <label key={name}>
                <Form.Item name={name} valuePropName="checked" noStyle>
                  <Switch size="small" />
                </Form.Item>{' '}
                {fields[name]!.label}
              </label>
            ))}
        </div>
        {mayChange && (
          <div className="field-foot">
            {takeOut ? (
              <Button danger onClick={takeOut}>
                {t('place.takeOut')}
              </Button>
            ) : (
              <span />
            )}
            <Button type="primary" htmlType="submit">
              {t('place.keep')}
            </Button>
          </div>
        )}
      </Form>
    </Modal>
  );
}

import { Form, Input, Select, Switch } from 'antd';
import type { Component, Field, Reference } from '../api/client';
import { fitting } from '../parts/context';
import { LengthInput, NumberInput } from '../parts/inputs';
import { useUnits } from '../shell/units';
import { valueWords } from '../ui/spoken';
import { t } from '../words/t';

/** What is taken when a field is left empty. */
export function Usual({ field }: { field: Field }) {
  const units = useUnits();
  if (field.usual !== null)
    return <span className="quiet">{t('plan.leftEmpty', { field: valueWords(field, field.usual, units) })}</span>;
  return field.note ? <span className="quiet">{t('plan.leftEmpty2', { note: field.note })}</span> : null;
}

/** A number out of bounds is said where it stands, and left as it was typed. */
export function within(field: Field): { validator: (_: unknown, v: unknown) => Promise<void> }[] {
  if (field.kind === 'text' && field.required)
    return [
      {
        validator: async (_, v) => {
          if (typeof v !== 'string' || v.trim() === '') throw new Error(t('plan.needed'));
        },
      },
    ];
  if (field.kind !== 'number' && field.kind !== 'integer') return [];
  return [
    {
      validator: async (_, v) => {
        // What cannot be read is told beside the input; here it keeps the form from being sent without it.
        if (Number.isNaN(v))
          throw new Error(field.unit === 'm' ? t('plan.notALength') : t('parts.notANumber', { unit: field.unit }));
        if (typeof v === 'number' && (v < field.min || v > field.max))
          throw new Error(`${field.min} to ${field.max}${field.unit && ` ${field.unit}`}.`);
        if (typeof v === 'number' && field.kind === 'integer' && !Number.isInteger(v))
          throw new Error(t('plan.aWholeNumber'));
      },
    },
  ];
}

/** What Ant Design's form hands to a control. */
interface Bound {
  value?: unknown;
  onChange?: (v: unknown) => void;
  id?: string;
}

/** A length with its unit, and what is taken without it. */
export function Length({ field, value, onChange }: Bound & { field: Field }) {
  return (
    <>
      <LengthInput
        label={field.label}
        value={value as number | undefined}
        entered={undefined}
        set={(v) => onChange?.(v)}
        unread={() => onChange?.(Number.NaN)}
      />
      <Usual field={field} />
    </>
  );
}

/** A control for a declared field. */
export function Asked({
  field,
  components,
  reference,
  ...bound
}: Bound & { field: Field; components: Record<string, Component>; reference: Reference }) {
  if (field.kind === 'choice')
    return (
      <Select
        allowClear={!field.required}
        {...(bound as object)}
        options={Object.entries(field.choices).map(([value, label]) => ({ value, label }))}
      />
    );
  if (field.kind === 'text') return <Input {...(bound as object)} maxLength={field.max || 120} />;
  if (field.kind === 'flag')
    return <Switch {...(bound as object)} checkedChildren={t('plan.yes')} unCheckedChildren={t('plan.no')} />;
  if (field.kind === 'ref')
    return (
      <Select {...(bound as object)} options={fitting(field, { components, forms: reference.forms, self: null })} />
    );
  if (field.kind === 'size')
    return (
      <Select
        allowClear
        {...(bound as object)}
        options={reference.conductors.map((c) => ({
          value: c.designation,
          label: t('plan.mm', { spoken: c.spoken, areaMm2: c.areaMm2.toFixed(1) }),
        }))}
      />
    );
  return (
    <NumberInput
      label={field.label}
      {...(bound.id === undefined ? {} : { id: bound.id })}
      value={bound.value as number | undefined}
      set={(v) => bound.onChange?.(v)}
      // The form is not sent with it.
      unread={() => bound.onChange?.(Number.NaN)}
      min={field.min}
      max={field.max}
      unit={field.unit}
      whole={field.kind === 'integer'}
    />
  );
}

/** One option of an arrangement: its name with the unit, a control, and what is taken when it is left empty. */
export function OptionItem({
  name,
  field,
  components,
  reference,
}: {
  name: string;
  field: Field;
  components: Record<string, Component>;
  reference: Reference;
}) {
  const length = field.unit === 'm';
  return (
    <Form.Item
      name={name}
      label={field.unit && !length ? `${field.label}, ${field.unit}` : field.label}
      valuePropName={field.kind === 'flag' ? 'checked' : 'value'}
      rules={within(field)}
      extra={length ? null : <Usual field={field} />}
    >
      {length ? <Length field={field} /> : <Asked field={field} components={components} reference={reference} />}
    </Form.Item>
  );
}

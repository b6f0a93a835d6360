import { Form, InputNumber } from 'antd';
import type { Component, Field, Reference } from '../api/client';
import { OptionItem } from '../plan/Asked';
import { useUnits } from '../shell/units';
import { t } from '../words/t';

const M_PER_IN = 0.0254;
const KG_PER_LB = 0.45359237;

interface Bound {
  /** what is taken without it, SI */
  usual?: number | undefined;
  value?: number | null;
  onChange?: (v: number | null) => void;
  id?: string;
  'aria-label'?: string;
}

/** A quantity kept in SI, written in the units of the workshop. */
function Converted({
  value,
  onChange,
  usual,
  per,
  unit,
  digits,
  ...rest
}: Bound & { per: number; unit: string; digits: number }) {
  return (
    <InputNumber
      {...rest}
      value={typeof value === 'number' ? Number((value / per).toFixed(digits)) : null}
      onChange={(v) => onChange?.(typeof v === 'number' ? v * per : null)}
      suffix={unit}
      placeholder={usual === undefined ? '' : `~${(usual / per).toFixed(digits)}`}
      style={{ width: '100%' }}
    />
  );
}

/** A short length: inches, or centimetres. */
export function Fine(props: Bound) {
  const metric = useUnits().system === 'metric';
  return <Converted {...props} per={metric ? 0.01 : M_PER_IN} unit={metric ? 'cm' : 'in'} digits={1} />;
}

/** A weight: pounds, or kilograms. */
export function Mass(props: Bound) {
  const metric = useUnits().system === 'metric';
  return <Converted {...props} per={metric ? 1 : KG_PER_LB} unit={metric ? 'kg' : 'lb'} digits={1} />;
}

/** A declared field, its quantity in the units of the workshop, held within its bounds. */
export function Entry({
  name,
  field,
  usual,
  reference,
}: {
  name: string;
  field: Field;
  usual?: number | undefined;
  reference: Reference;
}) {
  const metric = useUnits().system === 'metric';
  const control = { m: <Fine usual={usual} />, kg: <Mass usual={usual} /> }[field.unit];
  if (!control) return <OptionItem name={name} field={field} reference={reference} components={NOTHING} />;
  const per = field.unit === 'm' ? (metric ? 0.01 : M_PER_IN) : metric ? 1 : KG_PER_LB;
  const unit = field.unit === 'm' ? (metric ? 'cm' : 'in') : metric ? 'kg' : 'lb';
  return (
    <Form.Item
      name={name}
      label={field.label}
      rules={[
        {
          validator: async (_, v) => {
            if (typeof v !== 'number') {
              if (field.required) throw new Error(t('place.needed'));
            } else if (v < field.min - 1e-9 || v > field.max + 1e-9)
              throw new Error(
                t('place.between', {
                  from: Math.ceil(field.min / per),
                  to: Math.floor(field.max / per),
                  unit,
                }),
              );
          },
        },
      ]}
    >
      {control}
    </Form.Item>
  );
}

const NOTHING: Record<string, Component> = {};

import { useQuery } from '@tanstack/react-query';
import { Button, Checkbox, Form, Input, InputNumber, Modal, Radio, Select, Switch } from 'antd';
import { useState } from 'react';
import type { Field } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { Waiting } from '../ui/Waiting';

interface Props {
  hold: DesignHold;
  plan: string | null;
  close: () => void;
  open: (viewId: string) => void;
}

const DEFAULTS: Record<string, unknown> = {
  converter: 'ahead',
  continuousW: 3000,
  chargerA: 100,
  passThroughA: 30,
  inputLimitA: 30,
  neutral: 'switched',
  chemistry: 'lfp',
  unitAh: 200,
  parallel: 2,
  dcSize: 'awg:4/0',
  fuseA: 400,
  fuseFamily: 'class_t',
};

/** Choosing how the inverter/charger is integrated, which circuits it feeds and what becomes of the converter. */
export function ArrangementDialog({ hold, plan, close, open }: Props) {
  const reference = useQuery(referenceQuery);
  const document = hold.design.document;
  const current = plan ? document.plans[plan]?.arrangement : undefined;
  const [recipe, setRecipe] = useState(current?.recipe ?? 'subpanel');
  const [form] = Form.useForm<Record<string, unknown>>();
  const circuits = Object.entries(document.asFound.components).filter(([, c]) => c.type === 'circuit');
  const [fresh, setFresh] = useState(plan === null);
  const used = (current?.options ?? {}) as Record<string, unknown>;
  const initialCircuits = Object.entries((used.circuits ?? {}) as Record<string, boolean>)
    .filter(([, on]) => on)
    .map(([id]) => id);

  const finish = async (values: Record<string, unknown>) => {
    const { circuits: fed, title, ...rest } = values;
    const options: Record<string, unknown> = Object.fromEntries(
      Object.entries(rest).filter(([, v]) => v !== undefined && v !== null && v !== ''),
    );
    if (recipe === 'subpanel') options.circuits = Object.fromEntries(((fed as string[]) ?? []).map((id) => [id, true]));
    let id = plan;
    if (fresh || !id) {
      for (let n = 1; ; n++) if (!document.plans[(id = `plan_${n}`)]) break;
      if (
        !(await hold.edit({ kind: 'add_plan', id, title: (title as string) || arrangement?.title || 'Plan' } as never))
      )
        return;
    }
    if (await hold.edit({ kind: 'choose_arrangement', plan: id, recipe, options } as never)) {
      const stages = Object.entries(document.plans[id]?.stages ?? { whole: { title: '', order: 1 } });
      open(`${id}/${stages.at(-1)![0]}`);
      close();
    }
  };
  const arrangement = reference.data?.arrangements.find((a) => a.id === recipe);
  // Circuits that land on a breaker and feed outlets or loads: what a plug or a switch can be put into.
  const branches = Object.entries(document.asFound.components)
    .filter(([, c]) => c.type === 'circuit' && (c.hot as { panel?: string }).panel && !c.feeds)
    .map(([value, c]) => ({ value, label: c.label }));
  const asked = Object.entries(arrangement?.options ?? {}).filter(
    ([name]) => name !== 'circuits' && name !== 'converter',
  );
  return (
    <Modal
      open
      onCancel={close}
      width={1040}
      style={{ top: 40 }}
      title="How the inverter meets the factory wiring"
      footer={null}
    >
      {reference.data && arrangement ? (
        <Form
          form={form}
          layout="vertical"
          onFinish={(v) => void finish(v)}
          initialValues={{ ...DEFAULTS, ...used, circuits: initialCircuits }}
          requiredMark={false}
          className="arrange"
        >
          <div className="arrangements" role="radiogroup" aria-label="Arrangement">
            {reference.data.arrangements.map((a) => (
              <button
                key={a.id}
                type="button"
                role="radio"
                aria-checked={a.id === recipe}
                className="arrangement"
                onClick={() => {
                  setRecipe(a.id);
                  const fates = a.options.converter?.choices ?? {};
                  if (!fates[form.getFieldValue('converter') as string]) form.setFieldValue('converter', 'left');
                }}
              >
                <b>{a.title}</b>
                <span>{a.gains}</span>
              </button>
            ))}
          </div>
          <div className="arrange-details">
            <p className="risk">
              <b>What goes wrong with it:</b> {arrangement.risks}
            </p>
            {recipe === 'subpanel' && (
              <Form.Item
                name="circuits"
                label="Circuits the inverter feeds"
                rules={[
                  {
                    validator: async (_, fed: string[] | undefined) =>
                      fed && fed.length > 0 ? undefined : Promise.reject(new Error('Choose at least one circuit.')),
                  },
                ]}
              >
                <Checkbox.Group
                  className="circuit-choice"
                  options={circuits.map(([value, c]) => ({ value, label: c.label }))}
                />
              </Form.Item>
            )}
            <Form.Item name="converter" label="The factory converter">
              <Radio.Group
                options={Object.entries(arrangement.options.converter?.choices ?? {}).map(([value, label]) => ({
                  value,
                  label,
                }))}
              />
            </Form.Item>
            <div className="option-grid">
              {asked.map(([name, field]) => (
                <Form.Item
                  key={name}
                  name={name}
                  label={field.unit ? `${field.label}, ${field.unit}` : field.label}
                  valuePropName={field.kind === 'flag' ? 'checked' : 'value'}
                  rules={[...(field.required ? [{ required: true, message: 'Say which.' }] : []), ...within(field)]}
                >
                  <Asked field={field} circuits={branches} />
                </Form.Item>
              ))}
            </div>
            <p className="quiet">What is left empty is taken as usual and marked assumed.</p>
            <div className="dialog-foot">
              {plan && (
                <Radio.Group
                  value={fresh}
                  onChange={(e) => setFresh(e.target.value as boolean)}
                  options={[
                    { value: false, label: `rewrite "${document.plans[plan]?.title}"` },
                    { value: true, label: 'as another plan' },
                  ]}
                />
              )}
              {fresh && (
                <Form.Item name="title" noStyle>
                  <Input placeholder="Name of the plan" aria-label="Name of the plan" maxLength={80} />
                </Form.Item>
              )}
              <Button type="primary" htmlType="submit" loading={hold.saving}>
                Plan it
              </Button>
            </div>
          </div>
        </Form>
      ) : (
        <Waiting what="arrangements" />
      )}
    </Modal>
  );
}

/** A number out of bounds is said where it stands, and left as it was typed. */
export function within(field: Field): { validator: (_: unknown, v: unknown) => Promise<void> }[] {
  if (field.kind !== 'number' && field.kind !== 'integer') return [];
  return [
    {
      validator: async (_, v) => {
        if (typeof v === 'number' && (v < field.min || v > field.max))
          throw new Error(`${field.min} to ${field.max}${field.unit && ` ${field.unit}`}.`);
        if (typeof v === 'number' && field.kind === 'integer' && !Number.isInteger(v))
          throw new Error('A whole number.');
      },
    },
  ];
}

/** A control for a declared field. Ant Design's form hands value, onChange and id in. */
function Asked({
  field,
  circuits,
  ...bound
}: {
  field: Field;
  circuits: { value: string; label: string }[];
  value?: unknown;
  onChange?: (v: unknown) => void;
  id?: string;
}) {
  const reference = useQuery(referenceQuery);
  if (field.kind === 'choice')
    return (
      <Select
        allowClear={!field.required}
        {...(bound as object)}
        options={Object.entries(field.choices).map(([value, label]) => ({ value, label }))}
      />
    );
  if (field.kind === 'flag') return <Switch {...(bound as object)} checkedChildren="yes" unCheckedChildren="no" />;
  if (field.kind === 'ref') return <Select {...(bound as object)} options={circuits} />;
  if (field.kind === 'size')
    return (
      <Select
        allowClear
        {...(bound as object)}
        options={reference.data?.conductors.map((c) => ({
          value: c.designation,
          label: `${c.spoken} (${c.areaMm2.toFixed(1)} mm²)`,
        }))}
      />
    );
  return <InputNumber {...(bound as object)} style={{ width: '100%' }} />;
}

import { Button, Form, Radio, Select } from 'antd';
import { useState } from 'react';
import type { Component, Field, Reference } from '../api/client';
import { named, writtenTo, type Options } from './arrangement';
import type { Props } from './ArrangementDialog';
import { ArrangeFoot } from './ArrangeFoot';
import { OptionItem } from './Asked';
import { t } from '../words/t';

/** Choices that are schools of the trade: each said with what speaks for it. */
const SCHOOLS = ['school', 'master', 'protection'];

/** What composes with an arrangement: its schools side by side, then what it asks, with what is usual. */
export function AdditionForm({
  hold,
  plan,
  close,
  open,
  reference,
  arrangement,
}: Props & { reference: Reference; arrangement: Reference['arrangements'][number] }) {
  const document = hold.design.document;
  const components = document.asFound.components as Record<string, Component>;
  const used = (plan ? document.plans[plan]?.additions?.[arrangement.id] : undefined) as Options | undefined;
  const [fresh, setFresh] = useState(plan === null);
  const [title, setTitle] = useState('');
  const [trouble, setTrouble] = useState<string[]>([]);
  const write = async (options: Options, drop: boolean) => {
    setTrouble([]);
    const id = writtenTo(plan, fresh && !drop, document);
    const intent = {
      kind: 'choose_arrangement',
      plan: id,
      recipe: arrangement.id,
      options,
      ...(drop ? { drop: true } : fresh ? { title: title.trim() || named(arrangement.title, document) } : {}),
    };
    if (await hold.edit(intent as never, (problems) => setTrouble(problems.map((p) => p.message)))) {
      open(`${id}/${Object.keys(document.plans[id]?.stages ?? { whole: 1 }).at(-1)}`);
      close();
    }
  };
  const said = (values: Options) =>
    Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined && v !== null && v !== ''));
  const [form] = Form.useForm<Options>();
  const chosen = Form.useWatch([], form);
  const asked = (field: Field) =>
    Object.entries(field.only).every(([name, values]) =>
      values.includes(String(chosen?.[name] ?? arrangement.options[name]?.usual)),
    );
  const fields = Object.entries(arrangement.options).filter(([, field]) => asked(field));
  return (
    <Form
      form={form}
      layout="vertical"
      onFinish={(v: Options) => void write(said(v), false)}
      initialValues={used ?? {}}
      requiredMark={false}
    >
      <div className="arrange-details">
        <p className="risk">
          <b>{t('plan.whatGoesWrongWithIt')}</b> {arrangement.risks}
        </p>
        {fields
          .filter(([name]) => SCHOOLS.includes(name))
          .map(([name, field]) => (
            <Form.Item key={name} name={name} label={field.label} initialValue={used?.[name] ?? field.usual}>
              <Radio.Group
                className="schools"
                options={Object.entries(field.choices).map(([value, label]) => ({ value, label }))}
              />
            </Form.Item>
          ))}
        <div className="option-grid">
          {fields
            .filter(([name]) => !SCHOOLS.includes(name))
            .map(([name, field]) =>
              name === 'circuit' ? (
                <Form.Item key={name} name={name} label={field.label} rules={required(field)}>
                  <Select options={circuitsOf(components)} aria-label={field.label} />
                </Form.Item>
              ) : (
                <OptionItem key={name} name={name} field={field} components={components} reference={reference} />
              ),
            )}
        </div>
        {trouble.length > 0 && (
          <p className="wrong" role="alert">
            {trouble.join(' ')}
          </p>
        )}
        <ArrangeFoot
          plan={plan}
          document={document}
          fresh={fresh}
          setFresh={setFresh}
          title={title}
          setTitle={setTitle}
          usual={named(arrangement.title, document)}
          saving={hold.saving}
        >
          {used ? (
            <Button danger disabled={hold.saving} onClick={() => void write({}, true)}>
              {t('plan.takeItOut')}
            </Button>
          ) : null}
        </ArrangeFoot>
      </div>
    </Form>
  );
}

function required(field: Field): { required: boolean; message: string }[] {
  return field.required ? [{ required: true, message: t('plan.sayWhichCircuit') }] : [];
}

/** Circuits with a receptacle that something can be plugged into. */
function circuitsOf(components: Record<string, Component>): { value: string; label: string }[] {
  return Object.entries(components)
    .filter(([, c]) => c.type === 'circuit' && (c.hot as { panel?: string }).panel && !c.feeds)
    .map(([value, c]) => ({ value, label: c.label }));
}

import { useQuery } from '@tanstack/react-query';
import { Button, Checkbox, Form, Input, InputNumber, Modal, Radio, Select, Switch } from 'antd';
import { useMemo, useState } from 'react';
import type { Component, Field, JobDocument, Reference } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { fitting } from '../parts/context';
import { LengthInput } from '../parts/inputs';
import { useUnits } from '../shell/units';
import { valueWords } from '../ui/spoken';
import { Waiting } from '../ui/Waiting';

interface Props {
  hold: DesignHold;
  plan: string | null;
  close: () => void;
  open: (viewId: string) => void;
}

type Options = Record<string, unknown>;
type Kind = Reference['batteries'][number];

/** What is decided first; everything else is folded away with what will be assumed. */
const FIRST = ['circuit', 'converter', 'parallel', 'dcRunM', 'fuseRunM'];

/** The circuits that the inverter is to feed when nothing was said before: those that must run off grid. */
export function neededOffGrid(document: JobDocument): string[] {
  return Object.entries(document.needs.offGrid ?? {})
    .filter(([id, on]) => on && document.asFound.components[id]?.type === 'circuit')
    .map(([id]) => id);
}

/** A charger that is left on a battery of another chemistry than its profile is for; null where all suits. */
export function wrongCharger(
  components: Record<string, Component>,
  chemistry: unknown,
  fate: unknown,
): Component | null {
  const found = Object.values(components).find((c) => c.type === 'battery_bank');
  if (!chemistry || !['left', 'by_hand', 'ahead', 'contactor', 'contactor_safe'].includes(String(fate))) return null;
  if (found && found.chemistry === chemistry) return null;
  const lithium = chemistry === 'lfp';
  const charger = Object.values(components).find((c) => c.type === 'converter');
  return charger && charger.profile !== (lithium ? 'lithium' : 'lead') ? charger : null;
}

const BEFORE = 'before';

/** What there is to choose from, with what the plan had where it is none of the usual kinds; and what it had. */
export function kindsWith(kinds: Kind[], used: Options, usual: number): { kinds: Kind[]; chosen: string } {
  const names = new Set(kinds.flatMap((k) => Object.keys(k.values)));
  const values = Object.fromEntries(Object.entries(used).filter(([name]) => names.has(name)));
  const same = kinds.find((k) => Object.entries(values).every(([name, v]) => k.values[name] === v));
  if (Object.keys(values).length === 0) return { kinds, chosen: kinds[Math.min(usual, kinds.length - 1)]!.id };
  if (same) return { kinds, chosen: same.id };
  return { kinds: [{ id: BEFORE, title: 'As this plan has it', values }, ...kinds], chosen: BEFORE };
}

/** Choosing how the inverter meets the factory wiring: what must be decided first, the rest with what is assumed. */
export function ArrangementDialog({ hold, plan, close, open }: Props) {
  const reference = useQuery(referenceQuery).data;
  return (
    <Modal
      open
      onCancel={close}
      width={1040}
      style={{ top: 32 }}
      title="How the inverter meets the factory wiring"
      footer={null}
    >
      {reference ? (
        <Choosing hold={hold} plan={plan} close={close} open={open} reference={reference} />
      ) : (
        <Waiting what="arrangements" />
      )}
    </Modal>
  );
}

function Choosing({ hold, plan, close, open, reference }: Props & { reference: Reference }) {
  const document = hold.design.document;
  const components = document.asFound.components as Record<string, Component>;
  const current = plan ? document.plans[plan]?.arrangement : undefined;
  // A plan nobody has touched is simply written; one that has a history is left as it is.
  const untouched = plan !== null && Object.keys(document.plans[plan]?.changes ?? {}).length === 0;
  const [fresh, setFresh] = useState(!untouched);
  const [title, setTitle] = useState('');
  const [recipe, setRecipe] = useState(current?.recipe ?? 'subpanel');
  const arrangement = reference.arrangements.find((a) => a.id === recipe)!;
  const used = useMemo(() => (current?.options ?? {}) as Options, [current]);
  const [form] = Form.useForm<Options>();
  const units = kindsWith(arrangement.units, recipe === current?.recipe ? used : {}, 2);
  const batteries = kindsWith(reference.batteries, used, 2);
  const [unit, setUnit] = useState(units.chosen);
  const [battery, setBattery] = useState(batteries.chosen);
  const circuits = Object.entries(components).filter(([, c]) => c.type === 'circuit' && !c.feeds);
  const [fed, setFed] = useState<string[]>(() => {
    const before = Object.entries((used.circuits ?? {}) as Record<string, boolean>).filter(([, on]) => on);
    return before.length > 0 ? before.map(([id]) => id) : neededOffGrid(document);
  });
  const [trouble, setTrouble] = useState<string[]>([]);
  const unitKind = units.kinds.find((u) => u.id === unit) ?? units.kinds.find((u) => u.id === units.chosen)!;
  const batteryKind = batteries.kinds.find((b) => b.id === battery)!;
  const filled = { ...unitKind.values, ...batteryKind.values };
  const fates = arrangement.options.converter?.choices ?? {};
  const fate = Form.useWatch('converter', form) as string | undefined;
  const charger = wrongCharger(components, batteryKind.values.chemistry, fate);
  const hasConverter = Object.values(components).some((c) => c.type === 'converter');
  const folded = Object.entries(arrangement.options).filter(
    ([name]) => name !== 'circuits' && !FIRST.includes(name) && !(name in filled),
  );

  const choose = (id: string) => {
    setRecipe(id);
    const next = reference.arrangements.find((a) => a.id === id)!;
    const kept = form.getFieldValue('converter') as string | undefined;
    if (kept && !next.options.converter?.choices[kept]) form.setFieldValue('converter', undefined);
  };
  const finish = async (values: Options) => {
    setTrouble([]);
    if (recipe === 'subpanel' && fed.length === 0) return setTrouble(['Choose at least one circuit.']);
    const said = Object.fromEntries(
      Object.entries({ ...filled, ...values }).filter(
        ([name, v]) => v !== undefined && v !== null && v !== '' && name in arrangement.options,
      ),
    );
    if (!hasConverter) said.converter = 'left';
    if (recipe === 'subpanel') said.circuits = Object.fromEntries(fed.map((id) => [id, true]));
    let id = plan ?? '';
    if (fresh) for (let n = 1; ; n++) if (!document.plans[(id = `plan_${n}`)]) break;
    const intent = {
      kind: 'choose_arrangement',
      plan: id,
      recipe,
      options: said,
      ...(fresh ? { title: title.trim() || named(arrangement.title, document) } : {}),
    };
    if (await hold.edit(intent as never, (problems) => setTrouble(problems.map((p) => p.message)))) {
      const stages = Object.keys(document.plans[id]?.stages ?? { whole: 1 });
      open(`${id}/${stages.at(-1)}`);
      close();
    }
  };
  return (
    <Form
      form={form}
      layout="vertical"
      onFinish={(v) => void finish(v)}
      initialValues={{ parallel: 2, ...used }}
      requiredMark={false}
      className="arrange"
    >
      <div className="arrangements" role="radiogroup" aria-label="Arrangement">
        {reference.arrangements.map((a) => (
          <button
            key={a.id}
            type="button"
            role="radio"
            aria-checked={a.id === recipe}
            className="arrangement"
            onClick={() => choose(a.id)}
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
          <fieldset className="choices">
            <legend>
              Circuits the inverter feeds <span className="quiet">needed off grid are ticked</span>
            </legend>
            <Checkbox.Group
              className="circuit-choice"
              value={fed}
              onChange={setFed}
              options={circuits.map(([value, c]) => ({ value, label: c.label }))}
            />
          </fieldset>
        )}
        {arrangement.options.circuit && (
          <Form.Item
            name="circuit"
            label={arrangement.options.circuit.label}
            rules={[{ required: true, message: 'Say which circuit.' }]}
          >
            <Select
              options={circuits
                .filter(([, c]) => (c.hot as { panel?: string }).panel)
                .map(([value, c]) => ({ value, label: c.label }))}
            />
          </Form.Item>
        )}
        {hasConverter && (
          <Form.Item
            name="converter"
            label="The factory converter"
            rules={[{ required: true, message: 'Say what becomes of it.' }]}
            extra={
              charger && (
                <span className="asked-back">
                  {charger.profile === undefined
                    ? `Nobody has said what ${charger.label} charges with`
                    : `${charger.label} charges with a ${String(charger.profile)} profile`}
                  , and the new battery is of another chemistry: replace it, take it out, or read its profile first.
                </span>
              )
            }
          >
            <Radio.Group
              className="fates"
              options={Object.entries(fates).map(([value, label]) => ({ value, label }))}
            />
          </Form.Item>
        )}
        <div className="option-grid">
          <Form.Item label="Unit">
            <Select
              aria-label="Unit"
              value={unitKind.id}
              onChange={setUnit}
              options={units.kinds.map((u) => ({ value: u.id, label: u.title }))}
            />
          </Form.Item>
          <Form.Item label="Battery">
            <Select
              aria-label="Battery"
              value={battery}
              onChange={setBattery}
              options={batteries.kinds.map((b) => ({ value: b.id, label: b.title }))}
            />
          </Form.Item>
          <Form.Item
            name="parallel"
            label={Number(batteryKind.values.series ?? 1) > 1 ? 'Strings side by side' : 'How many side by side'}
          >
            <InputNumber min={1} max={6} />
          </Form.Item>
          {['dcRunM', 'fuseRunM'].map((name) => (
            <Form.Item key={name} name={name} label={arrangement.options[name]!.label}>
              <Length field={arrangement.options[name]!} />
            </Form.Item>
          ))}
        </div>
        <details className="folded">
          <summary>Everything else, with what is taken for it</summary>
          <p className="quiet">
            From the unit and the battery: {filledWords(filled, arrangement.options)}. Read their sheets; every part can
            be opened and changed in the plan.
          </p>
          <div className="option-grid">
            {folded.map(([name, field]) => (
              <Form.Item
                key={name}
                name={name}
                label={field.unit ? `${field.label}, ${field.unit}` : field.label}
                valuePropName={field.kind === 'flag' ? 'checked' : 'value'}
                rules={within(field)}
                extra={<Usual field={field} />}
              >
                <Asked field={field} components={components} reference={reference} />
              </Form.Item>
            ))}
          </div>
        </details>
        {trouble.length > 0 && (
          <p className="wrong" role="alert">
            {trouble.join(' ')}
          </p>
        )}
        <div className="dialog-foot">
          {plan && (
            <Radio.Group
              value={fresh}
              onChange={(e) => setFresh(e.target.value as boolean)}
              options={[
                { value: true, label: 'as another plan' },
                { value: false, label: `rewrite “${document.plans[plan]?.title}”` },
              ]}
            />
          )}
          {fresh && (
            <Input
              placeholder={named(arrangement.title, document)}
              aria-label="Name of the plan"
              maxLength={80}
              value={title}
              onChange={(e) => setTitle(e.target.value)}
            />
          )}
          <Button type="primary" htmlType="submit" loading={hold.saving}>
            Plan it
          </Button>
        </div>
      </div>
    </Form>
  );
}

/** A name that no other plan has. */
function named(title: string, document: JobDocument): string {
  const taken = new Set(Object.values(document.plans).map((p) => p.title));
  const short = title.slice(0, 70);
  for (let n = 1; ; n++) {
    const name = n === 1 ? short : `${short} ${n}`;
    if (!taken.has(name)) return name;
  }
}

/** What a choice of unit and battery brings with it, in a few words. */
function filledWords(filled: Options, options: Record<string, Field>): string {
  return Object.entries(filled)
    .filter(([name]) => name in options && name !== 'chemistry')
    .map(([name, v]) => {
      const field = options[name]!;
      const value = field.kind === 'choice' ? (field.choices[String(v)] ?? v) : `${String(v).replace('awg:', '')}`;
      return `${field.label.charAt(0).toLowerCase()}${field.label.slice(1)} ${String(value)} ${field.unit || (field.kind === 'size' ? 'AWG' : '')}`.trim();
    })
    .join(', ');
}

/** What is taken when a field is left empty. */
function Usual({ field }: { field: Field }) {
  const units = useUnits();
  if (field.usual !== null) return <span className="quiet">left empty: {valueWords(field, field.usual, units)}</span>;
  return field.note ? <span className="quiet">left empty: {field.note}</span> : null;
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

/** What Ant Design's form hands to a control. */
interface Bound {
  value?: unknown;
  onChange?: (v: unknown) => void;
  id?: string;
}

/** A length with its unit, and what is taken without it. */
function Length({ field, value, onChange }: Bound & { field: Field }) {
  return (
    <>
      <LengthInput
        label={field.label}
        value={value as number | undefined}
        entered={undefined}
        set={(v) => onChange?.(v)}
      />
      <Usual field={field} />
    </>
  );
}

/** A control for a declared field. */
function Asked({
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
  if (field.kind === 'flag') return <Switch {...(bound as object)} checkedChildren="yes" unCheckedChildren="no" />;
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
          label: `${c.spoken} (${c.areaMm2.toFixed(1)} mm²)`,
        }))}
      />
    );
  return <InputNumber {...(bound as object)} style={{ width: '100%' }} />;
}

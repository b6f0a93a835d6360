import clsx from 'clsx';
import { Button, Input, Select, Switch } from 'antd';
import { useState } from 'react';
import { uuid, type Component, type Field } from '../api/client';
import { useMe } from '../shell/Session';
import { ends, fitting, terminals, useParts } from './context';
import { LengthInput, NumberInput, SizeSelect } from './inputs';
import { Landing } from './Landing';
import { BASES, confirmedAs, knownBy, plainValue } from './values';
import { t } from '../words/t';
import './Fields.css';

export type Values = Record<string, unknown>;

/** An id for a part that somebody has named: of its name, where nothing else has it. */
export function newId(part: Values, taken: Record<string, unknown>): string {
  const slug =
    String(part.label ?? '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '_')
      .replace(/^[^a-z]+|_+$/g, '')
      .slice(0, 30) || String(part.type);
  return taken[slug] ? `${slug}_${uuid().slice(0, 4)}` : slug;
}

/** What a new part of a kind begins with: whatever there is no choice about. */
export function blankPart(type: string, fields: Record<string, Field>, components: Record<string, Component>): Values {
  const values: Values = { type, label: '' };
  for (const [name, field] of Object.entries(fields)) {
    if (!field.required) continue;
    if (field.kind === 'choice') values[name] = Object.keys(field.choices)[0];
    else if (field.kind === 'ref') {
      const options = fitting(field, { components, forms: {}, self: null });
      if (options.length === 1) values[name] = options[0]!.value;
    } else if (field.kind === 'flag') values[name] = field.surveyed ? { value: false, basis: 'assumed' } : false;
  }
  return values;
}

interface FieldsProps {
  fields: Record<string, Field>;
  values: Values;
  change: (v: Values) => void;
}

/** What is known of a part, as its form declares it: what every such part has, then what only some have. */
export function Fields({ fields, values, change }: FieldsProps) {
  // What is said when the form opens stays where it stands, whatever becomes of it.
  const [said] = useState(() => new Set(Object.keys(values)));
  const put = (name: string, value: unknown) => {
    const next = { ...values };
    if (value === undefined) delete next[name];
    else next[name] = value;
    change(next);
  };
  const lands = fields.hot?.kind === 'group' && fields.neutral?.kind === 'group';
  const all = Object.entries(fields).filter(([name]) => !(lands && (name === 'hot' || name === 'neutral')));
  const rare = all.filter(([name, f]) => !f.required && !said.has(name) && name !== 'note');
  const one = ([name, field]: [string, Field]) => (
    <OneField key={name} name={name} field={field} value={values[name]} put={(v) => put(name, v)} />
  );
  const [label, ...rest] = all.filter(([name, f]) => f.required || said.has(name));
  return (
    <div className="fields">
      {label && one(label)}
      {lands && <Landing fields={fields} values={values} change={change} />}
      {rest.map(one)}
      {rare.length > 0 && (
        <details className="rare">
          <summary>
            {rare.length === 1 ? rare[0]![1].label : t('parts.moreWhereItApplies', { count: rare.length })}
          </summary>
          {rare.map(one)}
        </details>
      )}
      {fields.note && !said.has('note') && one(['note', fields.note])}
    </div>
  );
}

interface OneProps {
  name: string;
  field: Field;
  value: unknown;
  put: (v: unknown) => void;
}

const isEnd = (field: Field): boolean =>
  field.kind === 'group' && Object.keys(field.fields).sort().join() === 'at,port';

export function OneField({ name, field, value, put }: OneProps) {
  const me = useMe();
  const around = useParts();
  const label = <>{field.label}</>;
  if (isEnd(field)) {
    const end = value as { at?: string; port?: string } | undefined;
    const way = field.fields.at!.of.includes('panel') ? 'takes' : 'gives';
    return (
      <div className="field">
        <label>
          <span className="field-label">{label}</span>
          <Select
            aria-label={field.label}
            showSearch={{ optionFilterProp: 'label' }}
            allowClear={!field.required}
            value={end?.at === undefined ? undefined : `${end.at} ${end.port}`}
            onChange={(v?: string) => {
              const [at, port] = (v ?? '').split(' ');
              put(v ? { at, port } : undefined);
            }}
            options={ends(way, around)}
          />
        </label>
      </div>
    );
  }
  if (field.kind === 'group') {
    return (
      <fieldset className="group">
        <legend>{label}</legend>
        <Fields fields={field.fields} values={(value as Values) ?? {}} change={put} />
      </fieldset>
    );
  }
  if (field.kind === 'map') {
    const entries = Object.entries((value as Record<string, Values>) ?? {});
    return (
      <fieldset className="group">
        <legend>{label}</legend>
        {entries.map(([id, entry]) => (
          <div key={id} className="map-entry">
            <Fields fields={field.fields} values={entry} change={(v) => put({ ...(value as object), [id]: v })} />
            <Button size="small" onClick={() => put(Object.fromEntries(entries.filter(([other]) => other !== id)))}>
              {t('parts.takeOut')}
            </Button>
          </div>
        ))}
        <Button
          size="small"
          onClick={() =>
            put({
              ...((value as object) ?? {}),
              [`x${uuid().slice(0, 6)}`]: Object.fromEntries(
                Object.entries(field.fields)
                  .filter(([, f]) => f.kind === 'choice' && f.required)
                  .map(([n, f]) => [n, Object.keys(f.choices)[0]]),
              ),
            })
          }
        >
          {t('parts.add')}
        </Button>
      </fieldset>
    );
  }
  const plain = plainValue(value);
  const known = knownBy(me?.name ?? '');
  const set = (v: unknown, entered?: string) => {
    if (v === undefined || v === null || v === '') return put(undefined);
    if (!field.surveyed) return put(v);
    // Somebody who types a value has at least been told it.
    const basis = plain.value === undefined || plain.assumed ? 'told' : plain.basis;
    return put({ value: v, basis, ...known, ...(entered ? { entered } : {}) });
  };
  const as = (basis: string) =>
    put({ value: plain.value, basis, ...known, ...(plain.entered ? { entered: plain.entered } : {}) });
  const asSeen = confirmedAs(name);
  return (
    <div className={clsx('field', field.surveyed && 'field-known', plain.assumed && 'field-assumed')}>
      <label>
        <span className="field-label">{label}</span>
        <Control name={name} field={field} value={plain.value} entered={plain.entered} set={set} />
      </label>
      {field.surveyed && (
        <span className="field-basis">
          <Select
            aria-label={t('parts.howIsKnown', { label: field.label })}
            value={plain.value === undefined ? undefined : plain.basis}
            disabled={plain.value === undefined}
            options={BASES}
            onChange={(basis: string) => as(basis)}
          />
          <button
            type="button"
            className="confirm"
            disabled={!plain.assumed}
            aria-label={`${field.label}: ${asSeen.words}`}
            onClick={() => as(asSeen.basis)}
          >
            ✓
          </button>
        </span>
      )}
      {field.note && <span className="quiet">{field.note}</span>}
    </div>
  );
}

interface ControlProps {
  name: string;
  field: Field;
  value: unknown;
  entered: string | undefined;
  set: (v: unknown, entered?: string) => void;
  autoFocus?: boolean;
}

/** The control for a plain value of a field. */
export function Control({ name, field, value, entered, set, autoFocus = false }: ControlProps) {
  const around = useParts();
  const label = field.label;
  switch (field.kind) {
    case 'flag':
      return (
        <Switch
          aria-label={label}
          checked={value === true}
          onChange={(v) => set(v)}
          checkedChildren={t('parts.yes')}
          unCheckedChildren={t('parts.no')}
        />
      );
    case 'choice':
      return (
        <Select
          aria-label={label}
          value={value as string}
          onChange={(v) => set(v)}
          allowClear={!field.required}
          options={Object.entries(field.choices).map(([v, words]) => ({ value: v, label: words }))}
        />
      );
    case 'size':
      return <SizeSelect label={label} value={value as string | undefined} set={(v) => set(v)} />;
    case 'ref':
      return (
        <Select
          aria-label={label}
          showSearch={{ optionFilterProp: 'label' }}
          value={value as string}
          onChange={(v) => set(v)}
          allowClear={!field.required}
          options={fitting(field, around, value as string)}
        />
      );
    case 'terminal':
      return (
        <Select
          aria-label={label}
          showSearch={{ optionFilterProp: 'label' }}
          value={value as string}
          onChange={(v) => set(v)}
          options={terminals(around)}
        />
      );
    case 'number':
    case 'integer':
      return name === 'lengthM' ? (
        <LengthInput
          label={label}
          value={value as number | undefined}
          entered={entered}
          set={set}
          autoFocus={autoFocus}
        />
      ) : (
        <NumberInput
          label={label}
          value={value as number | undefined}
          autoFocus={autoFocus}
          set={set}
          min={field.min}
          max={field.max}
          unit={field.unit}
          whole={field.kind === 'integer'}
        />
      );
    default:
      return (
        <Input
          aria-label={label}
          value={(value as string) ?? ''}
          maxLength={field.max || 200}
          onChange={(e) => set(e.target.value)}
        />
      );
  }
}

import { useQuery } from '@tanstack/react-query';
import { Button, Input, InputNumber, Select, Switch } from 'antd';
import { useState } from 'react';
import { uuid, type Component, type Field } from '../api/client';
import { referenceQuery } from '../job/useDesign';
import { useMe } from '../shell/Session';
import { twinOf, useUnits } from '../shell/units';
import { plainValue, readLength } from './values';

export type Values = Record<string, unknown>;

const BASES = [
  { value: 'measured', label: 'measured' },
  { value: 'read_off', label: 'read off the part' },
  { value: 'told', label: 'told' },
  { value: 'assumed', label: 'assumed' },
];

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

/** What is known of a part, as its form declares it. */
export function Fields({
  fields,
  values,
  change,
  components,
}: {
  fields: Record<string, Field>;
  values: Values;
  change: (v: Values) => void;
  components: Record<string, Component>;
}) {
  const put = (name: string, value: unknown) => {
    const next = { ...values };
    if (value === undefined) delete next[name];
    else next[name] = value;
    change(next);
  };
  return (
    <div className="fields">
      {Object.entries(fields).map(([name, field]) => (
        <OneField
          key={name}
          name={name}
          field={field}
          value={values[name]}
          put={(v) => put(name, v)}
          components={components}
        />
      ))}
    </div>
  );
}

interface OneProps {
  name: string;
  field: Field;
  value: unknown;
  put: (v: unknown) => void;
  components: Record<string, Component>;
}

function OneField({ name, field, value, put, components }: OneProps) {
  const me = useMe();
  const label = (
    <>
      {field.label}
      {field.unit && <span className="quiet">, {field.unit}</span>}
      {!field.required && <span className="quiet"> (if any)</span>}
    </>
  );
  if (field.kind === 'group') {
    return (
      <fieldset className="group">
        <legend>{label}</legend>
        <Fields fields={field.fields} values={(value as Values) ?? {}} change={put} components={components} />
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
            <Fields
              fields={field.fields}
              values={entry}
              change={(v) => put({ ...(value as object), [id]: v })}
              components={components}
            />
            <Button size="small" onClick={() => put(Object.fromEntries(entries.filter(([other]) => other !== id)))}>
              Take out
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
          Add
        </Button>
      </fieldset>
    );
  }
  const plain = plainValue(value);
  // Who looked, and when.
  const known = { by: me?.name ?? '', at: new Date().toISOString().slice(0, 10) };
  const set = (v: unknown, entered?: string) => {
    if (v === undefined || v === null || v === '') return put(undefined);
    if (!field.surveyed) return put(v);
    // Somebody who types a value has at least been told it.
    const basis = plain.value === undefined || plain.assumed ? 'told' : plain.basis;
    return put({ value: v, basis, ...known, ...(entered ? { entered } : {}) });
  };
  return (
    <div className={`field ${plain.assumed ? 'field-assumed' : ''}`}>
      <label>
        <span className="field-label">{label}</span>
        <Control
          name={name}
          field={field}
          value={plain.value}
          entered={plain.entered}
          set={set}
          components={components}
        />
      </label>
      {field.surveyed && plain.value !== undefined && (
        <Select
          aria-label={`How ${field.label} is known`}
          size="small"
          value={plain.basis}
          options={BASES}
          onChange={(basis) =>
            put({ value: plain.value, basis, ...known, ...(plain.entered ? { entered: plain.entered } : {}) })
          }
        />
      )}
      {field.note && <span className="quiet">{field.note}</span>}
    </div>
  );
}

function Control({
  name,
  field,
  value,
  entered,
  set,
  components,
}: {
  name: string;
  field: Field;
  value: unknown;
  entered: string | undefined;
  set: (v: unknown, entered?: string) => void;
  components: Record<string, Component>;
}) {
  const reference = useQuery(referenceQuery);
  const label = field.label;
  switch (field.kind) {
    case 'flag':
      return (
        <Switch
          aria-label={label}
          checked={value === true}
          onChange={(v) => set(v)}
          checkedChildren="yes"
          unCheckedChildren="no"
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
      // From a list with the copper beside it: "3" and "3/0" differ threefold.
      return (
        <>
          <Select
            aria-label={label}
            showSearch={{ optionFilterProp: 'label' }}
            value={value as string}
            onChange={(v) => set(v)}
            options={reference.data?.conductors.map((c) => ({
              value: c.designation,
              label: `${c.spoken} (${c.areaMm2.toFixed(1)} mm²)`,
            }))}
          />
          <Twin designation={value as string | undefined} conductors={reference.data?.conductors ?? []} set={set} />
        </>
      );
    case 'ref':
      return (
        <Select
          aria-label={label}
          value={value as string}
          onChange={(v) => set(v)}
          allowClear={!field.required}
          options={Object.entries(components).map(([v, c]) => ({ value: v, label: c.label }))}
        />
      );
    case 'number':
    case 'integer':
      return name === 'lengthM' ? (
        <LengthInput label={label} value={value as number | undefined} entered={entered} set={set} />
      ) : (
        // No bounds here: they would put another number in place of what was typed.
        // What is out of bounds is said, not mended.
        <InputNumber
          aria-label={label}
          value={value as number}
          onChange={(v) => set(v)}
          suffix={field.unit || undefined}
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

/** "3" and "3/0" are one stroke apart on a jacket and three times in copper: asked back. */
function Twin({
  designation,
  conductors,
  set,
}: {
  designation: string | undefined;
  conductors: { designation: string; spoken: string; areaMm2: number }[];
  set: (v: string) => void;
}) {
  const twin = conductors.find((c) => c.designation === twinOf(designation ?? ''));
  const own = conductors.find((c) => c.designation === designation);
  if (!twin || !own) return null;
  const times = Math.max(twin.areaMm2, own.areaMm2) / Math.min(twin.areaMm2, own.areaMm2);
  return (
    <span className="twin">
      {own.spoken}, not {twin.spoken}? They differ {times.toFixed(1)} times in copper: read the jacket again.{' '}
      <button type="button" className="linklike" onClick={() => set(twin.designation)}>
        It says {twin.spoken}
      </button>
    </span>
  );
}

/** A length with its unit, kept as it was entered. */
function LengthInput({
  label,
  value,
  entered,
  set,
}: {
  label: string;
  value: number | undefined;
  entered: string | undefined;
  set: (v: unknown, entered?: string) => void;
}) {
  const units = useUnits();
  const [text, setText] = useState(entered ?? (value === undefined ? '' : units.length(value)));
  const read = readLength(text);
  return (
    <>
      <Input
        aria-label={label}
        value={text}
        status={text !== '' && !read ? 'error' : ''}
        onChange={(e) => {
          setText(e.target.value);
          const next = readLength(e.target.value);
          if (next) set(next.value, next.entered);
        }}
        placeholder="18 ft or 5.5 m"
      />
      {text !== '' && !read && <span className="trouble">Write a number and its unit: 18 ft or 5.5 m.</span>}
    </>
  );
}

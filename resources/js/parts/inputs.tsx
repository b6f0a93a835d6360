import { useQuery } from '@tanstack/react-query';
import { Input, Select } from 'antd';
import { useState } from 'react';
import { referenceQuery } from '../job/useDesign';
import { twinOf, useUnits } from '../shell/units';
import { readLength } from './values';
import './inputs.css';

interface SizeProps {
  label: string;
  value: string | undefined;
  set: (v: string) => void;
}

/** A conductor size, from a list with the copper beside it: "3" and "3/0" differ threefold. */
export function SizeSelect({ label, value, set }: SizeProps) {
  const conductors = useQuery(referenceQuery).data?.conductors ?? [];
  return (
    <>
      <Select
        aria-label={label}
        showSearch={{ optionFilterProp: 'label' }}
        value={value}
        onChange={set}
        options={conductors.map((c) => ({
          value: c.designation,
          label: `${c.spoken} (${c.areaMm2.toFixed(1)} mm²)`,
        }))}
      />
      <Twin designation={value} conductors={conductors} set={set} />
    </>
  );
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

interface LengthProps {
  label: string;
  value: number | undefined;
  entered: string | undefined;
  set: (v: unknown, entered?: string) => void;
  autoFocus?: boolean;
}

/** A length with its unit, kept as it was entered. */
export function LengthInput({ label, value, entered, set, autoFocus = false }: LengthProps) {
  const units = useUnits();
  const [text, setText] = useState(entered ?? (value === undefined ? '' : units.length(value)));
  const read = readLength(text);
  return (
    <>
      <Input
        aria-label={label}
        value={text}
        autoFocus={autoFocus}
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

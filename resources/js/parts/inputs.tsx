import { useQuery } from '@tanstack/react-query';
import { Input, Select } from 'antd';
import { useState } from 'react';
import { referenceQuery } from '../job/useDesign';
import { twinOf, useUnits } from '../shell/units';
import { readNumber, type Bounds } from './number';
import { useRed } from './red';
import { readLength } from './values';
import { t } from '../words/t';
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
        // By how it begins: whoever types 4 means no 14.
        showSearch={{
          filterOption: (typed, option) =>
            String(option?.label ?? '')
              .toLowerCase()
              .startsWith(typed.trim().toLowerCase()),
        }}
        value={value}
        onChange={(v: string) => set(v)}
        options={conductors.map((c) => ({
          value: c.designation,
          label: t('parts.mm', { spoken: c.spoken, areaMm2: c.areaMm2.toFixed(1) }),
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
      {t('parts.notTheyDifferTimesIn', { spoken: own.spoken, spoken2: twin.spoken, times: times.toFixed(1) })}{' '}
      <button type="button" className="linklike" onClick={() => set(twin.designation)}>
        {t('parts.itSays', { spoken: twin.spoken })}
      </button>
    </span>
  );
}

interface LengthProps {
  label: string;
  value: number | undefined;
  entered: string | undefined;
  set: (v: number | undefined, entered?: string) => void;
  autoFocus?: boolean;
  /** told what stands there while it is no length */
  unread?: (text: string) => void;
}

/** A length with its unit, kept as it was entered. What is no length is red, and nothing is handed on for it. */
export function LengthInput({ label, value, entered, set, autoFocus = false, unread }: LengthProps) {
  const units = useUnits();
  const [text, setText] = useState(entered ?? (value === undefined ? '' : units.length(value)));
  const red = text.trim() !== '' && !readLength(text);
  useRed(red);
  return (
    <>
      <Input
        aria-label={label}
        aria-invalid={red}
        value={text}
        autoFocus={autoFocus}
        status={red ? 'error' : ''}
        onChange={(e) => {
          setText(e.target.value);
          const next = readLength(e.target.value);
          if (next) set(next.value, next.entered);
          else if (e.target.value.trim() === '') set(undefined);
          else unread?.(e.target.value);
        }}
        placeholder={t('parts.n18FtOr55')}
      />
      {red && (
        <span className="trouble" role="alert">
          {t('parts.writeANumberAndIts')}
        </span>
      )}
    </>
  );
}

interface NumberProps extends Bounds {
  label: string;
  value: number | undefined;
  set: (v: number | undefined) => void;
  autoFocus?: boolean;
  id?: string;
  /** told that what stands there is no number of this field */
  unread?: (text: string) => void;
}

/** A number of a field. Words, commas and what is out of bounds stay as they were typed, red, and are not handed on. */
export function NumberInput({ label, value, set, autoFocus = false, id, unread, ...bounds }: NumberProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? (value === undefined || value === null || Number.isNaN(value) ? '' : String(value));
  // What stood there before may be out of bounds: told when it is touched.
  const read = typed === null || typed.trim() === '' ? null : readNumber(typed, bounds);
  const trouble = typeof read === 'object' && read !== null ? read.trouble : null;
  useRed(trouble !== null);
  return (
    <>
      <Input
        {...(id === undefined ? {} : { id })}
        aria-label={label}
        aria-invalid={trouble !== null}
        inputMode="decimal"
        value={text}
        autoFocus={autoFocus}
        status={trouble === null ? '' : 'error'}
        suffix={bounds.unit || undefined}
        onChange={(e) => {
          setTyped(e.target.value);
          if (e.target.value.trim() === '') return set(undefined);
          const next = readNumber(e.target.value, bounds);
          if (typeof next === 'number') set(next);
          else unread?.(e.target.value);
        }}
      />
      {trouble !== null && (
        <span className="trouble" role="alert">
          {trouble}
        </span>
      )}
    </>
  );
}

import { useQuery } from '@tanstack/react-query';
import { Input, Select } from 'antd';
import { useState } from 'react';
import { referenceQuery } from '../job/useDesign';
import { twinOf, useUnits } from '../shell/units';
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
        showSearch={{ optionFilterProp: 'label' }}
        value={value}
        onChange={set}
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
  set: (v: unknown, entered?: string) => void;
  autoFocus?: boolean;
  /** told what stands there while it is no length, or nothing */
  unread?: (text: string) => void;
}

/** A length with its unit, kept as it was entered. */
export function LengthInput({ label, value, entered, set, autoFocus = false, unread }: LengthProps) {
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
          else unread?.(e.target.value);
        }}
        placeholder={t('parts.n18FtOr55')}
      />
      {text !== '' && !read && <span className="trouble">{t('parts.writeANumberAndIts')}</span>}
    </>
  );
}

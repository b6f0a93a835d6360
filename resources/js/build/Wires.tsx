import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { Camera, carried } from './Camera';
import { Shots, shots } from './Shots';
import type { BuildHold } from './useBuild';
import { wireFacts, type Wire } from './wire';
import { t } from '../words/t';

/** Wires that nobody knows: where they were found, what is printed on them, where they lead. */
export function Wires({ hold }: { hold: BuildHold }) {
  const waiting = hold.waiting.filter((q) => q.line.kind === 'wire').map((q) => q.line.says as Wire);
  const taken = shots(hold);
  const all = [...(hold.build.wires as Wire[]), ...waiting];
  const [wire, set] = useState<Record<string, string>>({});
  const [cut, setCut] = useState(false);
  const [trouble, setTrouble] = useState('');
  const [picture, setPicture] = useState<Record<string, unknown>>({});
  const field = (name: string, label: string) => (
    <label className="wire-field">
      {label}
      <Input
        size="large"
        value={wire[name] ?? ''}
        maxLength={160}
        onChange={(e) => set({ ...wire, [name]: e.target.value })}
      />
    </label>
  );
  return (
    <section>
      <ul className="open-list">
        {all.map((w, n) => (
          <li key={n}>
            <div className="open-words">
              <b>{w.where}</b>
              <small>{wireFacts(w)}</small>
              <Shots
                hold={hold}
                of={taken.filter((s) => s.sha256 === w.sha256)}
                what={w.where ?? t('build.wireWhere')}
              />
            </div>
          </li>
        ))}
      </ul>
      {all.length > 0 && <p className="quiet">{t('build.intoSurvey')}</p>}
      {!hold.build.draft && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            const where = (wire.where ?? '').trim();
            const volts = (wire.volts ?? '').trim();
            if (where === '') return setTrouble(t('build.whereFirst'));
            if (volts !== '' && !/^[-+]?\d+(\.\d+)?$/.test(volts)) return setTrouble(t('build.aNumber'));
            setTrouble('');
            const said = Object.fromEntries(
              ['jacket', 'conductors', 'to'].filter((n) => wire[n]?.trim()).map((n) => [n, wire[n]!.trim()]),
            );
            void hold.write('wire', '', {
              where,
              ...said,
              ...(volts === '' ? {} : { volts: Number(volts) }),
              ...(cut ? { cut } : {}),
              ...picture,
            });
            setPicture({});
            set({});
            setCut(false);
          }}
        >
          {field('where', t('build.wireWhere'))}
          {field('jacket', t('build.wireJacket'))}
          {field('conductors', t('build.wireConductors'))}
          {field('to', t('build.wireTo'))}
          {field('volts', t('build.wireVolts'))}
          <Checkbox checked={cut} onChange={(e) => setCut(e.target.checked)}>
            {t('build.wireCut')}
          </Checkbox>
          <p className="wire-photo">
            <Camera
              what={t('build.wireWhere')}
              keep={async (blob, arrows) =>
                setPicture({ sha256: await hold.picture('step.wires', blob), ...carried(arrows) })
              }
            />
            {'sha256' in picture && <small>{t('build.photos', { count: 1 })}</small>}
          </p>
          {trouble && (
            <p className="turn" role="alert">
              {trouble}
            </p>
          )}
          <p>
            <Button size="large" type="primary" htmlType="submit">
              {t('build.keepWire')}
            </Button>
          </p>
        </form>
      )}
    </section>
  );
}

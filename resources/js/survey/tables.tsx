import { Button } from 'antd';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Component, Field, Reference } from '../api/client';
import { landTogether, type Wire } from '../parts/Landing';
import { assumedCount, plainValue } from '../parts/values';
import { placeOf } from '../ui/spoken';
import { Cell } from './Cell';
import { useSurvey } from './context';
import { bankWords, confirmation, landsWords, shownAt, shownOf } from './survey';
import { t } from '../words/t';
import './tables.css';

interface TableProps {
  rows: [string, Component][];
  components: Record<string, Component>;
  forms: Reference['forms'];
  open: (id: string) => void;
}

/** The tick of a row: everything in it as shown. */
function RowTick({ id, part }: { id: string; part: Component }) {
  const { hold, by } = useSurvey();
  const left = assumedCount(part);
  return left === 0 ? (
    <span className="row-known" title={t('survey.nothingAssumed')}>
      {t('survey.known')}
    </span>
  ) : (
    <Button
      onClick={() => void hold.edit(confirmation([[id, part]], by, new Date()) as never)}
      aria-label={t('survey.allAsShown3', { label: part.label, left })}
    >
      {t('survey.asShown', { left })}
    </Button>
  );
}

/** What is done with a row as a whole: two cells. */
function RowTools({ id, part, open }: { id: string; part: Component; open: (id: string) => void }) {
  return (
    <>
      <td>
        <RowTick id={id} part={part} />
      </td>
      <td>
        <Button onClick={() => open(id)} aria-label={t('survey.open', { label: part.label })}>
          {t('survey.open2')}
        </Button>
      </td>
    </>
  );
}

function Frame({ label, head, children }: { label: string; head: string[]; children: ReactNode }) {
  return (
    <div className="table-scroll" tabIndex={0} role="region" aria-label={t('survey.scrollable', { label })}>
      <table className="survey-table">
        <thead>
          <tr>
            {head.map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}

function useRow({ components, forms }: Pick<TableProps, 'components' | 'forms'>) {
  const name = (id: string) => components[id]?.label ?? id;
  const fields = (c: Component): Record<string, Field> => forms[c.type]?.fields ?? {};
  const cell = (id: string, c: Component, path: string, empty?: string) => {
    const shown = shownAt(fields(c), c, path);
    return shown ? <Cell component={id} label={c.label} shown={shown} name={name} empty={empty} /> : null;
  };
  return { name, fields, cell };
}

/** The 120 V circuits, a row each, every value changed and confirmed where it stands. */
export function CircuitTable({ rows, components, forms, open }: TableProps) {
  const { name, cell } = useRow({ components, forms });
  const panels = Object.values(components).filter((c) => c.type === 'panel').length;
  return (
    <Frame
      label={t('survey.circuits')}
      head={[
        'Lands',
        'Circuit',
        t('survey.lookedAt'),
        '',
        'Breaker',
        'Cable',
        t('survey.oneWay'),
        'GFCI',
        'Outlets',
        'Draws',
      ]}
    >
      {rows.map(([id, c]) => {
        const hot = c.hot as Wire | undefined;
        const neutral = c.neutral as Wire | undefined;
        const apart = !landTogether(hot, neutral);
        const loads = Object.keys((c.loads ?? {}) as object);
        return (
          <tr key={id}>
            <td className={clsx('figures', apart && 'apart')}>
              {landsWords(hot, name, panels)}
              {apart && <small>{t('survey.neutral', { neutral: landsWords(neutral, name, 2) })}</small>}
            </td>
            <td>
              <b>{cell(id, c, '/label')}</b>
            </td>
            <RowTools id={id} part={c} open={open} />
            <td>{cell(id, c, '/breakerA')}</td>
            <td>{cell(id, c, '/cable/size')}</td>
            <td>{cell(id, c, '/cable/lengthM')}</td>
            <td>{cell(id, c, '/gfci')}</td>
            <td>{cell(id, c, '/receptacles', t('survey.count'))}</td>
            <td>
              {loads.length === 1 ? (
                cell(id, c, `/loads/${loads[0]}/watts`)
              ) : loads.length === 0 ? (
                <span className="quiet">–</span>
              ) : (
                <LoadSum c={c} />
              )}
            </td>
          </tr>
        );
      })}
    </Frame>
  );
}

function LoadSum({ c }: { c: Component }) {
  const loads = Object.values(c.loads as Record<string, { watts: unknown }>);
  const watts = loads.reduce((sum, l) => sum + Number(plainValue(l.watts).value ?? 0), 0);
  const assumed = loads.some((l) => plainValue(l.watts).assumed);
  return (
    <span className={clsx('figures', assumed && 'is-assumed')}>
      {assumed && '~'}
      {watts} W
    </span>
  );
}

/** The 12 V circuits, like the 120 V ones. */
export function DcTable({ rows, components, forms, open }: TableProps) {
  const { name, cell } = useRow({ components, forms });
  const panels = Object.values(components).filter((c) => c.type === 'dc_panel').length;
  return (
    <Frame
      label={t('survey.n12VCircuits')}
      head={[
        ...(panels > 1 ? ['Panel'] : []),
        'Circuit',
        'Fuse',
        'Wire',
        t('survey.oneWay'),
        'Draws',
        'Use',
        t('survey.lookedAt'),
        '',
      ]}
    >
      {rows.map(([id, c]) => (
        <tr key={id}>
          {panels > 1 && <td>{name(String(c.panel))}</td>}
          <td>
            <b>{cell(id, c, '/label')}</b>
          </td>
          <td>{cell(id, c, '/fuseA')}</td>
          <td>{cell(id, c, '/cable/size')}</td>
          <td>{cell(id, c, '/cable/lengthM')}</td>
          <td>{cell(id, c, '/amps')}</td>
          <td>{cell(id, c, '/use')}</td>
          <RowTools id={id} part={c} open={open} />
        </tr>
      ))}
    </Frame>
  );
}

/** Other parts, a row each with what is known of them. */
export function PartTable({ rows, components, forms, open, title }: TableProps & { title: string }) {
  const { name, fields } = useRow({ components, forms });
  return (
    <Frame label={title} head={['Part', t('survey.knownOfIt'), t('survey.lookedAt'), '']}>
      {rows.map(([id, c]) => (
        <tr key={id}>
          <td>
            <b>{c.label}</b>
            {c.type === 'battery_bank' && <small className="quiet"> {bankWords(c)}</small>}
          </td>
          <td>
            <div className="known-of">
              {shownOf(fields(c), c).map((shown) => (
                <span key={shown.path} className="known-one">
                  <small>{placeOf(forms, c.type, shown.path).words}</small>
                  <Cell component={id} label={c.label} shown={shown} name={name} />
                </span>
              ))}
            </div>
          </td>
          <RowTools id={id} part={c} open={open} />
        </tr>
      ))}
    </Frame>
  );
}

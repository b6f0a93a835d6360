import { useQuery } from '@tanstack/react-query';
import { App, Button, Drawer } from 'antd';
import { useMemo, useState } from 'react';
import type { Component } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { useUnits } from '../shell/units';
import { Photos } from '../survey/Photos';
import { changeWords, valueWords, placeOf } from '../ui/spoken';
import { PartsContext } from './context';
import { blankPart, Fields, newId, type Values } from './Fields';
import { Reds, useReds } from './red';
import { byHand, differences, plannedParts } from './planned';
import { t } from '../words/t';
import './PartDrawer.css';

interface Props {
  hold: DesignHold;
  /** the plan the part belongs to; null for the rig as found */
  plan: string | null;
  /** the part that is opened, or null for one that is new */
  id: string | null;
  type?: string;
  close: () => void;
}

/**
 * A part where it stands, as found or as planned: each value can be changed, all of it in one edit, and taken back to
 * what the arrangement wrote.
 */
export function PartDrawer({ hold, plan, id, type, close }: Props) {
  const forms = useQuery(referenceQuery).data?.forms;
  if (!forms) return null;
  return <Opened hold={hold} plan={plan} id={id} type={type ?? ''} close={close} forms={forms} />;
}

type Forms = Parameters<typeof placeOf>[0];

function Opened({ hold, plan, id, type, close, forms }: Props & { type: string; forms: NonNullable<Forms> }) {
  const { modal } = App.useApp();
  const [parts] = useState(() => plannedParts(hold.design.document, plan));
  const part = id === null ? undefined : parts[id];
  const kind = part?.type ?? type;
  const form = forms[kind];
  const [draft, setDraft] = useState<Values>(() =>
    part ? structuredClone(part as Values) : blankPart(kind, form?.fields ?? {}, parts),
  );
  const around = useMemo(() => ({ components: parts, forms, self: id }), [parts, forms, id]);
  const reds = useReds();
  if (!form) return null;

  const save = async () => {
    if (reds.any) return;
    const intent = plan === null ? { kind: 'survey_set' } : { kind: 'plan_set', plan };
    if (id === null) {
      const add = plan === null ? { kind: 'survey_add' } : { kind: 'plan_fit', plan };
      const component = draft as Component;
      if (await hold.edit({ ...add, id: newId(draft, parts), component } as never)) close();
      return;
    }
    const [first, ...more] = differences(part, draft);
    if (!first || (await hold.edit({ ...intent, component: id, ...first, more } as never))) close();
  };
  const takeOut = () =>
    modal.confirm({
      title:
        plan === null
          ? t('parts.takeOutOfTheSurvey', { label: part?.label })
          : t('parts.takeOutInThisPlan', { label: part?.label }),
      content: plan === null ? t('parts.undoBringsItBack') : t('parts.itStaysInTheSurvey'),
      okText: t('parts.takeItOut'),
      onOk: async () => {
        const away = plan === null ? { kind: 'survey_remove' } : { kind: 'plan_remove', plan };
        if (await hold.edit({ ...away, component: id! } as never)) close();
      },
    });
  const adds = plan === null ? t('parts.addIt') : t('parts.fitIt');
  return (
    <Drawer
      open
      onClose={close}
      size={520}
      title={part?.label ?? t('parts.new', { name: form.name })}
      footer={
        <div className="drawer-foot">
          <Button type="primary" onClick={() => void save()} loading={hold.saving} disabled={reds.any}>
            {id === null ? adds : t('parts.done')}
          </Button>
          {reds.any && <span className="trouble">{t('parts.putRightWhatIsRed')}</span>}
          {id !== null && <Button onClick={takeOut}>{t('parts.takeItOut2')}</Button>}
        </div>
      }
    >
      {plan !== null && id !== null && (
        <ByHand hold={hold} plan={plan} id={id} parts={parts} forms={forms} close={close} />
      )}
      <PartsContext.Provider value={around}>
        <Reds tell={reds.tell}>
          <Fields fields={form.fields} values={draft} change={setDraft} />
        </Reds>
      </PartsContext.Provider>
      {id !== null && hold.design.document.asFound.components[id] && (
        <Photos job={hold.design.id} component={id} label={part?.label ?? ''} />
      )}
    </Drawer>
  );
}

/** What was set by hand on a planned part, each with the way back. */
function ByHand({
  hold,
  plan,
  id,
  parts,
  forms,
  close,
}: {
  hold: DesignHold;
  plan: string;
  id: string;
  parts: Record<string, Component>;
  forms: NonNullable<Forms>;
  close: () => void;
}) {
  const units = useUnits();
  const hand = byHand(hold.design.document, plan, id);
  const kind = parts[id]?.type ?? '';
  const name = (part: string) => parts[part]?.label ?? part;
  if (hand.length === 0) return null;
  return (
    <ul className="set-by-hand" aria-label={t('parts.setByHand')}>
      {hand.map(([change, c]) => (
        <li key={change}>
          <span>
            {t('parts.byHand', { forms: changeWords(forms, kind, c, units, name) })}
            {c.was !== undefined && (
              <span className="quiet">
                {' '}
                {t('parts.theArrangementHad', {
                  field: valueWords(placeOf(forms, kind, c.path ?? '').field, c.was.value, units, name),
                })}
              </span>
            )}
          </span>
          <Button
            onClick={() =>
              void hold.edit({ kind: 'drop_change', plan, change } as never).then((done) => done && close())
            }
          >
            {t('parts.reset')}
          </Button>
        </li>
      ))}
    </ul>
  );
}

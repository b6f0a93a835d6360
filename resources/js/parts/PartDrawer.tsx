import { useQuery } from '@tanstack/react-query';
import { App, Button, Drawer } from 'antd';
import { useState } from 'react';
import type { Component } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { useUnits } from '../shell/units';
import { changeWords, valueWords, placeOf } from '../ui/spoken';
import { Fields, newId, type Values } from './Fields';
import { byHand, differences, plannedParts } from './planned';

interface Props {
  hold: DesignHold;
  plan: string;
  /** the part that is opened, or null for one that is to be fitted */
  id: string | null;
  type?: string;
  close: () => void;
}

/** A part as planned, where it stands: each value can be changed, and taken back to what the arrangement wrote. */
export function PartDrawer({ hold, plan, id, type, close }: Props) {
  const forms = useQuery(referenceQuery).data?.forms;
  const { modal } = App.useApp();
  const units = useUnits();
  const [parts] = useState(() => plannedParts(hold.design.document, plan));
  const planned = id === null ? undefined : parts[id];
  const kind = planned?.type ?? type ?? '';
  const [draft, setDraft] = useState<Values>(() => structuredClone((planned ?? { type: kind, label: '' }) as Values));
  const form = forms?.[kind];
  if (!form) return null;
  const name = (part: string) => parts[part]?.label ?? part;
  const hand = id === null ? [] : byHand(hold.design.document, plan, id);

  const save = async () => {
    if (id === null) {
      const component = draft as Component;
      if (await hold.edit({ kind: 'plan_fit', plan, id: newId(draft, parts), component } as never)) close();
      return;
    }
    let all = true;
    for (const { path, value } of differences(planned, draft))
      all = (await hold.edit({ kind: 'plan_set', plan, component: id, path, value } as never)) && all;
    if (all) close();
  };
  const takeOut = () =>
    modal.confirm({
      title: `Take ${planned?.label} out in this plan?`,
      content: 'It stays in the survey. Undo brings it back.',
      okText: 'Take it out',
      onOk: async () => {
        if (await hold.edit({ kind: 'plan_remove', plan, component: id! } as never)) close();
      },
    });
  return (
    <Drawer
      open
      onClose={close}
      size={520}
      title={planned?.label ?? `Fit: ${kind.replaceAll('_', ' ')}`}
      footer={
        <div className="drawer-foot">
          <Button type="primary" onClick={() => void save()} loading={hold.saving}>
            {id === null ? 'Fit it' : 'Done'}
          </Button>
          {id !== null && <Button onClick={takeOut}>Take it out …</Button>}
        </div>
      }
    >
      <p className="quiet">{form.summary}</p>
      {hand.length > 0 && (
        <ul className="set-by-hand" aria-label="Set by hand">
          {hand.map(([change, c]) => (
            <li key={change}>
              <span>
                by hand: {changeWords(forms, kind, c, units, name)}
                {c.was !== undefined && (
                  <span className="quiet">
                    {' '}
                    · the arrangement had{' '}
                    {valueWords(placeOf(forms, kind, c.path ?? '').field, c.was.value, units, name)}
                  </span>
                )}
              </span>
              <Button
                onClick={() =>
                  void hold.edit({ kind: 'drop_change', plan, change } as never).then((done) => done && close())
                }
              >
                Reset
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Fields fields={form.fields} values={draft} change={setDraft} components={parts} />
    </Drawer>
  );
}

import { useQuery } from '@tanstack/react-query';
import { App, Button, Drawer } from 'antd';
import { useState } from 'react';
import type { Component } from '../api/client';
import { referenceQuery, type DesignHold } from '../job/useDesign';
import { Photos } from './Photos';
import { Fields, newId, type Values } from '../parts/Fields';

interface Props {
  hold: DesignHold;
  id: string | null;
  type?: string;
  close: () => void;
}

/** Everything about one part, and how each value is known. */
export function ComponentDrawer({ hold, id, type, close }: Props) {
  const reference = useQuery(referenceQuery);
  const { modal } = App.useApp();
  const components = hold.design.document.asFound.components;
  const found = id ? components[id] : undefined;
  const kind = found?.type ?? type ?? '';
  const form = reference.data?.forms[kind];
  const [draft, setDraft] = useState<Values>(() => structuredClone((found ?? { type: kind, label: '' }) as Values));
  if (!form) return null;

  const save = async () => {
    if (id) {
      let all = true;
      for (const name of Object.keys(form.fields)) {
        const before = JSON.stringify((found as Values)[name]);
        const after = JSON.stringify(draft[name]);
        if (before !== after && draft[name] !== undefined)
          all =
            (await hold.edit({ kind: 'survey_set', component: id, path: `/${name}`, value: draft[name] } as never)) &&
            all;
      }
      if (all) close();
      return;
    }
    if (await hold.edit({ kind: 'survey_add', id: newId(draft, components), component: draft as Component } as never))
      close();
  };
  const remove = () =>
    modal.confirm({
      title: `Take ${found?.label} out of the survey?`,
      content: 'Undo brings it back.',
      okText: 'Take it out',
      onOk: async () => {
        if (await hold.edit({ kind: 'survey_remove', component: id! } as never)) close();
      },
    });
  return (
    <Drawer
      open
      onClose={close}
      size={520}
      title={found?.label ?? kind.replaceAll('_', ' ')}
      footer={
        <div className="drawer-foot">
          <Button type="primary" onClick={() => void save()} loading={hold.saving}>
            {id ? 'Done' : 'Add it'}
          </Button>
          {id && <Button onClick={remove}>Take it out …</Button>}
        </div>
      }
    >
      <p className="quiet">{form.summary}</p>
      <Fields fields={form.fields} values={draft} change={setDraft} components={components} />
      {id && <Photos job={hold.design.id} component={id} label={found?.label ?? id} />}
    </Drawer>
  );
}

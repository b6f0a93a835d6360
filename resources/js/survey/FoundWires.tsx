import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Select } from 'antd';
import { useState } from 'react';
import { api, unwrap, type Component } from '../api/client';
import { write } from '../build/store';
import { bring } from '../build/sync';
import { when } from '../build/words';
import type { DesignHold } from '../job/useDesign';
import { useMe } from '../shell/Session';
import { belongsTo, foundIn, inWords, type Found, type LogLine } from './found';
import { t } from '../words/t';
import './FoundWires.css';

/** What a note of a part holds, characters. */
const MOST = 500;

/** All lines of a logbook: the server gives them by the page. */
async function allLines(job: number): Promise<LogLine[]> {
  const lines: LogLine[] = [];
  for (;;) {
    const query = { after: lines.at(-1)?.number ?? 0 };
    const more = unwrap(await api.GET('/jobs/{job}/log', { params: { path: { job }, query } })).lines;
    if (more.length === 0) return lines;
    lines.push(...more);
  }
}

/** What was found beside the rig and belongs into the survey: wires that nobody knew, what was broken already. */
export function FoundWires({ hold }: { hold: DesignHold }) {
  const job = hold.design.id;
  const log = useQuery({ queryKey: ['found', job], queryFn: () => allLines(job) });
  const found = foundIn(log.data ?? []);
  const left = found.filter((f) => f.known === null);
  if (found.length === 0) return null;
  return (
    <section className="found">
      <h1>
        {t('survey.foundBesideTheRig')} <span className="quiet">{t('survey.foundLeft', { count: left.length })}</span>
      </h1>
      <ul>
        {found.map((f) => (
          <FoundRow key={f.line.uuid} hold={hold} found={f} />
        ))}
      </ul>
    </section>
  );
}

function FoundRow({ hold, found }: { hold: DesignHold; found: Found }) {
  const me = useMe();
  const client = useQueryClient();
  const { message } = App.useApp();
  const job = hold.design.id;
  const components = hold.design.document.asFound.components as Record<string, Component>;
  const [part, choose] = useState<string | null>(() => belongsTo(found.line, components));
  const words = inWords(found.line);
  const enter = async () => {
    const component = part === null ? undefined : components[part];
    if (!component || !part || me === null) return;
    const before = typeof component.note === 'string' ? component.note : '';
    // Entered before, and the logbook has not heard of it: once is enough.
    const note = before.includes(words) ? before : [before, words].filter(Boolean).join('; ');
    if (note.length > MOST) return void message.error(t('survey.noteIsFull', { part: component.label }), 6);
    const edit = { kind: 'survey_set', component: part, path: '/note', value: note };
    if (note !== before && !(await hold.edit(edit as never))) return;
    const says = { item: found.line.uuid, words: t('survey.nowAt', { part: component.label }) };
    await write(job, found.line.revision, found.line.number, 'surveyed', '', says, me);
    await bring(job, me.id);
    await client.invalidateQueries({ queryKey: ['found', job] });
  };
  return (
    <li className={found.known === null ? '' : 'is-known'}>
      <span className="found-words">
        {words} <small className="quiet">{t('build.byAt', { by: found.line.by ?? '', at: when(found.line.at) })}</small>
      </span>
      {found.known !== null ? (
        <small>{found.known}</small>
      ) : (
        <span className="found-enter">
          <Select
            aria-label={t('survey.belongsTo', { words })}
            placeholder={t('survey.belongsToWhat')}
            showSearch={{ optionFilterProp: 'label' }}
            value={part}
            onChange={(v) => choose(v)}
            options={Object.entries(components).map(([value, c]) => ({ value, label: c.label }))}
          />
          <Button disabled={part === null} onClick={() => void enter()}>
            {t('survey.enterIt')}
          </Button>
        </span>
      )}
    </li>
  );
}

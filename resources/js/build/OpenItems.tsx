import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { useUnits } from '../shell/units';
import { Shots, shots } from './Shots';
import { Reason } from './Reason';
import type { BuildHold } from './useBuild';
import { t, type Key } from '../words/t';

const KINDS: Record<string, Key> = {
  overridden: 'build.openOverridden',
  unfinished: 'build.openUnfinished',
  temporary: 'build.openTemporary',
  deferred: 'build.openDeferred',
  waiting: 'build.openWaiting',
  defect: 'build.openDefect',
};

/** What is not finished: whose, until when or until what, and whether the rig may leave with it. */
export function OpenItems({ hold }: { hold: BuildHold }) {
  const waiting = hold.waiting.filter((q) => ['open', 'defect', 'substitute'].includes(q.line.kind));
  const units = useUnits();
  const taken = shots(hold);
  const open = [...hold.build.open].sort((a, b) => Number(b.blocks) - Number(a.blocks));
  return (
    <section className="sheet-panel">
      <div className="sheet-head">
        <h1>{t('build.part_open')}</h1>
        <span className="quiet">{t('build.blockCount', { count: open.filter((o) => o.blocks).length })}</span>
      </div>
      {open.length === 0 && waiting.length === 0 && <p className="quiet">{t('build.nothingOpen')}</p>}
      <ul className="open-list">
        {open.map((o) => (
          <li key={o.id}>
            <div className="open-words">
              <b>{units.said(o.words)}</b>
              <small>
                {[
                  KINDS[o.kind] ? t(KINDS[o.kind]!) : o.kind,
                  o.whose && t('build.whose', { whose: o.whose }),
                  o.due && t('build.due', { day: o.due }),
                  o.late && t('build.late'),
                  o.event && t('build.waitsFor', { event: o.event }),
                  o.capW !== null && t('build.caps', { watts: o.capW.toFixed(0) }),
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </small>
              <Shots hold={hold} of={o.photo ? taken.filter((s) => s.sha256 === o.photo) : []} what={o.words} />
            </div>
            <span className={o.blocks ? 'open-blocks' : 'quiet'}>
              {o.blocks ? t('build.blocks') : t('build.mayLeave')}
            </span>
            {!hold.build.draft && !['missing', 'reopened', 'cap'].includes(o.id.split('_')[0]!) && (
              <Reason
                open={t('build.closeIt')}
                ask={t('build.howClosed')}
                save={(words) => void hold.write('closed', '', { item: o.id, words })}
              />
            )}
          </li>
        ))}
        {waiting.map((q) => (
          <li key={q.uuid}>
            <div className="open-words">
              <b>{String(q.line.says.words)}</b>
              <small>{t('build.onItsWay')}</small>
            </div>
          </li>
        ))}
      </ul>
      {!hold.build.draft && <NewItem hold={hold} />}
    </section>
  );
}

function NewItem({ hold }: { hold: BuildHold }) {
  const empty = { words: '', kind: 'temporary', due: '', event: '', whose: '', capW: '', blocks: false };
  const [item, setItem] = useState(empty);
  const cap = item.capW.trim().replace(/\s*W$/i, '');
  const capIsRight = cap === '' || (/^\d+(\.\d+)?$/.test(cap) && Number(cap) >= 1 && Number(cap) <= 20000);
  const text = (name: 'words' | 'event' | 'whose' | 'capW', most: number) => ({
    value: item[name],
    maxLength: most,
    onChange: (e: { target: { value: string } }) => setItem({ ...item, [name]: e.target.value }),
  });
  return (
    <form
      className="open-form"
      onSubmit={(e) => {
        e.preventDefault();
        if (item.words.trim() === '' || !capIsRight) return;
        void hold.write('open', '', {
          words: item.words.trim(),
          kind: item.kind,
          blocks: item.blocks,
          ...(item.due ? { due: item.due } : {}),
          ...(item.event.trim() ? { event: item.event.trim() } : {}),
          ...(item.whose.trim() ? { whose: item.whose.trim() } : {}),
          ...(cap ? { capW: Number(cap) } : {}),
        });
        setItem(empty);
      }}
    >
      <label className="open-what">
        {t('build.somethingOpen')}
        <Input {...text('words', 500)} />
      </label>
      <label>
        {t('build.whoseIsIt')}
        <Input {...text('whose', 120)} />
      </label>
      <label>
        {t('build.kindOf')}
        <select value={item.kind} onChange={(e) => setItem({ ...item, kind: e.target.value })}>
          {['temporary', 'unfinished', 'deferred', 'waiting'].map((k) => (
            <option key={k} value={k}>
              {t(KINDS[k]!)}
            </option>
          ))}
        </select>
      </label>
      <label>
        {t('build.untilDay')}
        <input type="date" value={item.due} onChange={(e) => setItem({ ...item, due: e.target.value })} />
      </label>
      <label>
        {t('build.untilEvent')}
        <Input {...text('event', 120)} />
      </label>
      <label>
        {t('build.atMostUntil')}
        <Input {...text('capW', 8)} inputMode="decimal" suffix="W" status={capIsRight ? '' : 'error'} />
      </label>
      <span className="open-add">
        <Checkbox checked={item.blocks} onChange={(e) => setItem({ ...item, blocks: e.target.checked })}>
          {t('build.blocks')}
        </Checkbox>
        <Button htmlType="submit">{t('build.addIt')}</Button>
      </span>
      {!capIsRight && <small role="alert">{t('build.wattsBetween')}</small>}
    </form>
  );
}

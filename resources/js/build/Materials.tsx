import { Button, Input } from 'antd';
import { useState } from 'react';
import { useUnits } from '../shell/units';
import type { BuildHold } from './useBuild';
import { t } from '../words/t';

/** What must be here before a stage begins: what is on its way and when, what stands in for it, what is in doubt. */
export function Materials({ hold }: { hold: BuildHold }) {
  const units = useUnits();
  return (
    <>
      {hold.build.stages
        .filter((s) => s.materials.length > 0)
        .map((stage) => (
          <section key={stage.id} className="sheet-panel">
            <div className="sheet-head">
              <h1>{hold.build.stages.length > 1 ? stage.title : t('build.part_material')}</h1>
            </div>
            {stage.doubts.length > 0 && (
              <ul className="step-cautions">
                {stage.doubts.map((d) => (
                  <li key={d.words}>{units.said(d.words)}</li>
                ))}
              </ul>
            )}
            <table className="build-table">
              <thead>
                <tr>
                  <th scope="col">{t('build.what')}</th>
                  <th scope="col">{t('build.expected')}</th>
                  <th scope="col">{t('build.here')}</th>
                </tr>
              </thead>
              <tbody>
                {stage.materials.map((m) => (
                  <Material
                    key={m.key}
                    line={m}
                    hold={hold}
                    counted={hold.states[`${stage.id}.materials`]?.status === 'done'}
                  />
                ))}
              </tbody>
            </table>
          </section>
        ))}
    </>
  );
}

function Material({
  line,
  hold,
  counted,
}: {
  line: BuildHold['build']['stages'][number]['materials'][number];
  hold: BuildHold;
  /** the whole list was counted and found complete */
  counted: boolean;
}) {
  const [standing, standIn] = useState(false);
  const units = useUnits();
  const told = hold.waiting.filter((q) => q.line.kind === 'arrival' && q.line.says.key === line.key).at(-1)?.line.says;
  const known = hold.build.arrivals[line.key];
  const date = (told?.date as string | undefined) ?? known?.date ?? '';
  const here = told ? told.here === true : (known?.here ?? counted);
  const [typed, setTyped] = useState<string | null>(null);
  const set = (says: Record<string, unknown>) => void hold.write('arrival', '', { key: line.key, ...says });
  return (
    <tr>
      <td>
        <b>{units.said(line.words)}</b> <span className="quiet">{units.said(line.why)}</span>
        {!hold.build.draft && !standing && (
          <button type="button" className="link" onClick={() => standIn(true)}>
            {t('build.standsIn')}
          </button>
        )}
        {standing && (
          <StandIn
            save={(says) => {
              void hold.write('substitute', '', { key: line.words.slice(0, 80), ...says });
              standIn(false);
            }}
            close={() => standIn(false)}
          />
        )}
      </td>
      <td>
        {!here && (
          <input
            type="date"
            aria-label={t('build.expectedOf', { what: line.words })}
            disabled={hold.build.draft}
            value={typed ?? date}
            onChange={(e) => setTyped(e.target.value)}
            onBlur={() => {
              if (typed && typed !== date) set({ date: typed });
              setTyped(null);
            }}
          />
        )}
      </td>
      <td>
        <Button disabled={hold.build.draft} type={here ? 'primary' : 'default'} onClick={() => set({ here: !here })}>
          {here ? t('build.isHere') : t('build.notHere')}
        </Button>
      </td>
    </tr>
  );
}

/** What is taken instead, why, and when it is looked at again. */
function StandIn({ save, close }: { save: (says: Record<string, unknown>) => void; close: () => void }) {
  const [words, setWords] = useState('');
  const [why, setWhy] = useState('');
  const [due, setDue] = useState('');
  return (
    <form
      className="stand-in"
      onSubmit={(e) => {
        e.preventDefault();
        if (words.trim() && why.trim()) save({ words: words.trim(), why: why.trim(), ...(due ? { due } : {}) });
      }}
    >
      <Input
        aria-label={t('build.instead')}
        placeholder={t('build.instead')}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      <Input
        aria-label={t('build.whyInstead')}
        placeholder={t('build.whyInstead')}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
      />
      <label>
        {t('build.lookAgain')} <input type="date" value={due} onChange={(e) => setDue(e.target.value)} />
      </label>
      <Button htmlType="submit" disabled={!words.trim() || !why.trim()}>
        {t('build.keep')}
      </Button>
      <Button onClick={close}>{t('build.leaveIt')}</Button>
    </form>
  );
}

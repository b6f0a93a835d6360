import { Button, Input } from 'antd';
import { useState } from 'react';
import type { Step } from '../api/client';
import { Camera, carried } from './Camera';
import { Shots, shots } from './Shots';
import type { BuildHold } from './useBuild';
import { when } from './words';
import { t } from '../words/t';

/** What was said at a step beside what it asks: notes, and what was broken already. */
export function Taken({ hold, step, mayWrite }: { hold: BuildHold; step: Step; mayWrite: boolean }) {
  const state = hold.states[step.id]!;
  const [kind, setKind] = useState<'note' | 'defect' | null>(null);
  const [words, setWords] = useState('');
  const [picture, setPicture] = useState<Record<string, unknown>>({});
  const component = step.components[0];
  const broken = shots(hold).filter((s) => s.step === step.id && s.ask === 'defect');
  return (
    <section className="step-taken">
      <ul>
        {state.notes.map((n) => (
          <li key={n.at + n.words}>
            {n.words} <small>{t('build.byAt', { by: n.by, at: when(n.at) })}</small>
          </li>
        ))}
      </ul>
      <Shots hold={hold} of={broken} what={t('build.wasBroken')} />
      {mayWrite && kind === null && (
        <p>
          <button type="button" className="link" onClick={() => setKind('note')}>
            {t('build.addNote')}
          </button>
          <button type="button" className="link" onClick={() => setKind('defect')}>
            {t('build.wasBroken')}
          </button>
        </p>
      )}
      {kind !== null && (
        <form
          className="step-reason-form"
          onSubmit={(e) => {
            e.preventDefault();
            if (words.trim() === '') return;
            void hold.write(
              kind,
              step.id,
              kind === 'note'
                ? { words: words.trim() }
                : { words: words.trim(), ...(component ? { component } : {}), ...picture },
            );
            setPicture({});
            setKind(null);
            setWords('');
          }}
        >
          <Input
            autoFocus
            size="large"
            maxLength={500}
            value={words}
            aria-label={kind === 'note' ? t('build.addNote') : t('build.wasBroken')}
            placeholder={kind === 'note' ? t('build.addNote') : t('build.brokenWhat')}
            onChange={(e) => setWords(e.target.value)}
          />
          {kind === 'defect' && (
            <Camera
              what={t('build.brokenWhat')}
              keep={async (blob, arrows, said) => {
                const sha256 = await hold.picture(component ?? `step.${step.id}`, blob);
                setPicture({ sha256, ...carried(arrows) });
                if (said && words.trim() === '') setWords(said);
              }}
            />
          )}
          {'sha256' in picture && <small>{t('build.photos', { count: 1 })}</small>}
          <Button size="large" htmlType="submit">
            {t('build.keep')}
          </Button>
          <Button size="large" onClick={() => setKind(null)}>
            {t('build.leaveIt')}
          </Button>
        </form>
      )}
    </section>
  );
}

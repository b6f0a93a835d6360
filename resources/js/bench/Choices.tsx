import { Button } from 'antd';
import { useState } from 'react';
import type { TakeOff } from '../api/client';
import { csvHref } from '../ui/csv';
import { t } from '../words/t';
import { choicesAsCsv } from './list';

const VERDICTS = { has: t('bench.has'), ask: t('bench.ask'), lacks: t('bench.lacks') };

interface Props {
  choices: TakeOff['choices'];
  /** takes an offer for a part; null where nothing may be changed */
  take: ((component: string, code: string) => void) | null;
  wish: () => void;
}

/** Offers for each part that there is a choice of, held against what it must have. */
export function Choices({ choices, take, wish }: Props) {
  const [opened, open] = useState<string | null>(null);
  if (choices.length === 0) return null;
  return (
    <section className="bench">
      <div className="sheet-head">
        <h1>{t('bench.candidates')}</h1>
        <span className="quiet">{t('bench.candidatesNote')}</span>
        <span className="spring" />
        <Button size="small" href={csvHref(choicesAsCsv(choices))} download="candidates.csv">
          {t('bench.csv')}
        </Button>
        <Button size="small" onClick={wish}>
          {t('bench.wishes')}
        </Button>
      </div>
      {choices.map((choice) => {
        const isOpen = opened === choice.component;
        const taken = choice.candidates.find((c) => c.code === choice.taken);
        return (
          <div key={choice.component} className="choice">
            <button type="button" aria-expanded={isOpen} onClick={() => open(isOpen ? null : choice.component)}>
              <b>{choice.label}</b>{' '}
              <span className={taken ? 'quiet' : 'choice-none'}>
                {taken
                  ? t('bench.taken', { name: taken.name })
                  : t('bench.noneHas', { count: choice.candidates.length })}
              </span>
            </button>
            {isOpen && (
              <ul>
                {choice.candidates.map((c) => (
                  <li key={c.code} className={`is-${c.verdict}`}>
                    <div>
                      <b>{c.name}</b>{' '}
                      <span className={`figures ${c.assumed ? 'is-assumed' : ''}`}>
                        {c.price === null ? '–' : `${c.assumed ? '~' : ''}${c.price}`}
                      </span>{' '}
                      <span className="choice-verdict">{VERDICTS[c.verdict]}</span>
                      {c.stopgap && <small className="quiet"> {c.stopgap}</small>}
                    </div>
                    <div className="musts figures">
                      {c.musts.map((m) => (
                        <span key={m.name} className={m.ok === null ? 'must-ask' : m.ok ? 'must-has' : 'must-lacks'}>
                          {m.ok === null ? '?' : m.ok ? '✓' : '✗'} {m.name} {m.wants}
                          {m.ok === true || m.has === null ? '' : ` (${m.has})`}
                        </span>
                      ))}
                    </div>
                    {take &&
                      (c.code === choice.taken ? (
                        <span className="quiet">{t('bench.isTaken')}</span>
                      ) : (
                        <Button size="small" onClick={() => take(choice.component, c.code)}>
                          {t('bench.take')}
                        </Button>
                      ))}
                  </li>
                ))}
              </ul>
            )}
          </div>
        );
      })}
    </section>
  );
}

import { Button, Input } from 'antd';
import { useState } from 'react';
import type { JobDocument, Reference } from '../api/client';
import { useSurvey } from './context';
import { knownBy } from '../parts/values';
import { Photos } from './Photos';
import { t } from '../words/t';
import './WalkRound.css';

type Found = NonNullable<JobDocument['asFound']['walk']>[string];

/** What one looks at and takes hold of before anything is planned: a verdict, a word and a photograph each. */
export function WalkRound({ items }: { items: Reference['walk'] }) {
  const { hold } = useSurvey();
  const found = hold.design.document.asFound.walk ?? {};
  const faults = Object.values(found).filter((f) => f.verdict === 'fault').length;
  return (
    <section className="walk" aria-label={t('survey.walkRound')}>
      <h1>
        {t('survey.walkRound')}{' '}
        <span className="quiet">
          {t('survey.ofLookedAt', { count: Object.keys(found).length, count2: items.length })}
          {faults > 0 && t('survey.notAsItShouldBe', { faults })}
        </span>
      </h1>
      <ul>
        {items.map((item) => (
          <Item key={item.id} item={item} found={found[item.id]} />
        ))}
      </ul>
    </section>
  );
}

function Item({ item, found }: { item: Reference['walk'][number]; found: Found | undefined }) {
  const { hold, by } = useSurvey();
  const [note, setNote] = useState(found?.note ?? '');
  const [photos, setPhotos] = useState(false);
  const say = (verdict: string, words = note) =>
    void hold.edit({
      kind: 'set_walk',
      item: item.id,
      verdict,
      note: words,
      ...knownBy(by),
    } as never);
  return (
    <li className={found ? `walk-${found.verdict}` : ''}>
      <span className="walk-what">
        <b>{item.title}</b>
        <span className="quiet">{item.how}</span>
      </span>
      <span className="choose" role="radiogroup" aria-label={item.title}>
        {[
          ['sound', t('survey.sound')],
          ['fault', t('survey.notSo')],
        ].map(([verdict, words]) => (
          <button
            key={verdict}
            type="button"
            role="radio"
            aria-checked={found?.verdict === verdict}
            onClick={() => say(found?.verdict === verdict ? '' : verdict!)}
          >
            {words}
          </button>
        ))}
      </span>
      <Input
        aria-label={t('survey.whatWasFound', { title: item.title })}
        placeholder={t('survey.whatWasFound2')}
        value={note}
        maxLength={400}
        onChange={(e) => setNote(e.target.value)}
        onBlur={() => found && note !== (found.note ?? '') && say(found.verdict)}
        onPressEnter={() => found && say(found.verdict)}
      />
      <Button onClick={() => setPhotos(!photos)} aria-expanded={photos}>
        {t('survey.photographs')}
      </Button>
      {photos && <Photos job={hold.design.id} component={`walk.${item.id}`} label={item.title} />}
    </li>
  );
}

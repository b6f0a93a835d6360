import { Button, Input } from 'antd';
import { useState } from 'react';
import { saysSomething } from './reason';
import { t } from '../words/t';

/** A reason, asked for where it is needed. */
export function Reason({
  open,
  ask,
  save,
  substance = false,
}: {
  open: string;
  ask: string;
  save: (words: string) => void;
  /** whether it must say something that somebody else can act on */
  substance?: boolean;
}) {
  const [asking, setAsking] = useState(false);
  const [words, setWords] = useState('');

  const enough = substance ? saysSomething(words) : words.trim().length >= 4;
  if (!asking)
    return (
      <button type="button" className="link step-reason" onClick={() => setAsking(true)}>
        {open}
      </button>
    );
  return (
    <form
      className="step-reason-form"
      onSubmit={(e) => {
        e.preventDefault();
        if (!enough) return;
        save(words.trim());
        setAsking(false);
        setWords('');
      }}
    >
      <Input
        autoFocus
        size="large"
        aria-label={ask}
        placeholder={ask}
        value={words}
        maxLength={500}
        onChange={(e) => setWords(e.target.value)}
      />
      {substance && words !== '' && !enough && <small role="status">{t('build.sayInASentence')}</small>}
      <Button size="large" htmlType="submit" disabled={!enough}>
        {t('build.keepReason')}
      </Button>
      <Button size="large" onClick={() => setAsking(false)}>
        {t('build.leaveIt')}
      </Button>
    </form>
  );
}

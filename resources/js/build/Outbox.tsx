import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { store } from './store';
import type { BuildHold } from './useBuild';
import { when } from './words';
import { t } from '../words/t';

/** What is written here and not taken by the server yet; what it refused; how much room the tablet has. */
export function Outbox({ hold, short = false }: { hold: BuildHold; short?: boolean }) {
  const refused = hold.waiting.filter((q) => q.problems !== null);
  const waiting = hold.waiting.length - refused.length;
  const pictures = hold.pictures.filter((p) => p.sent === 0).length;
  const lost = hold.pictures.filter((p) => p.sent < 0);
  const room = useRoom();
  if (short && hold.waiting.length === 0 && pictures === 0 && hold.keptAt === null) return null;
  return (
    <section className="outbox" aria-live="polite">
      <p>
        <b>
          {hold.keptAt !== null
            ? t('build.noSignal', { at: when(hold.keptAt) })
            : waiting + pictures > 0
              ? t('build.onItsWay')
              : t('build.allThere')}
        </b>{' '}
        {waiting > 0 && t('build.linesWait', { count: waiting })}
        {pictures > 0 && ` ${t('build.picturesWait', { count: pictures })}`}
        {!short && room && ` · ${room}`}
      </p>
      {(waiting > 0 || hold.keptAt !== null) && (
        <Button size="small" onClick={hold.again}>
          {t('build.tryNow')}
        </Button>
      )}
      {refused.length > 0 && (
        <ul>
          {refused.map((q) => (
            <li key={q.uuid}>
              {t('build.refused', { kind: q.line.kind, at: when(q.line.at) })}{' '}
              {q.problems!.map((p) => p.message).join(' ')}{' '}
              <button
                type="button"
                className="link"
                onClick={() => void store.outbox.where('uuid').equals(q.uuid).delete().then(hold.again)}
              >
                {t('build.throwAway')}
              </button>
            </li>
          ))}
        </ul>
      )}
      {lost.length > 0 && <p>{t('build.picturesRefused', { count: lost.length })}</p>}
    </section>
  );
}

/** How much of the tablet's room is used, where the browser tells. */
function useRoom(): string | null {
  const [words, setWords] = useState<string | null>(null);
  useEffect(() => {
    void navigator.storage?.estimate?.().then(({ usage = 0, quota = 0 }) => {
      if (quota > 0) setWords(t('build.room', { used: (usage / 1e6).toFixed(0), of: (quota / 1e9).toFixed(1) }));
    });
    // Asked to keep it: a browser short of room throws away what nobody asked to keep.
    void navigator.storage?.persist?.();
  }, []);
  return words;
}

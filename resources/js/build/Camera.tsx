import clsx from 'clsx';
import { useRef, useState } from 'react';
import { smaller } from '../survey/Photos';
import { PhotoMark, type Arrow } from './PhotoMark';
import { t } from '../words/t';

interface Props {
  /** what it shows, for whoever cannot see the button's place */
  what: string;
  disabled?: boolean;
  keep: (picture: Blob, arrows: Arrow[], words: string) => Promise<void>;
}

/** A photograph: taken, marked with arrows where one wants. */
export function Camera({ what, disabled = false, keep }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [blob, setBlob] = useState<Blob | null>(null);
  return (
    <>
      <label className={clsx('ask-camera', disabled && 'is-off')}>
        <input
          ref={input}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          disabled={disabled}
          aria-label={t('build.photoOf', { what })}
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void smaller(file).then(setBlob);
            if (input.current) input.current.value = '';
          }}
        />
        <span>{t('build.photo')}</span>
      </label>
      {blob && (
        <PhotoMark
          blob={blob}
          keep={(arrows, words) => void keep(blob, arrows, words).then(() => setBlob(null))}
          close={() => setBlob(null)}
        />
      )}
    </>
  );
}

/** Arrows as a line of the logbook carries them. */
export const carried = (arrows: Arrow[]) =>
  arrows.length === 0 ? {} : { arrows: Object.fromEntries(arrows.map((a, n) => [`a${n + 1}`, a])) };

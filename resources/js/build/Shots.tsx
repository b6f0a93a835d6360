import { useQuery } from '@tanstack/react-query';
import { Modal } from 'antd';
import { useState } from 'react';
import { api, unwrap } from '../api/client';
import { useDataAddress } from '../ui/useDataAddress';
import { Arrows, type Arrow } from './PhotoMark';
import type { BuildHold } from './useBuild';
import { when } from './words';
import { t } from '../words/t';
import './Shots.css';

/** A photograph as the logbook names it, taken or still on its way. */
export interface Shot {
  sha256: string;
  step: string;
  ask: string;
  words: string;
  arrows: Arrow[];
  by: string;
  at: string;
}

/** All photographs of the work: what the server has, then what waits here. */
export function shots(hold: BuildHold): Shot[] {
  return [
    ...hold.build.photos,
    ...hold.waiting
      .filter((q) => typeof q.line.says.sha256 === 'string')
      .map(({ line, name }) => {
        const says = line.says as { sha256: string; ask?: string; words?: string; arrows?: Record<string, Arrow> };
        return {
          sha256: says.sha256,
          step: line.step,
          ask: says.ask ?? line.kind,
          words: says.words ?? '',
          arrows: Object.values(says.arrows ?? {}),
          by: name,
          at: line.at,
        };
      }),
  ];
}

/** Photographs with the arrows that were drawn on them; one is opened large. */
export function Shots({ hold, of, what }: { hold: BuildHold; of: Shot[]; what: string }) {
  const [open, setOpen] = useState<Shot | null>(null);
  if (of.length === 0) return null;
  return (
    <ul className="shots">
      {of.map((s, n) => (
        <li key={n}>
          <button type="button" onClick={() => setOpen(s)} aria-label={t('build.seeShot', { what, by: s.by })}>
            <Marked hold={hold} shot={s} what={what} />
          </button>
        </li>
      ))}
      <Modal open={open !== null} title={what} footer={null} width={820} onCancel={() => setOpen(null)}>
        {open && (
          <figure className="shot-large">
            <Marked hold={hold} shot={open} what={what} />
            <figcaption>
              {open.words && <b>{open.words} </b>}
              {t('build.byAt', { by: open.by, at: when(open.at) })}
            </figcaption>
          </figure>
        )}
      </Modal>
    </ul>
  );
}

function Marked({ hold, shot, what }: { hold: BuildHold; shot: Shot; what: string }) {
  const here = hold.pictures.find((p) => p.sha256 === shot.sha256)?.blob;
  const local = useDataAddress(here);
  const kept = useQuery({
    queryKey: ['photos', hold.build.job],
    enabled: !here,
    queryFn: async () =>
      unwrap(await api.GET('/jobs/{job}/photos', { params: { path: { job: hold.build.job } } })).photos,
  });
  const there = kept.data?.find((p) => p.raws.includes(shot.sha256) && p.status === 'kept');
  const address = here ? local : there ? `/api/v1/photos/${there.id}` : '';
  return (
    <span className="shot">
      {address ? <img src={address} alt={shot.words || what} /> : <span>{t('build.shotAway')}</span>}
      <Arrows arrows={shot.arrows} />
    </span>
  );
}

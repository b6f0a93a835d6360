import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useRef, useState } from 'react';
import { api, ApiError, unwrap, type Photo } from '../api/client';
import { sendPhoto } from '../api/photos';
import { t } from '../words/t';
import './Photos.css';

const LONGEST = 2560;

/** Made no larger than is kept, as JPEG; what the browser cannot read goes up as it is and is answered there. */
export async function smaller(file: File): Promise<Blob> {
  try {
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(bitmap.width * scale);
    canvas.height = Math.round(bitmap.height * scale);
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    return await new Promise<Blob>((done) => canvas.toBlob((b) => done(b ?? file), 'image/jpeg', 0.88));
  } catch {
    return file;
  }
}

/** Photographs against one component: behind the cover, before anything moves. */
export function Photos({ job, component, label }: { job: number; component: string; label: string }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const [open, setOpen] = useState<Photo | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const key = ['photos', job];
  const photos = useQuery({
    queryKey: key,
    queryFn: async () => unwrap(await api.GET('/jobs/{job}/photos', { params: { path: { job } } })).photos,
    // Until the worker has written them anew.
    refetchInterval: (query) => (query.state.data?.some((p) => p.status === 'waiting') ? 700 : false),
  });
  const mine = (photos.data ?? []).filter((p) => p.component === component);
  const add = async (files: FileList | null) => {
    setBusy(true);
    for (const file of files ?? []) {
      try {
        await sendPhoto(job, component, await smaller(file), file.name.replace(/\.\w+$/, '.jpg'));
      } catch (e) {
        void message.error(
          e instanceof ApiError
            ? `${file.name} ${e.problems[0]?.message ?? e.message}`
            : t('survey.noConnectionNotStored', { name: file.name }),
          8,
        );
      }
    }
    setBusy(false);
    if (input.current) input.current.value = '';
    await client.invalidateQueries({ queryKey: key });
  };
  const drop = async (photo: Photo) => {
    try {
      unwrap(await api.DELETE('/photos/{photo}', { params: { path: { photo: photo.id } } }));
      setOpen(null);
    } catch (e) {
      void message.error(e instanceof ApiError ? e.message : t('survey.noConnectionThePhotographIs'), 8);
    }
    await client.invalidateQueries({ queryKey: key });
  };
  return (
    <section className="photos" aria-label={t('survey.photographs')}>
      <h3>{t('survey.photographs')}</h3>
      <ul>
        {mine.map((p) => (
          <li key={p.id}>
            <button
              type="button"
              className={open?.id === p.id ? 'is-open' : ''}
              onClick={() => setOpen(open?.id === p.id ? null : p)}
              aria-label={t('survey.photographBy', { by: p.by })}
            >
              {p.status === 'kept' ? (
                <img
                  src={`/api/v1/photos/${p.id}`}
                  alt={t('survey.photographBy2', { label, by: p.by })}
                  loading="lazy"
                />
              ) : (
                <span className="is-coming">
                  {p.status === 'failed'
                    ? t('survey.thisPhotograph', { trouble: p.trouble })
                    : t('survey.beingPrepared')}
                </span>
              )}
            </button>
          </li>
        ))}
      </ul>
      {open && (
        <figure>
          {open.status === 'kept' && (
            <img src={`/api/v1/photos/${open.id}`} alt={t('survey.photographByLarge', { label, by: open.by })} />
          )}
          <figcaption>
            {open.by}, {new Date(open.at).toLocaleString()} · {open.width} × {open.height}{' '}
            <Button size="small" onClick={() => void drop(open)}>
              {t('survey.remove')}
            </Button>
          </figcaption>
        </figure>
      )}
      <label className="photo-add">
        <input
          ref={input}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          multiple
          onChange={(e) => void add(e.target.files)}
          disabled={busy}
        />
        <span>{busy ? t('survey.storing') : t('survey.addPhotographs')}</span>
      </label>
      <p className="quiet">{t('survey.positionAndCameraDataAre')}</p>
    </section>
  );
}

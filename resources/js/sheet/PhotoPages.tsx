import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { t } from '../words/t';
import './PhotoPages.css';

/** Photographs against the parts they show. */
export function PhotoPages({ job, label }: { job: number; label: (component: string) => string }) {
  const photos = useQuery({
    queryKey: ['photos', job],
    queryFn: async () => unwrap(await api.GET('/jobs/{job}/photos', { params: { path: { job } } })).photos,
  });
  const kept = (photos.data ?? []).filter((p) => p.status === 'kept');
  if (kept.length === 0) return null;
  return (
    <section className="sheet-photos">
      <h2>{t('sheet.photographs')}</h2>
      <ul>
        {kept.map((p) => (
          <li key={p.id}>
            <img src={`/api/v1/photos/${p.id}`} alt={label(p.component)} />
            <span>
              <b>{label(p.component)}</b> {p.by}, {new Date(p.at).toLocaleDateString()}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

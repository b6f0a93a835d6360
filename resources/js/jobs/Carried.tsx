import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { store } from '../build/store';
import { when } from '../build/words';
import { t } from '../words/t';

/** Without a signal: the jobs whose work this tablet carries, and what waits on it. */
export function Carried() {
  const packs = useQuery({
    queryKey: ['carried'],
    networkMode: 'always',
    queryFn: async () =>
      Promise.all(
        (await store.packs.toArray()).map(async (p) => ({
          job: p.job,
          title: p.build.title,
          at: p.at,
          waiting: await store.outbox.where('job').equals(p.job).count(),
        })),
      ),
  });
  if (!packs.data || packs.data.length === 0) return null;
  return (
    <section className="sheet-panel">
      <h1>{t('jobs.carried')}</h1>
      <ul className="open-list">
        {packs.data.map((p) => (
          <li key={p.job}>
            <Link to={`/rig/${p.job}`}>{p.title}</Link>
            <small className="quiet">
              {t('jobs.carriedAt', { at: when(p.at) })}
              {p.waiting > 0 && ` · ${t('jobs.waitsHere', { count: p.waiting })}`}
            </small>
          </li>
        ))}
      </ul>
    </section>
  );
}

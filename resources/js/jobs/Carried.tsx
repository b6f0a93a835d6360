import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { Link } from 'react-router';
import { api, unwrap } from '../api/client';
import { leftBehind, store, type LeftBehind } from '../build/store';
import { bringOf } from '../build/sync';
import { when } from '../build/words';
import { useMe } from '../shell/Session';
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

/** What people who have left wrote on this tablet and never brought: a lead brings it, in their name. */
export function Orphaned() {
  const me = useMe();
  const client = useQueryClient();
  const lead = me?.role === 'lead';
  const found = useQuery({
    queryKey: ['left-behind', me?.id],
    enabled: lead,
    retry: false,
    queryFn: async (): Promise<LeftBehind[]> => {
      const here = me ? await leftBehind(me) : [];
      if (here.length === 0) return [];
      const { people } = unwrap(await api.GET('/people'));
      const gone = new Map(people.filter((p) => p.leftAt !== null).map((p) => [p.id, p.name]));
      return here.filter((l) => gone.has(l.owner)).map((l) => ({ ...l, name: gone.get(l.owner) ?? l.name }));
    },
  });
  const bring = useMutation({
    mutationFn: async (left: LeftBehind) => {
      for (const job of left.jobs) await bringOf(job, { id: left.owner, workshopId: me!.workshopId });
    },
    onSettled: () => client.invalidateQueries({ queryKey: ['left-behind'] }),
  });
  if (!lead || !found.data || found.data.length === 0) return null;
  return (
    <section className="sheet-panel">
      <h1>{t('jobs.leftBehind')}</h1>
      <ul className="open-list">
        {found.data.map((l) => (
          <li key={l.owner}>
            <span>{t('jobs.leftBy', { name: l.name, lines: l.lines, pictures: l.pictures })}</span>
            <Button loading={bring.isPending} onClick={() => bring.mutate(l)}>
              {t('jobs.bringInTheirName', { name: l.name })}
            </Button>
          </li>
        ))}
      </ul>
      {bring.isError && (
        <p role="alert" className="trouble">
          {bring.error.message}
        </p>
      )}
    </section>
  );
}

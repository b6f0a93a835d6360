import { useInfiniteQuery } from '@tanstack/react-query';
import { Button, Drawer } from 'antd';
import { api, unwrap } from '../api/client';
import { More } from '../ui/More';
import type { DesignHold } from './useDesign';
import { t } from '../words/t';
import './History.css';

/** What was done, in words, with the way back. */
export function History({ hold, open, close }: { hold: DesignHold; open: boolean; close: () => void }) {
  const id = hold.design.id;
  const list = useInfiniteQuery({
    queryKey: ['revisions', id, hold.design.revision],
    enabled: open,
    initialPageParam: undefined as number | undefined,
    queryFn: async ({ pageParam }) =>
      unwrap(await api.GET('/jobs/{job}/revisions', { params: { path: { job: id }, query: { before: pageParam } } })),
    getNextPageParam: (last) => (last.more ? last.revisions.at(-1)?.number : undefined),
  });
  return (
    <Drawer open={open} onClose={close} title={t('job.history')} size={420}>
      {list.isPending && <p className="quiet">{t('job.fetching')}</p>}
      {list.isError && <p role="alert">{list.error.message}</p>}
      <ol className="history">
        {list.data?.pages
          .flatMap((page) => page.revisions)
          .map((r) => (
            <li key={r.number}>
              <span className="figures quiet">r{r.number}</span>
              <span>
                {r.words}
                <br />
                <span className="quiet">
                  {r.by ?? t('job.hollin')} ·{' '}
                  {new Date(r.at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}
                </span>
              </span>
              {r.number !== hold.design.revision && (
                <Button size="small" onClick={() => void hold.restore(r.number)}>
                  {t('job.goBackToThis')}
                </Button>
              )}
            </li>
          ))}
      </ol>
      <More of={list} words={t('job.earlierRevisions')} />
    </Drawer>
  );
}

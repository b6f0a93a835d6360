import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { api, unwrap, type JobRow } from '../api/client';
import { useMe } from '../shell/Session';
import { t } from '../words/t';

/** A lead puts a job away: it is in no list then, nothing of it is lost, and it is taken out again the same way. */
export function Away({ job }: { job: JobRow }) {
  const me = useMe();
  const client = useQueryClient();
  const { message } = App.useApp();
  const put = useMutation({
    mutationFn: async (away: boolean) =>
      unwrap(await api.PUT('/jobs/{job}/away', { params: { path: { job: job.id } }, body: { away } })),
    onSuccess: (_, away) => {
      void message.success(
        away ? t('jobs.isPutAway', { title: job.title }) : t('jobs.isTakenOut', { title: job.title }),
      );
      return client.invalidateQueries({ queryKey: ['jobs'] });
    },
    onError: (e) => void message.error(e.message),
  });
  if (me?.role !== 'lead') return null;
  return (
    <button
      type="button"
      className="linklike job-away"
      disabled={put.isPending}
      aria-label={job.away ? t('jobs.takeItOut', { title: job.title }) : t('jobs.putItAway', { title: job.title })}
      onClick={() => put.mutate(!job.away)}
    >
      {job.away ? t('jobs.takeOut') : t('jobs.putAwayIt')}
    </button>
  );
}

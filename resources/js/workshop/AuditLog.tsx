import { useInfiniteQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { More } from '../ui/More';
import { moment } from '../ui/times';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';

/** Ways in, denials, roles and what was carried out: a log that only grows. */
export function AuditLog() {
  const log = useInfiniteQuery({
    queryKey: ['audit'],
    staleTime: 0,
    initialPageParam: undefined as number | undefined,
    queryFn: async ({ pageParam }) => unwrap(await api.GET('/audit', { params: { query: { before: pageParam } } })),
    getNextPageParam: (last) => (last.more ? last.entries.at(-1)?.id : undefined),
  });
  if (log.isPending) return <Waiting what={t('workshop.theLog')} />;
  if (log.isError) return <Failed error={log.error} again={() => void log.refetch()} />;
  return (
    <>
      <p className="quiet">{t('workshop.signInsDenialsRolesAnd')}</p>
      <ul className="audit">
        {log.data.pages
          .flatMap((page) => page.entries)
          .map((entry) => (
            <li key={entry.id} data-what={entry.what}>
              <time dateTime={entry.at}>{moment(entry.at)}</time>
              <span>
                <b>{entry.who ?? t('workshop.theMachine')}</b> {entry.words}
              </span>
              <small className="quiet">{entry.address}</small>
            </li>
          ))}
      </ul>
      <More of={log} words={t('workshop.earlierLines')} />
    </>
  );
}

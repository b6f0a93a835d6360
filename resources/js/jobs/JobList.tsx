import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { Input } from 'antd';
import { useDeferredValue, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type JobRow } from '../api/client';
import { More } from '../ui/More';
import { Severity } from '../ui/Severity';
import { Failed, Waiting } from '../ui/Waiting';
import { Carried, Orphaned } from './Carried';
import { Away } from './Away';
import { KINDS } from './kinds';
import { t } from '../words/t';
import './JobList.css';

/** Where the next action of a job is done. */
const PLACE: Record<string, string> = { survey: 'survey', plan: 'plan', prove: 'plan', build: 'build' };

type Filter = 'all' | 'survey' | 'plan' | 'build' | 'dangers' | 'away';

const FILTERS: [Filter, string][] = [
  ['all', t('jobs.all')],
  ['survey', t('jobs.toSurvey')],
  ['plan', t('jobs.toPlan')],
  ['build', t('jobs.building')],
  ['dangers', t('jobs.withDangersOpen')],
  ['away', t('jobs.putAway')],
];

/** Whether a job belongs under a filter; one whose dangers nobody has worked out yet may have some. */
export function fits(job: JobRow, filter: Filter): boolean {
  if (filter === 'all' || filter === 'away') return true;
  return filter === 'dangers' ? job.dangers !== 0 : job.stage === filter;
}

/** Jobs, found and filtered: all of the workshop, a customer's or a rig's. */
export function JobList({ customer, rig, named }: { customer?: number; rig?: number; named?: (name: string) => void }) {
  const [find, setFind] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const words = useDeferredValue(find);
  const jobs = useInfiniteQuery({
    queryKey: ['jobs', words, customer, rig, filter === 'away'],
    staleTime: 0,
    networkMode: 'always',
    placeholderData: keepPreviousData,
    initialPageParam: 0,
    queryFn: async ({ pageParam }) =>
      unwrap(
        await api.GET('/jobs', {
          params: {
            query: {
              after: pageParam,
              find: words || undefined,
              customer,
              rig,
              ...(filter === 'away' ? { away: 1 as const } : {}),
            },
          },
        }),
      ),
    getNextPageParam: (last, pages) => (last.more ? pages.reduce((n, page) => n + page.jobs.length, 0) : undefined),
    // Dangers that nobody had worked out yet come a few at a time; who is on a job changes by itself.
    refetchInterval: (query) =>
      query.state.data?.pages.some((p) => p.jobs.some((job) => job.dangers === null)) ? 1500 : 20_000,
  });
  const rows = jobs.data?.pages.flatMap((page) => page.jobs);
  const whose = customer === undefined ? undefined : rows?.[0]?.customer;
  useEffect(() => {
    if (whose) named?.(whose);
  }, [whose, named]);
  const shown = rows?.filter((job) => fits(job, filter));
  return (
    <>
      {rig === undefined && (
        <div className="floor-tools">
          <Input
            allowClear
            aria-label={t('jobs.findARigOrA')}
            placeholder={t('jobs.findARigOrA2')}
            value={find}
            onChange={(e) => setFind(e.target.value)}
          />
          <div className="choose" role="radiogroup" aria-label={t('jobs.whichJobs')}>
            {FILTERS.map(([f, title]) => (
              <button key={f} type="button" role="radio" aria-checked={filter === f} onClick={() => setFilter(f)}>
                {title}
              </button>
            ))}
          </div>
        </div>
      )}
      {jobs.isPending && <Waiting what={t('jobs.jobs')} />}
      <Orphaned />
      {jobs.isError && <Carried />}
      {jobs.isError && <Failed error={jobs.error} again={() => void jobs.refetch()} />}
      {rows?.length === 0 && words === '' && (
        <p className="empty">{filter === 'away' ? t('jobs.noneIsPutAway') : t('jobs.noJobYetStartA')}</p>
      )}
      {rows && rows.length > 0 && shown?.length === 0 && <p className="empty">{t('jobs.noneOfThese')}</p>}
      {rows?.length === 0 && words !== '' && <p className="empty">{t('jobs.nothingIsCalled', { words })}</p>}
      <ul className="jobs">
        {shown?.map((job) => (
          <JobLine key={job.id} job={job} linked={customer === undefined} ofRig={rig !== undefined} />
        ))}
      </ul>
      <More of={jobs} words={t('jobs.earlierJobs')} />
    </>
  );
}

function JobLine({ job, linked, ofRig }: { job: JobRow; linked: boolean; ofRig: boolean }) {
  return (
    <li className={`job stage-${job.stage}`}>
      <span className="job-who">
        <Link to={`/jobs/${job.id}/${PLACE[job.stage] ?? 'plan'}`} className="job-title">
          {job.title}
        </Link>
        <span className="quiet">
          {job.customer === null ? (
            t('jobs.noCustomer')
          ) : linked && job.customerId !== null ? (
            <Link to={`/customers/${job.customerId}`}>{job.customer}</Link>
          ) : (
            job.customer
          )}{' '}
          ·{' '}
          {job.rigId === null || ofRig ? (
            KINDS[job.kind]
          ) : (
            <Link
              to={`/rigs/${job.rigId}`}
              aria-label={t('jobs.everythingDoneOnIt', { rig: job.rig, kind: KINDS[job.kind] })}
            >
              {job.rig === job.title ? KINDS[job.kind] : job.rig}
            </Link>
          )}
        </span>
      </span>
      <span className="job-next">
        <b>{job.next}</b>
        {job.steps > 0 && (
          <span className="job-rope" role="img" aria-label={t('jobs.stepsDone', { done: job.done, count: job.steps })}>
            <span style={{ width: `${(100 * job.done) / job.steps}%` }} />
          </span>
        )}
        <span className="job-blocks">
          {job.stage !== 'build' && job.dangers !== null && job.dangers > 0 && <Severity severity="danger" />}
          {job.blocks.join(' · ')}
          {job.dangers === null && <span className="quiet"> {t('jobs.dangersNotWorkedOutYet')}</span>}
        </span>
      </span>
      <span className="quiet figures job-when">
        {job.here.length > 0 && <b className="job-here">{t('jobs.onIt', { here: job.here.join(', ') })}</b>}
        <span>
          {t('jobs.revision', {
            revision: job.revision,
            when: new Date(job.changedAt).toLocaleDateString(undefined, { day: 'numeric', month: 'short' }),
          })}
        </span>
        <Away job={job} />
      </span>
    </li>
  );
}

import { keepPreviousData, useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input, Modal, Select } from 'antd';
import { useDeferredValue, useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, unwrap, type JobRow } from '../api/client';
import { useMe } from '../shell/Session';
import { TopBar } from '../shell/TopBar';
import { More } from '../ui/More';
import { Failed, Waiting } from '../ui/Waiting';
import { Severity } from '../ui/Severity';
import './JobsPlace.css';

const KINDS: Record<string, string> = {
  travel_trailer: 'travel trailer',
  fifth_wheel: 'fifth wheel',
  motorhome: 'motorhome',
  van: 'van',
  other: 'other rig',
};

/** Where the next action of a job is done. */
const PLACE: Record<string, string> = { survey: 'survey', plan: 'plan', prove: 'plan' };

type Filter = 'all' | 'survey' | 'plan' | 'dangers';

const FILTERS: [Filter, string][] = [
  ['all', 'all'],
  ['survey', 'to survey'],
  ['plan', 'to plan'],
  ['dangers', 'with dangers open'],
];

/** Whether a job belongs under a filter; one whose dangers nobody has worked out yet may have some. */
export function fits(job: JobRow, filter: Filter): boolean {
  if (filter === 'all') return true;
  return filter === 'dangers' ? job.dangers !== 0 : job.stage === filter;
}

/** What is on the floor: what blocks each job, its next action, who is on it. */
export default function JobsPlace() {
  const me = useMe();
  const [opening, setOpening] = useState(false);
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        <div className="page-head">
          <h1>On the floor</h1>
          {me?.role !== 'apprentice' && (
            <Button type="primary" onClick={() => setOpening(true)}>
              New job
            </Button>
          )}
        </div>
        <JobList />
      </main>
      <OpenJob open={opening} close={() => setOpening(false)} />
    </>
  );
}

/** A customer, and the rigs that came in. */
export function CustomerPlace() {
  const me = useMe();
  const { id = '' } = useParams();
  const [opening, setOpening] = useState(false);
  const [name, setName] = useState<string | null>(null);
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        <p>
          <Link to="/">‹ On the floor</Link>
        </p>
        <div className="page-head">
          <h1>{name ?? 'Customer'}</h1>
          {me?.role !== 'apprentice' && name && (
            <Button type="primary" onClick={() => setOpening(true)}>
              New job for them
            </Button>
          )}
        </div>
        <JobList customer={Number(id)} named={setName} />
      </main>
      <OpenJob open={opening} close={() => setOpening(false)} customer={name ?? undefined} />
    </>
  );
}

function JobList({ customer, named }: { customer?: number; named?: (name: string) => void }) {
  const [find, setFind] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const words = useDeferredValue(find);
  const jobs = useInfiniteQuery({
    queryKey: ['jobs', words, customer],
    staleTime: 0,
    placeholderData: keepPreviousData,
    initialPageParam: 0,
    queryFn: async ({ pageParam }) =>
      unwrap(await api.GET('/jobs', { params: { query: { after: pageParam, find: words || undefined, customer } } })),
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
      <div className="floor-tools">
        <Input
          allowClear
          aria-label="Find a rig or a customer"
          placeholder="find a rig or a customer"
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        <div className="choose" role="radiogroup" aria-label="Which jobs">
          {FILTERS.map(([f, title]) => (
            <button key={f} type="button" role="radio" aria-checked={filter === f} onClick={() => setFilter(f)}>
              {title}
            </button>
          ))}
        </div>
      </div>
      {jobs.isPending && <Waiting what="jobs" />}
      {jobs.isError && <Failed error={jobs.error} again={() => void jobs.refetch()} />}
      {rows?.length === 0 && words === '' && (
        <p className="empty">No job yet. Start a new one, then survey the rig from a factory layout.</p>
      )}
      {rows && rows.length > 0 && shown?.length === 0 && <p className="empty">None of these.</p>}
      {rows?.length === 0 && words !== '' && <p className="empty">Nothing is called “{words}”.</p>}
      <ul className="jobs">
        {shown?.map((job) => (
          <JobLine key={job.id} job={job} linked={customer === undefined} />
        ))}
      </ul>
      <More of={jobs} words="Earlier jobs" />
    </>
  );
}

function JobLine({ job, linked }: { job: JobRow; linked: boolean }) {
  return (
    <li className={`job stage-${job.stage}`}>
      <span className="job-who">
        <Link to={`/jobs/${job.id}/${PLACE[job.stage] ?? 'plan'}`} className="job-title">
          {job.title}
        </Link>
        <span className="quiet">
          {job.customer === null ? (
            'no customer'
          ) : linked && job.customerId !== null ? (
            <Link to={`/customers/${job.customerId}`}>{job.customer}</Link>
          ) : (
            job.customer
          )}{' '}
          · {KINDS[job.kind]}
        </span>
      </span>
      <span className="job-next">
        <b>{job.next}</b>
        <span className="job-blocks">
          {job.dangers !== null && job.dangers > 0 && <Severity severity="danger" />}
          {job.blocks.join(' · ')}
          {job.dangers === null && <span className="quiet"> dangers not worked out yet …</span>}
        </span>
      </span>
      <span className="quiet figures job-when">
        {job.here.length > 0 && <b className="job-here">{job.here.join(', ')} on it</b>}
        <span>
          revision {job.revision} ·{' '}
          {new Date(job.changedAt).toLocaleDateString(undefined, { day: 'numeric', month: 'short' })}
        </span>
      </span>
    </li>
  );
}

function OpenJob({ open, close, customer }: { open: boolean; close: () => void; customer?: string }) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const create = useMutation({
    mutationFn: async (values: { title: string; kind: string; customer?: string }) =>
      unwrap(await api.POST('/jobs', { body: values })),
    onSuccess: ({ id }) => {
      void client.invalidateQueries({ queryKey: ['jobs'] });
      void navigate(`/jobs/${id}/survey`);
    },
  });
  return (
    <Modal open={open} onCancel={close} title="New job" footer={null} destroyOnHidden>
      <Form
        layout="vertical"
        onFinish={create.mutate}
        initialValues={{ kind: 'travel_trailer', customer }}
        requiredMark={false}
      >
        <Form.Item
          name="title"
          label="Rig"
          rules={[{ required: true, message: 'Name the rig, for example "Trailer 4, 22 ft".' }]}
        >
          <Input maxLength={160} autoFocus />
        </Form.Item>
        <Form.Item name="customer" label="Customer">
          <Input maxLength={120} />
        </Form.Item>
        <Form.Item name="kind" label="Kind of rig">
          <Select options={Object.entries(KINDS).map(([value, label]) => ({ value, label }))} />
        </Form.Item>
        {create.isError && (
          <p role="alert" className="trouble">
            {create.error.message}
          </p>
        )}
        <Button type="primary" htmlType="submit" loading={create.isPending}>
          Start it
        </Button>
      </Form>
    </Modal>
  );
}

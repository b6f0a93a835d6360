import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, unwrap, type JobRow } from '../api/client';
import { useMe } from '../shell/Session';
import { TopBar } from '../shell/TopBar';
import { More } from '../ui/More';
import { Failed, Waiting } from '../ui/Waiting';

const KINDS: Record<string, string> = {
  travel_trailer: 'travel trailer',
  fifth_wheel: 'fifth wheel',
  motorhome: 'motorhome',
  van: 'van',
  other: 'other rig',
};

/** What stands next on a job, in words. */
const NEXT: Record<string, { place: string; words: string }> = {
  survey: { place: 'survey', words: 'Survey the rig as found' },
  plan: { place: 'plan', words: 'Choose how the inverter comes in' },
  prove: { place: 'plan', words: 'Work through the findings' },
};

export default function JobsPlace() {
  const me = useMe();
  const [opening, setOpening] = useState(false);
  const jobs = useInfiniteQuery({
    queryKey: ['jobs'],
    staleTime: 0,
    initialPageParam: 0,
    queryFn: async ({ pageParam }) => unwrap(await api.GET('/jobs', { params: { query: { after: pageParam } } })),
    getNextPageParam: (last, pages) => (last.more ? pages.reduce((n, page) => n + page.jobs.length, 0) : undefined),
  });
  const rows = jobs.data?.pages.flatMap((page) => page.jobs);
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        <div className="page-head">
          <h1>On the floor</h1>
          {me?.role !== 'apprentice' && (
            <Button type="primary" onClick={() => setOpening(true)}>
              Open a job
            </Button>
          )}
        </div>
        {jobs.isPending && <Waiting what="jobs" />}
        {jobs.isError && <Failed error={jobs.error} again={() => void jobs.refetch()} />}
        {rows?.length === 0 && (
          <p className="empty">No job yet. Open one, then survey the rig from a factory layout.</p>
        )}
        <ul className="jobs">
          {rows?.map((job) => (
            <JobLine key={job.id} job={job} />
          ))}
        </ul>
        <More of={jobs} words="Earlier jobs" />
      </main>
      <OpenJob open={opening} close={() => setOpening(false)} />
    </>
  );
}

function JobLine({ job }: { job: JobRow }) {
  const next = NEXT[job.stage] ?? NEXT.plan!;
  return (
    <li className={`job stage-${job.stage}`}>
      <Link to={`/jobs/${job.id}/${next.place}`} className="job-link">
        <span className="job-title">{job.title}</span>
        <span className="quiet">
          {job.customer ?? 'no customer'} · {KINDS[job.kind]}
        </span>
      </Link>
      <span className="job-next">{next.words}</span>
      <span className="quiet figures">
        revision {job.revision} ·{' '}
        {new Date(job.changedAt).toLocaleDateString(undefined, { day: 'numeric', month: 'short' })}
      </span>
    </li>
  );
}

function OpenJob({ open, close }: { open: boolean; close: () => void }) {
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
    <Modal open={open} onCancel={close} title="Open a job" footer={null} destroyOnHidden>
      <Form layout="vertical" onFinish={create.mutate} initialValues={{ kind: 'travel_trailer' }} requiredMark={false}>
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
          Open it
        </Button>
      </Form>
    </Modal>
  );
}

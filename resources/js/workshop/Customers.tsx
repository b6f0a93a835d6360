import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Input, Modal, Radio } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type Customer } from '../api/client';
import { Failed, Waiting } from '../ui/Waiting';
import './Customers.css';

/** Whose rigs came in; one who asks for it is erased here. */
export function Customers() {
  const [erasing, setErasing] = useState<Customer | null>(null);
  const customers = useQuery({
    queryKey: ['customers'],
    staleTime: 0,
    queryFn: async () => unwrap(await api.GET('/customers')).customers,
  });
  if (customers.isPending) return <Waiting what="customers" />;
  if (customers.isError) return <Failed error={customers.error} again={() => void customers.refetch()} />;
  return (
    <>
      {customers.data.length === 0 && <p className="empty">No customer yet. One comes with a job that is opened.</p>}
      <ul className="roster">
        {customers.data.map((customer) => (
          <li key={customer.id}>
            <span className="roster-who">
              <b>{customer.name}</b>
              <small className="quiet">
                {customer.jobs.length === 0
                  ? 'no job'
                  : customer.jobs.map((job, i) => (
                      <span key={job.id}>
                        {i > 0 && ', '}
                        <Link to={`/jobs/${job.id}`}>{job.title}</Link>
                      </span>
                    ))}
              </small>
            </span>
            <Button onClick={() => setErasing(customer)}>Erase …</Button>
          </li>
        ))}
      </ul>
      {erasing && <Erase customer={erasing} close={() => setErasing(null)} />}
    </>
  );
}

function Erase({ customer, close }: { customer: Customer; close: () => void }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [jobs, setJobs] = useState<'keep' | 'remove'>('keep');
  const [name, setName] = useState('');
  const count = customer.jobs.length;
  const path = { params: { path: { customer: customer.id } } };
  const traces = useQuery({
    queryKey: ['customers', customer.id],
    staleTime: 0,
    queryFn: async () => unwrap(await api.GET('/customers/{customer}/traces', path)).alsoNamedIn,
  });
  const erase = useMutation({
    mutationFn: async () => unwrap(await api.POST('/customers/{customer}/erase', { ...path, body: { name, jobs } })),
    onSuccess: async (gone) => {
      void message.success(
        `Erased: the name, ${gone.photos} photographs, ${gone.sheets} sheets${gone.jobs ? `, ${gone.jobs} jobs` : ''}.`,
      );
      close();
      await client.invalidateQueries({ queryKey: ['customers'] });
      await client.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  return (
    <Modal
      open
      title={`Erase ${customer.name}`}
      okText="Erase"
      okButtonProps={{ danger: true, disabled: name !== customer.name, loading: erase.isPending }}
      cancelText="Leave it"
      onOk={() => erase.mutate()}
      onCancel={close}
    >
      <p>The name, all photographs of the rigs and all printed sheets go for good. This cannot be undone.</p>
      <Radio.Group
        className="erase-jobs"
        value={jobs}
        onChange={(e) => setJobs(e.target.value as 'keep' | 'remove')}
        options={[
          {
            value: 'keep',
            label: 'Keep what was wired and read, without the name: whoever works on the rig next needs it.',
          },
          {
            value: 'remove',
            label: `Remove ${count === 1 ? 'the job' : `the ${count} jobs`} too, with every revision and reading.`,
          },
        ]}
      />
      {jobs === 'keep' && traces.data && traces.data.length > 0 && (
        <p className="trouble" role="alert">
          The name also stands in {traces.data.join(', ')}. Keeping the jobs keeps that.
        </p>
      )}
      <p className="quiet">
        The log keeps that a customer was erased, not who. Backups taken earlier hold the name until they are thrown
        away.
      </p>
      <label className="erase-name">
        Write the name, to be sure it is the right one
        <Input value={name} onChange={(e) => setName(e.target.value)} placeholder={customer.name} />
      </label>
      {erase.isError && (
        <p role="alert" className="trouble">
          {erase.error.message}
        </p>
      )}
    </Modal>
  );
}

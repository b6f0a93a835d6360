import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Input, Modal, Radio } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type Customer } from '../api/client';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import './Customers.css';

/** Whose rigs came in; one who asks for it is erased here. */
export function Customers() {
  const [erasing, setErasing] = useState<Customer | null>(null);
  const customers = useQuery({
    queryKey: ['customers'],
    staleTime: 0,
    queryFn: async () => unwrap(await api.GET('/customers')).customers,
  });
  if (customers.isPending) return <Waiting what={t('workshop.customers')} />;
  if (customers.isError) return <Failed error={customers.error} again={() => void customers.refetch()} />;
  return (
    <>
      {customers.data.length === 0 && <p className="empty">{t('workshop.noCustomerYetOneComes')}</p>}
      <ul className="roster">
        {customers.data.map((customer) => (
          <li key={customer.id}>
            <span className="roster-who">
              <b>{customer.name}</b>
              <small className="quiet">
                {customer.jobs.length === 0
                  ? t('workshop.noJob')
                  : customer.jobs.map((job, i) => (
                      <span key={job.id}>
                        {i > 0 && ', '}
                        <Link to={`/jobs/${job.id}`}>{job.title}</Link>
                      </span>
                    ))}
              </small>
            </span>
            <Button onClick={() => setErasing(customer)}>{t('workshop.erase')}</Button>
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
        t('workshop.erasedTheNamePhotographsSheets', {
          photos: gone.photos,
          sheets: gone.sheets,
          jobs: gone.jobs ? t('workshop.andJobs', { jobs: gone.jobs }) : '',
        }),
      );
      close();
      await client.invalidateQueries({ queryKey: ['customers'] });
      await client.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  return (
    <Modal
      open
      title={t('workshop.erase2', { name: customer.name })}
      okText={t('workshop.erase3')}
      okButtonProps={{ danger: true, disabled: name !== customer.name, loading: erase.isPending }}
      cancelText={t('workshop.leaveIt')}
      onOk={() => erase.mutate()}
      onCancel={close}
    >
      <p>{t('workshop.theNameAllPhotographsOf')}</p>
      <Radio.Group
        className="erase-jobs"
        value={jobs}
        onChange={(e) => setJobs(e.target.value as 'keep' | 'remove')}
        options={[
          {
            value: 'keep',
            label: t('workshop.keepWhatWasWiredAnd'),
          },
          {
            value: 'remove',
            label: t('workshop.removeTooWithEveryRevision', {
              which: count === 1 ? t('workshop.theJob') : t('workshop.theJobs', { count }),
            }),
          },
        ]}
      />
      {jobs === 'keep' && traces.data && traces.data.length > 0 && (
        <p className="trouble" role="alert">
          {t('workshop.theNameAlsoStandsIn', { data: traces.data.join(', ') })}
        </p>
      )}
      <p className="quiet">{t('workshop.theLogKeepsThatA')}</p>
      <label className="erase-name">
        {t('workshop.writeTheNameToBe')}
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

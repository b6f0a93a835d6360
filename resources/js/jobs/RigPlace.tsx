import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input, Select } from 'antd';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, unwrap, type RigRow } from '../api/client';
import { useMe } from '../shell/Session';
import { TopBar } from '../shell/TopBar';
import { Failed, Waiting } from '../ui/Waiting';
import { JobList } from './JobList';
import { KINDS } from './kinds';
import { OpenJob } from './OpenJob';
import { t } from '../words/t';
import './RigPlace.css';

/** A rig: whose it is, what to remember of it, and everything done on it. */
export default function RigPlace() {
  const me = useMe();
  const id = Number(useParams().id);
  const [opening, setOpening] = useState(false);
  const rig = useQuery({
    queryKey: ['rig', id],
    queryFn: async () => unwrap(await api.GET('/rigs/{rig}', { params: { path: { rig: id } } })),
  });
  const changes = me?.role !== 'apprentice';
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        <p>
          <Link to="/">{t('jobs.onTheFloor')}</Link>
        </p>
        {rig.isPending && <Waiting what={t('jobs.thisRig')} />}
        {rig.isError && <Failed error={rig.error} again={() => void rig.refetch()} />}
        {rig.data && (
          <>
            <div className="page-head">
              <h1>{rig.data.name}</h1>
              {changes && (
                <Button type="primary" onClick={() => setOpening(true)}>
                  {t('jobs.newJobOnThisRig')}
                </Button>
              )}
            </div>
            <p className="rig-whose">
              {KINDS[rig.data.kind]} ·{' '}
              {rig.data.customerId === null ? (
                t('jobs.noCustomer')
              ) : (
                <Link to={`/customers/${rig.data.customerId}`}>{rig.data.customer}</Link>
              )}
            </p>
            {changes ? (
              <Remember rig={rig.data} />
            ) : (
              rig.data.note !== '' && <p className="rig-note">{rig.data.note}</p>
            )}
            <h2>{t('jobs.doneOnIt')}</h2>
            <JobList rig={id} />
            <OpenJob open={opening} close={() => setOpening(false)} rig={rig.data} />
          </>
        )}
      </main>
    </>
  );
}

/** Its name, what it is, and what one wants to know the next time. */
function Remember({ rig }: { rig: RigRow }) {
  const client = useQueryClient();
  const save = useMutation({
    mutationFn: async (body: { name: string; kind: string; note: string }) =>
      unwrap(await api.POST('/rigs/{rig}', { params: { path: { rig: rig.id } }, body })),
    onSuccess: (now) => {
      client.setQueryData(['rig', rig.id], now);
      void client.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  return (
    <Form
      layout="vertical"
      className="rig-form"
      initialValues={rig}
      onFinish={save.mutate}
      requiredMark={false}
      key={`${rig.name}${rig.kind}${rig.note}`}
    >
      <Form.Item name="name" label={t('jobs.rig')} rules={[{ required: true, message: t('jobs.nameTheRig') }]}>
        <Input maxLength={160} />
      </Form.Item>
      <Form.Item name="kind" label={t('jobs.kindOfRig')}>
        <Select options={Object.entries(KINDS).map(([value, label]) => ({ value, label }))} />
      </Form.Item>
      <Form.Item name="note" label={t('jobs.toRememberTheNextTime')} className="rig-form-note">
        <Input.TextArea maxLength={2000} rows={3} placeholder={t('jobs.lengthAndYearWhereThe')} />
      </Form.Item>
      {save.isError && (
        <p role="alert" className="trouble">
          {save.error.message}
        </p>
      )}
      <p className="rig-form-foot">
        <Button htmlType="submit" loading={save.isPending}>
          {t('jobs.keepIt')}
        </Button>
        {save.isSuccess && <span role="status"> {t('jobs.kept')}</span>}
      </p>
    </Form>
  );
}

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input, Modal, Select } from 'antd';
import { useNavigate } from 'react-router';
import { api, unwrap, type RigRow } from '../api/client';
import { KINDS } from './kinds';
import { t } from '../words/t';

/** A new job: on a rig that comes in for the first time, or on one that came in before. */
export function OpenJob({
  open,
  close,
  customer,
  rig,
}: {
  open: boolean;
  close: () => void;
  customer?: string;
  rig?: RigRow;
}) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const create = useMutation({
    mutationFn: async (values: { title: string; kind: string; customer?: string }) =>
      unwrap(await api.POST('/jobs', { body: rig ? { ...values, rig: rig.id } : values })),
    onSuccess: ({ id }) => {
      void client.invalidateQueries({ queryKey: ['jobs'] });
      void navigate(`/jobs/${id}/survey`);
    },
  });
  return (
    <Modal open={open} onCancel={close} title={t('jobs.newJob')} footer={null} destroyOnHidden>
      <Form
        layout="vertical"
        onFinish={create.mutate}
        initialValues={rig ? { kind: rig.kind, title: rig.name } : { kind: 'travel_trailer', customer }}
        requiredMark={false}
      >
        <Form.Item
          name="title"
          label={rig ? t('jobs.whatTheJobIsCalled') : t('jobs.rig')}
          rules={[{ required: true, message: t('jobs.nameTheRigForExample') }]}
        >
          <Input maxLength={160} autoFocus />
        </Form.Item>
        <div hidden={rig !== undefined}>
          <Form.Item name="customer" label={t('jobs.customer')}>
            <Input maxLength={120} />
          </Form.Item>
          <Form.Item name="kind" label={t('jobs.kindOfRig')}>
            <Select options={Object.entries(KINDS).map(([value, label]) => ({ value, label }))} />
          </Form.Item>
        </div>
        {create.isError && (
          <p role="alert" className="trouble">
            {create.error.message}
          </p>
        )}
        <Button type="primary" htmlType="submit" loading={create.isPending}>
          {t('jobs.startIt')}
        </Button>
      </Form>
    </Modal>
  );
}

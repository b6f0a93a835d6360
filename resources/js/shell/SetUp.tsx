import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input } from 'antd';
import { useNavigate } from 'react-router';
import { NewPassword } from '../account/NewPassword';
import { api, unwrap } from '../api/client';
import { useTrouble } from '../ui/useTrouble';
import { Leaf } from '../ui/Leaf';
import { t } from '../words/t';
import './signin.css';

interface Answers {
  workshop: string;
  name: string;
  email: string;
  password: string;
}

/** Opening a workshop with the one-use link that the start command prints. */
export function SetUp({ token }: { token: string }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [form] = Form.useForm<Answers>();
  const trouble = useTrouble(form);
  const setUp = useMutation({
    ...trouble.heard,
    mutationFn: async (values: Answers) => unwrap(await api.POST('/set-up', { body: { ...values, token } })),
    onSuccess: async () => {
      await navigate('/');
      await client.invalidateQueries({ queryKey: ['me'] });
    },
  });
  return (
    <main className="signin">
      <section className="signin-card">
        <h1>
          <Leaf size={34} /> {t('shell.openAWorkshop')}
        </h1>
        <p className="quiet">{t('shell.youBecomeItsLeadTechnician')}</p>
        <Form form={form} layout="vertical" onFinish={setUp.mutate} requiredMark={false}>
          <Form.Item
            name="workshop"
            label={t('shell.workshop')}
            rules={[{ required: true, message: t('shell.nameTheWorkshop') }]}
          >
            <Input maxLength={120} autoFocus />
          </Form.Item>
          <Form.Item
            name="name"
            label={t('shell.yourName')}
            rules={[{ required: true, message: t('shell.yourNameIsMissing') }]}
          >
            <Input maxLength={120} autoComplete="name" />
          </Form.Item>
          <Form.Item
            name="email"
            label={t('shell.eMail')}
            rules={[{ required: true, message: t('shell.yourEMailIsMissing') }]}
          >
            <Input autoComplete="username" inputMode="email" />
          </Form.Item>
          <NewPassword label={t('shell.password')} />
          {trouble.line}
          <Button type="primary" htmlType="submit" block loading={setUp.isPending}>
            {t('shell.openIt')}
          </Button>
        </Form>
      </section>
    </main>
  );
}

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input } from 'antd';
import { api, unwrap, type Me } from '../api/client';
import { Cautions } from '../ui/Cautions';
import { Leaf } from '../ui/Leaf';
import { t } from '../words/t';
import './signin.css';

export function SignIn() {
  const client = useQueryClient();
  return (
    <main className="signin">
      <section className="signin-card">
        <h1>
          <Leaf size={34} /> {t('shell.hollin')}
        </h1>
        <p className="quiet">{t('shell.retrofitPlanningForRvElectrical')}</p>
        <SignInForm done={(me) => client.setQueryData(['me'], me)} />
        <Cautions />
      </section>
    </main>
  );
}

/** The two fields themselves: on a page of their own, or over a place that one was signed out of. */
export function SignInForm({ done }: { done: (me: Me) => void }) {
  const signIn = useMutation({
    mutationFn: async (values: { email: string; password: string }) =>
      unwrap(await api.POST('/session', { body: values })),
    onSuccess: done,
  });
  return (
    <Form layout="vertical" onFinish={signIn.mutate} requiredMark={false}>
      <Form.Item
        name="email"
        label={t('shell.eMail')}
        rules={[{ required: true, message: t('shell.yourEMailIsMissing') }]}
      >
        <Input autoComplete="username" autoFocus inputMode="email" />
      </Form.Item>
      <Form.Item
        name="password"
        label={t('shell.password')}
        rules={[{ required: true, message: t('shell.yourPasswordIsMissing') }]}
      >
        <Input.Password visibilityToggle={false} autoComplete="current-password" />
      </Form.Item>
      {signIn.isError && (
        <p role="alert" className="trouble">
          {signIn.error.message}
        </p>
      )}
      <Button type="primary" htmlType="submit" block loading={signIn.isPending}>
        {t('shell.signIn')}
      </Button>
    </Form>
  );
}

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { NewPassword } from '../account/NewPassword';
import { api, unwrap } from '../api/client';
import { useTrouble } from '../ui/useTrouble';
import { Leaf } from '../ui/Leaf';
import { Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import './signin.css';

interface Answers {
  name?: string;
  email?: string;
  password: string;
}

/** In by a link that a lead technician handed over. Its token stands behind the hash mark: no server writes it down. */
export function Join() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [form] = Form.useForm<Answers>();
  const [token] = useState(() => window.location.hash.slice(1));
  const link = useQuery({
    queryKey: ['join', token],
    retry: false,
    queryFn: async () => unwrap(await api.POST('/join/look', { body: { token } })),
  });
  const trouble = useTrouble(form);
  const join = useMutation({
    ...trouble.heard,
    mutationFn: async (values: Answers) => {
      unwrap(await api.POST('/join', { body: { ...values, token } }));
      return unwrap(await api.GET('/session'));
    },
    onSuccess: async (me) => {
      // Whoever was signed in here before has nothing to show to who is now.
      client.removeQueries({ predicate: (query) => query.queryKey[0] !== 'me' });
      client.setQueryData(['me'], me);
      await navigate('/', { replace: true });
    },
  });
  if (link.isPending) return <Waiting what={t('shell.yourLink')} />;
  return (
    <main className="signin">
      <section className="signin-card">
        <h1>
          <Leaf size={34} /> {link.data?.renews ? t('shell.aNewPassword') : t('shell.joinAWorkshop')}
        </h1>
        {link.isError ? (
          <>
            <p role="alert" className="trouble">
              {link.error.message}
            </p>
            <Button onClick={() => void navigate('/', { replace: true })}>{t('shell.toTheSignIn')}</Button>
          </>
        ) : (
          <>
            <p className="quiet">
              {link.data.renews
                ? t('shell.forYouAreSignedOut', { name: link.data.name, email: link.data.email })
                : t('shell.takesYouInAs', {
                    workshop: link.data.workshop,
                    roleLabel: link.data.roleLabel?.toLowerCase(),
                  })}
            </p>
            <Form
              form={form}
              layout="vertical"
              onFinish={join.mutate}
              requiredMark={false}
              initialValues={link.data.renews ? {} : { name: link.data.name }}
            >
              {!link.data.renews && (
                <>
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
                    rules={[{ required: true, type: 'email', message: t('shell.anEMailAddressTo') }]}
                  >
                    <Input autoComplete="username" inputMode="email" />
                  </Form.Item>
                </>
              )}
              <NewPassword label={link.data.renews ? t('shell.newPassword') : t('shell.password')} />
              {trouble.line}
              <Button type="primary" htmlType="submit" block loading={join.isPending}>
                {link.data.renews ? t('shell.setItAndSignIn') : t('shell.join')}
              </Button>
            </Form>
          </>
        )}
      </section>
    </main>
  );
}

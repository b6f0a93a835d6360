import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Form, Input } from 'antd';
import { Link } from 'react-router';
import { api, unwrap } from '../api/client';
import { useMe } from '../shell/Session';
import { TopBar } from '../shell/TopBar';
import { moment } from '../ui/times';
import { useTrouble } from '../ui/useTrouble';
import { Failed, Waiting } from '../ui/Waiting';
import { browserIn } from './browser';
import { NewPassword } from './NewPassword';
import './AccountPlace.css';

/** Oneself: the password, and where one is signed in. */
export default function AccountPlace() {
  const me = useMe();
  return (
    <>
      <TopBar title="Your account" />
      <main className="page account">
        <h1>{me?.name}</h1>
        <p className="quiet">
          {me?.roleLabel} at {me?.workshop}. Programs get <Link to="/tokens">tokens of their own</Link>.
        </p>
        <SignIns />
        <Password />
      </main>
    </>
  );
}

function SignIns() {
  const client = useQueryClient();
  const list = useQuery({
    queryKey: ['sign-ins'],
    staleTime: 0,
    queryFn: async () => unwrap(await api.GET('/account/sign-ins')).signIns,
  });
  const end = useMutation({
    mutationFn: async (id: number | null) =>
      id === null
        ? unwrap(await api.DELETE('/account/sign-ins'))
        : unwrap(await api.DELETE('/account/sign-ins/{signIn}', { params: { path: { signIn: id } } })),
    onSettled: () => client.invalidateQueries({ queryKey: ['sign-ins'] }),
  });
  if (list.isPending) return <Waiting what="your sign-ins" />;
  if (list.isError) return <Failed error={list.error} again={() => void list.refetch()} />;
  const others = list.data.filter((s) => !s.here);
  return (
    <section aria-label="Where you are signed in">
      <h2>Where you are signed in</h2>
      <ul className="roster">
        {list.data.map((s) => (
          <li key={s.id}>
            <span className="roster-who">
              <b>{browserIn(s.browser)}</b>
              <small className="quiet">
                from {s.address ?? 'an unknown address'}, since {moment(s.since)}
              </small>
            </span>
            <small className="quiet roster-seen">{s.here ? 'here' : `used ${moment(s.seenAt)}`}</small>
            {!s.here && <Button onClick={() => end.mutate(s.id)}>End it</Button>}
          </li>
        ))}
      </ul>
      {others.length > 1 && <Button onClick={() => end.mutate(null)}>End all others</Button>}
      <p className="quiet">A sign-in ends by itself after twelve hours.</p>
    </section>
  );
}

function Password() {
  const { message } = App.useApp();
  const client = useQueryClient();
  const [form] = Form.useForm<{ present: string; password: string }>();
  const trouble = useTrouble(form);
  const change = useMutation({
    ...trouble.heard,
    mutationFn: async (body: { present: string; password: string }) =>
      unwrap(await api.POST('/account/password', { body })),
    onSuccess: async () => {
      form.resetFields();
      void message.success('Changed. You stay signed in here; everywhere else you are out.');
      await client.invalidateQueries({ queryKey: ['sign-ins'] });
    },
  });
  return (
    <section aria-label="Your password">
      <h2>Your password</h2>
      <Form form={form} layout="vertical" className="password-form" onFinish={change.mutate} requiredMark={false}>
        <Form.Item
          name="present"
          label="The present one"
          rules={[{ required: true, message: 'The present password is missing.' }]}
        >
          <Input.Password visibilityToggle={false} autoComplete="current-password" />
        </Form.Item>
        <NewPassword label="The new one" />
        {trouble.line}
        <Button type="primary" htmlType="submit" loading={change.isPending}>
          Change it
        </Button>
      </Form>
    </section>
  );
}

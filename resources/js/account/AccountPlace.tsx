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
import { t } from '../words/t';
import './AccountPlace.css';

/** Oneself: the password, and where one is signed in. */
export default function AccountPlace() {
  const me = useMe();
  return (
    <>
      <TopBar title={t('account.yourAccount')} />
      <main className="page account">
        <h1>{me?.name}</h1>
        <p className="quiet">
          {t('account.atProgramsGet', { roleLabel: me?.roleLabel, workshop: me?.workshop })}{' '}
          <Link to="/tokens">{t('account.tokensOfTheirOwn')}</Link>.
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
  if (list.isPending) return <Waiting what={t('account.yourSignIns')} />;
  if (list.isError) return <Failed error={list.error} again={() => void list.refetch()} />;
  const others = list.data.filter((s) => !s.here);
  return (
    <section aria-label={t('account.whereYouAreSignedIn')}>
      <h2>{t('account.whereYouAreSignedIn')}</h2>
      <ul className="roster">
        {list.data.map((s) => (
          <li key={s.id}>
            <span className="roster-who">
              <b>{browserIn(s.browser)}</b>
              <small className="quiet">
                {t('account.fromSince', {
                  address: s.address ?? t('account.anUnknownAddress'),
                  since: moment(s.since),
                })}
              </small>
            </span>
            <small className="quiet roster-seen">
              {s.here ? t('account.here') : t('account.used', { seenAt: moment(s.seenAt) })}
            </small>
            {!s.here && <Button onClick={() => end.mutate(s.id)}>{t('account.endIt')}</Button>}
          </li>
        ))}
      </ul>
      {others.length > 1 && <Button onClick={() => end.mutate(null)}>{t('account.endAllOthers')}</Button>}
      <p className="quiet">{t('account.aSignInEndsBy')}</p>
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
      void message.success(t('account.changedYouStaySignedIn'));
      await client.invalidateQueries({ queryKey: ['sign-ins'] });
    },
  });
  return (
    <section aria-label={t('account.yourPassword')}>
      <h2>{t('account.yourPassword')}</h2>
      <Form form={form} layout="vertical" className="password-form" onFinish={change.mutate} requiredMark={false}>
        <Form.Item
          name="present"
          label={t('account.thePresentOne')}
          rules={[{ required: true, message: t('account.thePresentPasswordIsMissing') }]}
        >
          <Input.Password visibilityToggle={false} autoComplete="current-password" />
        </Form.Item>
        <NewPassword label={t('account.theNewOne')} />
        {trouble.line}
        <Button type="primary" htmlType="submit" loading={change.isPending}>
          {t('account.changeIt')}
        </Button>
      </Form>
    </section>
  );
}

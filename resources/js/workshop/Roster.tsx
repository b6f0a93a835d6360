import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Dropdown, Form, Input, Select } from 'antd';
import { useState } from 'react';
import { api, unwrap, type MadeLink, type Person, type PersonLink } from '../api/client';
import { day, moment } from '../ui/times';
import { Failed, Waiting } from '../ui/Waiting';
import { HandOver } from './HandOver';
import { t } from '../words/t';
import './Roster.css';

type Role = Person['role'];

const ROLES: { value: Role; label: string; may: string }[] = [
  { value: 'lead', label: t('workshop.leadTechnician'), may: t('workshop.everythingPeopleToo') },
  { value: 'technician', label: t('workshop.technician2'), may: t('workshop.surveysPlansRecords') },
  { value: 'apprentice', label: t('workshop.apprentice2'), may: t('workshop.surveysAndRecordsReadsPlans') },
];

/** Who is of the workshop, and the links that are out. */
export function Roster() {
  const client = useQueryClient();
  const { message, modal } = App.useApp();
  const [made, setMade] = useState<MadeLink | null>(null);
  const roster = useQuery({ queryKey: ['people'], queryFn: async () => unwrap(await api.GET('/people')) });
  const again = () => client.invalidateQueries({ queryKey: ['people'] });
  const run = useMutation({
    mutationFn: (what: () => Promise<MadeLink | undefined>) => what(),
    onSuccess: async (link) => {
      if (link) setMade(link);
      await again();
    },
    onError: (e) => void message.error(e.message),
  });
  if (roster.isPending) return <Waiting what={t('workshop.people')} />;
  if (roster.isError) return <Failed error={roster.error} again={() => void roster.refetch()} />;
  const here = roster.data.people.filter((p) => p.leftAt === null);
  const left = roster.data.people.filter((p) => p.leftAt !== null);
  const path = (p: Person) => ({ params: { path: { person: p.id } } });
  const leave = (p: Person) =>
    modal.confirm({
      title: t('workshop.leaves', { name: p.name }),
      content: t('workshop.signedOutEverywhereAtOnce') + t('workshop.youCanLetThePerson'),
      okText: `${p.name} leaves`,
      cancelText: t('workshop.stays'),
      onOk: () => run.mutate(async () => void unwrap(await api.POST('/people/{person}/leave', path(p)))),
    });
  return (
    <>
      <Invite
        make={(values) => run.mutateAsync(async () => unwrap(await api.POST('/people/invitations', { body: values })))}
      />
      {made && <HandOver made={made} done={() => setMade(null)} />}
      <h2>{t('workshop.here')}</h2>
      <ul className="roster">
        {here.map((p) => (
          <li key={p.id}>
            <span className="roster-who">
              <b>
                {p.name}
                {p.me && t('workshop.you')}
              </b>
              <small className="quiet">{p.email}</small>
            </span>
            <Select<Role>
              aria-label={t('workshop.roleOf', { name: p.name })}
              value={p.role}
              options={ROLES}
              popupMatchSelectWidth={false}
              onChange={(role) =>
                run.mutate(
                  async () => void unwrap(await api.POST('/people/{person}/role', { ...path(p), body: { role } })),
                )
              }
            />
            <small className="quiet roster-seen">
              {p.seenAt ? t('workshop.here2', { seenAt: moment(p.seenAt) }) : t('workshop.notYetHere')}
            </small>
            <Dropdown
              trigger={['click']}
              menu={{
                items: [
                  {
                    key: 'reset',
                    label: t('workshop.linkForANewPassword'),
                    onClick: () => run.mutate(async () => unwrap(await api.POST('/people/{person}/reset', path(p)))),
                  },
                  { key: 'leave', label: t('workshop.leavesTheWorkshop'), danger: true, onClick: () => leave(p) },
                ],
              }}
            >
              <Button aria-label={t('workshop.whatToDoFor', { name: p.name })}>…</Button>
            </Dropdown>
          </li>
        ))}
      </ul>
      <Links
        links={roster.data.links}
        takeBack={(link) =>
          run.mutate(
            async () => void unwrap(await api.DELETE('/people/links/{link}', { params: { path: { link: link.id } } })),
          )
        }
      />
      {left.length > 0 && (
        <>
          <h2>{t('workshop.left')}</h2>
          <ul className="roster">
            {left.map((p) => (
              <li key={p.id}>
                <span className="roster-who">
                  <b>{p.name}</b>
                  <small className="quiet">{p.email}</small>
                </span>
                <small className="quiet roster-seen">{t('workshop.left2', { leftAt: day(p.leftAt!) })}</small>
                <Button
                  onClick={() => run.mutate(async () => unwrap(await api.POST('/people/{person}/return', path(p))))}
                >
                  {t('workshop.letInAgain')}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Invite({ make }: { make: (values: { name: string; role: Role }) => Promise<unknown> }) {
  const [form] = Form.useForm<{ name: string; role: Role }>();
  return (
    <>
      <h2>{t('workshop.somebodyNew')}</h2>
      <Form
        form={form}
        className="invite"
        layout="inline"
        requiredMark={false}
        initialValues={{ role: 'technician' }}
        onFinish={(values) =>
          void make(values).then(
            () => form.resetFields(),
            () => undefined,
          )
        }
      >
        <Form.Item name="name" rules={[{ required: true, whitespace: true, message: t('workshop.whoIsIt') }]}>
          <Input aria-label={t('workshop.nameOfSomebodyNew')} placeholder={t('workshop.name')} maxLength={120} />
        </Form.Item>
        <Form.Item name="role">
          <Select
            aria-label={t('workshop.roleOfSomebodyNew')}
            popupMatchSelectWidth={false}
            options={ROLES}
            optionRender={(option) => (
              <>
                {option.label} <small className="quiet">{option.data.may}</small>
              </>
            )}
          />
        </Form.Item>
        <Button type="primary" htmlType="submit">
          {t('workshop.makeAnInvitation')}
        </Button>
      </Form>
    </>
  );
}

function Links({ links, takeBack }: { links: PersonLink[]; takeBack: (link: PersonLink) => void }) {
  if (links.length === 0) return null;
  return (
    <>
      <h2>{t('workshop.linksThatAreOut')}</h2>
      <ul className="roster">
        {links.map((link) => (
          <li key={link.id}>
            <span className="roster-who">
              <b>{link.for}</b>
              <small className="quiet">
                {link.renews
                  ? t('workshop.aNewPassword')
                  : t('workshop.joinsAs', { roleLabel: link.roleLabel?.toLowerCase() })}
                {link.by && t('workshop.madeBy', { by: link.by })}
              </small>
            </span>
            <small className="quiet roster-seen">{t('workshop.until', { until: moment(link.until) })}</small>
            <Button onClick={() => takeBack(link)}>{t('workshop.takeBack')}</Button>
          </li>
        ))}
      </ul>
    </>
  );
}

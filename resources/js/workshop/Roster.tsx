import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Dropdown, Form, Input, Select } from 'antd';
import { useState } from 'react';
import { api, unwrap, type MadeLink, type Person, type PersonLink } from '../api/client';
import { day, moment } from '../ui/times';
import { Failed, Waiting } from '../ui/Waiting';
import { HandOver } from './HandOver';
import './Roster.css';

type Role = Person['role'];

const ROLES: { value: Role; label: string; may: string }[] = [
  { value: 'lead', label: 'Lead technician', may: 'everything, people too' },
  { value: 'technician', label: 'Technician', may: 'surveys, plans, records' },
  { value: 'apprentice', label: 'Apprentice', may: 'surveys and records, reads plans' },
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
  if (roster.isPending) return <Waiting what="people" />;
  if (roster.isError) return <Failed error={roster.error} again={() => void roster.refetch()} />;
  const here = roster.data.people.filter((p) => p.leftAt === null);
  const left = roster.data.people.filter((p) => p.leftAt !== null);
  const path = (p: Person) => ({ params: { path: { person: p.id } } });
  const leave = (p: Person) =>
    modal.confirm({
      title: `${p.name} leaves?`,
      content:
        'Signed out everywhere at once, tokens and open links included. The name stays on what was done. ' +
        'You can let the person in again.',
      okText: `${p.name} leaves`,
      cancelText: 'Stays',
      onOk: () => run.mutate(async () => void unwrap(await api.POST('/people/{person}/leave', path(p)))),
    });
  return (
    <>
      <Invite
        make={(values) => run.mutateAsync(async () => unwrap(await api.POST('/people/invitations', { body: values })))}
      />
      {made && <HandOver made={made} done={() => setMade(null)} />}
      <h2>Here</h2>
      <ul className="roster">
        {here.map((p) => (
          <li key={p.id}>
            <span className="roster-who">
              <b>
                {p.name}
                {p.me && ' (you)'}
              </b>
              <small className="quiet">{p.email}</small>
            </span>
            <Select<Role>
              aria-label={`Role of ${p.name}`}
              value={p.role}
              options={ROLES}
              popupMatchSelectWidth={false}
              onChange={(role) =>
                run.mutate(
                  async () => void unwrap(await api.POST('/people/{person}/role', { ...path(p), body: { role } })),
                )
              }
            />
            <small className="quiet roster-seen">{p.seenAt ? `here ${moment(p.seenAt)}` : 'not yet here'}</small>
            <Dropdown
              trigger={['click']}
              menu={{
                items: [
                  {
                    key: 'reset',
                    label: 'Link for a new password',
                    onClick: () => run.mutate(async () => unwrap(await api.POST('/people/{person}/reset', path(p)))),
                  },
                  { key: 'leave', label: 'Leaves the workshop …', danger: true, onClick: () => leave(p) },
                ],
              }}
            >
              <Button aria-label={`What to do for ${p.name}`}>…</Button>
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
          <h2>Left</h2>
          <ul className="roster">
            {left.map((p) => (
              <li key={p.id}>
                <span className="roster-who">
                  <b>{p.name}</b>
                  <small className="quiet">{p.email}</small>
                </span>
                <small className="quiet roster-seen">left {day(p.leftAt!)}</small>
                <Button
                  onClick={() => run.mutate(async () => unwrap(await api.POST('/people/{person}/return', path(p))))}
                >
                  Let in again
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
      <h2>Somebody new</h2>
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
        <Form.Item name="name" rules={[{ required: true, whitespace: true, message: 'Who is it?' }]}>
          <Input aria-label="Name of somebody new" placeholder="Name" maxLength={120} />
        </Form.Item>
        <Form.Item name="role">
          <Select
            aria-label="Role of somebody new"
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
          Make an invitation
        </Button>
      </Form>
    </>
  );
}

function Links({ links, takeBack }: { links: PersonLink[]; takeBack: (link: PersonLink) => void }) {
  if (links.length === 0) return null;
  return (
    <>
      <h2>Links that are out</h2>
      <ul className="roster">
        {links.map((link) => (
          <li key={link.id}>
            <span className="roster-who">
              <b>{link.for}</b>
              <small className="quiet">
                {link.renews ? 'a new password' : `joins as ${link.roleLabel?.toLowerCase()}`}
                {link.by && `, made by ${link.by}`}
              </small>
            </span>
            <small className="quiet roster-seen">until {moment(link.until)}</small>
            <Button onClick={() => takeBack(link)}>Take back</Button>
          </li>
        ))}
      </ul>
    </>
  );
}

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Form, Input } from 'antd';
import { useNavigate } from 'react-router';
import { NewPassword } from '../account/NewPassword';
import { api, unwrap } from '../api/client';
import { useTrouble } from '../ui/useTrouble';
import { Leaf } from '../ui/Leaf';
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
          <Leaf size={34} /> Open a workshop
        </h1>
        <p className="quiet">You become its lead technician.</p>
        <Form form={form} layout="vertical" onFinish={setUp.mutate} requiredMark={false}>
          <Form.Item name="workshop" label="Workshop" rules={[{ required: true, message: 'Name the workshop.' }]}>
            <Input maxLength={120} autoFocus />
          </Form.Item>
          <Form.Item name="name" label="Your name" rules={[{ required: true, message: 'Your name is missing.' }]}>
            <Input maxLength={120} autoComplete="name" />
          </Form.Item>
          <Form.Item name="email" label="E-mail" rules={[{ required: true, message: 'Your e-mail is missing.' }]}>
            <Input autoComplete="username" inputMode="email" />
          </Form.Item>
          <NewPassword label="Password" />
          {trouble.line}
          <Button type="primary" htmlType="submit" block loading={setUp.isPending}>
            Open it
          </Button>
        </Form>
      </section>
    </main>
  );
}

import { Form, Input } from 'antd';

/** Characters of the shortest password; the server says the rest. */
const LEAST = 12;

export function NewPassword({ label }: { label: string }) {
  return (
    <Form.Item
      name="password"
      label={label}
      extra={`${LEAST} characters or more. Four words make a good one.`}
      rules={[{ required: true, min: LEAST, message: `${LEAST} characters or more.` }]}
    >
      <Input.Password visibilityToggle autoComplete="new-password" />
    </Form.Item>
  );
}

import { Form, Input } from 'antd';
import { t } from '../words/t';

/** Characters of the shortest password; the server says the rest. */
const LEAST = 12;

export function NewPassword({ label }: { label: string }) {
  return (
    <Form.Item
      name="password"
      label={label}
      extra={t('account.charactersOrMoreFourWords', { LEAST })}
      rules={[{ required: true, min: LEAST, message: t('account.charactersOrMore', { LEAST }) }]}
    >
      <Input.Password visibilityToggle autoComplete="new-password" />
    </Form.Item>
  );
}

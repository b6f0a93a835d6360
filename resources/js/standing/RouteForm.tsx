import { Button, Form, Modal, Select } from 'antd';
import type { Reference } from '../api/client';
import { useUnits } from '../shell/units';
import { t } from '../words/t';
import { Fine } from './Measure';

export interface Segment {
  order?: number;
  lengthM: number;
  through?: string;
  exposure?: string;
  protection?: string;
}

interface Props {
  label: string;
  cableM: number;
  alongM: number;
  segments: Record<string, Segment>;
  reference: Reference;
  mayChange: boolean;
  save: (segments: Record<string, Segment>) => void;
  close: () => void;
}

/** The way of one cable by segments: how long, through what, open to what, and in what. */
export function RouteForm({ label, cableM, alongM, segments, reference, mayChange, save, close }: Props) {
  const units = useUnits();
  const inOrder = Object.values(segments).sort((a, b) => (a.order ?? 0) - (b.order ?? 0));
  const fields = reference.place.route.segments?.fields ?? {};
  const choices = (name: string) =>
    Object.entries(fields[name]?.choices ?? {}).map(([value, words]) => ({ value, label: words }));
  const send = ({ list }: { list: Segment[] }) =>
    save(
      Object.fromEntries(
        list.filter((s) => s?.lengthM > 0).map((s, n) => [`s${n + 1}`, { ...s, order: n + 1 } as Segment]),
      ),
    );
  return (
    <Modal open title={t('place.wayOf', { label })} onCancel={close} footer={null} width={820} destroyOnHidden>
      <Form
        layout="vertical"
        disabled={!mayChange}
        initialValues={{ list: inOrder.length ? inOrder : [{ lengthM: alongM || cableM, through: 'inside' }] }}
        onFinish={send}
      >
        <Form.List name="list">
          {(rows, { add, remove }) => (
            <>
              <table className="route">
                <thead>
                  <tr>
                    <th>{t('place.long')}</th>
                    <th>{t('place.through')}</th>
                    <th>{t('place.openTo')}</th>
                    <th>{t('place.inWhat')}</th>
                    <th />
                  </tr>
                </thead>
                <tbody>
                  {rows.map((row) => (
                    <tr key={row.key}>
                      <td>
                        <Form.Item name={[row.name, 'lengthM']} noStyle>
                          <Fine aria-label={t('place.long')} />
                        </Form.Item>
                      </td>
                      {['through', 'exposure', 'protection'].map((name) => (
                        <td key={name}>
                          <Form.Item name={[row.name, name]} noStyle>
                            <Select allowClear options={choices(name)} aria-label={fields[name]?.label ?? name} />
                          </Form.Item>
                        </td>
                      ))}
                      <td>
                        <Button type="link" onClick={() => remove(row.name)}>
                          {t('place.takeOut')}
                        </Button>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <Button onClick={() => add({ through: 'inside' })}>{t('place.addSegment')}</Button>
            </>
          )}
        </Form.List>
        <Form.Item shouldUpdate noStyle>
          {({ getFieldValue }) => {
            const sum = ((getFieldValue('list') ?? []) as Segment[]).reduce((m, s) => m + (s?.lengthM || 0), 0);
            return (
              <p className={sum > cableM + 0.02 ? 'way-short' : 'quiet'}>
                {t('place.waySum', { way: units.length(sum), cable: units.length(cableM) })}
              </p>
            );
          }}
        </Form.Item>
        {mayChange && (
          <div className="field-foot">
            <span />
            <Button type="primary" htmlType="submit">
              {t('place.keep')}
            </Button>
          </div>
        )}
      </Form>
    </Modal>
  );
}

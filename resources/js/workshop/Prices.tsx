import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox, Form, Input, InputNumber, Modal, Select } from 'antd';
import { useRef, useState } from 'react';
import { api, ApiError, unwrap, type Catalogue, type CatalogueOffer, type Reference } from '../api/client';
import { referenceQuery } from '../job/useDesign';
import { OptionItem } from '../plan/Asked';
import { useMe } from '../shell/Session';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import { factsOf, freeCode, matching } from './prices';
import './Prices.css';

type Row = Catalogue['offers'][number];

/** What can be bought and for how much; the workshop writes its own over what ships. */
export function Prices() {
  const me = useMe();
  const { message } = App.useApp();
  const client = useQueryClient();
  const reference = useQuery(referenceQuery).data;
  const [kind, pick] = useState<string>('');
  const [find, seek] = useState('');
  const [opened, open] = useState<Row | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const catalogue = useQuery({
    queryKey: ['catalogue'],
    staleTime: 0,
    queryFn: async () => unwrap(await api.GET('/catalogue')),
  });
  const take = (now: Catalogue) => {
    client.setQueryData(['catalogue'], now);
    void client.invalidateQueries({ queryKey: ['parts'] });
  };
  const told = (e: unknown) => {
    const problems = e instanceof ApiError ? e.problems : [];
    const said = problems.map((p) => `${p.pointer.replace('/row/', t('workshop.row')).replace('/', ' ')} ${p.message}`);
    void message.error(said.slice(0, 4).join(' ') || String(e), 9);
  };
  const put = useMutation({
    mutationFn: async ({ code, body }: { code: string; body: CatalogueOffer }) =>
      unwrap(await api.PUT('/catalogue/offers/{code}', { params: { path: { code } }, body })),
    onSuccess: take,
    onError: told,
  });
  const drop = useMutation({
    mutationFn: async (code: string) =>
      unwrap(await api.DELETE('/catalogue/offers/{code}', { params: { path: { code } } })),
    onSuccess: take,
    onError: told,
  });
  const terms = useMutation({
    mutationFn: async (body: { hour: number | null; currency: string | null }) =>
      unwrap(await api.PUT('/catalogue/terms', { body })),
    onSuccess: take,
    onError: told,
  });
  const read = useMutation({
    mutationFn: async (text: string) => unwrap(await api.POST('/catalogue/file', { body: { text } })),
    onSuccess: (now) => {
      take(now);
      void message.success(t('workshop.tableIsIn'));
    },
    onError: told,
  });
  if (catalogue.isError) return <Failed error={catalogue.error} again={() => void catalogue.refetch()} />;
  if (!catalogue.data || !reference) return <Waiting what={t('workshop.prices')} />;
  const { offers, hour, currency } = catalogue.data;
  const mayChange = me !== null && me.role !== 'apprentice';
  const shown = matching(offers, kind, find, Object.keys(reference.offer.kind?.choices ?? {}));
  const kinds = reference.offer.kind?.choices ?? {};
  return (
    <>
      <div className="prices-head">
        <label>
          {t('workshop.anHour')}{' '}
          <InputNumber
            aria-label={t('workshop.anHour')}
            min={0}
            max={100000}
            value={hour}
            disabled={!mayChange}
            onBlur={(e) => {
              const next = e.target.value === '' ? null : Number(e.target.value.replaceAll(',', ''));
              if (next !== hour && !Number.isNaN(next)) terms.mutate({ hour: next, currency });
            }}
          />
        </label>
        <label>
          {t('workshop.currency')}{' '}
          <Input
            className="currency"
            aria-label={t('workshop.currency')}
            maxLength={8}
            defaultValue={currency}
            disabled={!mayChange}
            onBlur={(e) => e.target.value !== currency && terms.mutate({ hour, currency: e.target.value })}
          />
        </label>
        <span className="spring" />
        <Button href="/api/v1/catalogue/file" download="catalogue.csv">
          {t('workshop.toCsv')}
        </Button>
        {mayChange && <Button onClick={() => file.current?.click()}>{t('workshop.fromCsv')}</Button>}
        {mayChange && (
          <Button
            type="primary"
            onClick={() => open({ code: '', own: true, body: { kind: kind || 'other', name: '', known: true } })}
          >
            {t('workshop.addOffer')}
          </Button>
        )}
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv"
          hidden
          aria-label={t('workshop.tableOfOffers')}
          onChange={(e) => {
            void e.target.files?.[0]?.text().then((text) => read.mutate(text));
            e.target.value = '';
          }}
        />
      </div>
      <p className="quiet">{t('workshop.pricesNote')}</p>
      <div className="prices-head">
        <Input
          aria-label={t('workshop.find')}
          placeholder={t('workshop.find')}
          value={find}
          onChange={(e) => seek(e.target.value)}
        />
        <Select
          aria-label={t('workshop.kindOfPart')}
          value={kind}
          onChange={(v) => pick(v)}
          options={[
            { value: '', label: t('workshop.allKinds') },
            ...Object.entries(kinds).map(([value, label]) => ({ value, label })),
          ]}
        />
        <span className="quiet figures">{t('workshop.offers', { count: shown.length })}</span>
      </div>
      <table className="prices figures">
        <thead>
          <tr>
            <th>{t('workshop.offer')}</th>
            <th>{t('workshop.written')}</th>
            <th>{t('workshop.price')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <tr key={row.code} className={row.own ? 'is-own' : ''}>
              <td>
                <Button type="link" onClick={() => open(row)}>
                  {row.body.name}
                </Button>
              </td>
              <td className="quiet">{factsOf(row.body, reference.offer)}</td>
              <td>
                <InputNumber
                  size="small"
                  aria-label={t('workshop.priceOf', { name: row.body.name })}
                  className={row.body.known ? '' : 'is-assumed'}
                  min={0}
                  max={100000}
                  disabled={!mayChange}
                  prefix={row.body.known || row.body.price === undefined ? undefined : '~'}
                  {...(row.body.price === undefined ? {} : { defaultValue: row.body.price })}
                  key={`${row.code}${row.body.price}`}
                  onBlur={(e) => {
                    const next = Number(e.target.value.replaceAll(',', ''));
                    if (e.target.value !== '' && next !== row.body.price)
                      put.mutate({ code: row.code, body: { ...row.body, price: next, known: true } });
                  }}
                />
              </td>
              <td className="quiet">{row.body.per === 'm' ? t('workshop.perMetre') : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {opened && (
        <OfferForm
          row={opened}
          reference={reference}
          mayChange={mayChange}
          save={(code, body) =>
            put.mutate({ code: code || freeCode(body.name, offers), body }, { onSuccess: () => open(null) })
          }
          drop={() => drop.mutate(opened.code, { onSuccess: () => open(null) })}
          close={() => open(null)}
        />
      )}
    </>
  );
}

function OfferForm({
  row,
  reference,
  mayChange,
  save,
  drop,
  close,
}: {
  row: Row;
  reference: Reference;
  mayChange: boolean;
  save: (code: string, body: CatalogueOffer) => void;
  drop: () => void;
  close: () => void;
}) {
  const send = (values: Record<string, unknown>) => {
    const said = Object.fromEntries(
      Object.entries(values).filter(([, v]) => v !== undefined && v !== null && v !== ''),
    );
    save(row.code, said as unknown as CatalogueOffer);
  };
  return (
    <Modal
      open
      title={row.body.name || t('workshop.addOffer')}
      onCancel={close}
      footer={null}
      width={860}
      destroyOnHidden
    >
      <Form layout="vertical" requiredMark={false} disabled={!mayChange} initialValues={row.body} onFinish={send}>
        <div className="field-grid">
          {Object.entries(reference.offer)
            .filter(([name]) => name !== 'known')
            .map(([name, field]) => (
              <OptionItem key={name} name={name} field={field} components={{}} reference={reference} />
            ))}
        </div>
        <Form.Item name="known" valuePropName="checked" noStyle>
          <Checkbox>{t('workshop.priceKnown')}</Checkbox>
        </Form.Item>
        {mayChange && (
          <div className="field-foot">
            {row.code ? (
              <Button danger onClick={drop}>
                {t('workshop.takeOut')}
              </Button>
            ) : (
              <span />
            )}
            <Button type="primary" htmlType="submit">
              {t('workshop.keep')}
            </Button>
          </div>
        )}
      </Form>
    </Modal>
  );
}

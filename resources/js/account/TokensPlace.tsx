import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { api, ApiError, unwrap } from '../api/client';
import { TopBar } from '../shell/TopBar';
import { t } from '../words/t';
import './TokensPlace.css';

/** Tokens by which other programs use the API as oneself. */
export default function TokensPlace() {
  const client = useQueryClient();
  const { message } = App.useApp();
  const tokens = useQuery({ queryKey: ['tokens'], queryFn: async () => unwrap(await api.GET('/tokens')).tokens });
  const [name, setName] = useState('');
  const [writes, setWrites] = useState(false);
  const [made, setMade] = useState<string | null>(null);
  const make = async () => {
    try {
      const got = unwrap(await api.POST('/tokens', { body: { name, writes } }));
      setMade(got.text);
      setName('');
      await client.invalidateQueries({ queryKey: ['tokens'] });
    } catch (e) {
      void message.error(e instanceof ApiError ? e.message : t('account.noConnectionNoTokenWas'));
    }
  };
  const drop = async (token: number) => {
    await api.DELETE('/tokens/{token}', { params: { path: { token } } });
    await client.invalidateQueries({ queryKey: ['tokens'] });
  };
  return (
    <>
      <TopBar title={t('account.tokensForOtherPrograms')} />
      <main className="page">
        <h1>{t('account.tokensForOtherPrograms')}</h1>
        <p className="quiet">
          {t('account.aProgramThatSends')} <code>{t('account.authorizationBearer')}</code>
          {` ${t('account.actsAsYouUnder')} `}
          <code>{t('account.apiV1')}</code>
          {t('account.readingOnlyUnlessYouLet')}
        </p>
        <form
          className="token-form"
          onSubmit={(e) => {
            e.preventDefault();
            void make();
          }}
        >
          <Input
            aria-label={t('account.whatItIsFor')}
            placeholder={t('account.whatItIsFor2')}
            value={name}
            maxLength={80}
            onChange={(e) => setName(e.target.value)}
          />
          <Checkbox checked={writes} onChange={(e) => setWrites(e.target.checked)}>
            {t('account.mayChangeJobs')}
          </Checkbox>
          <Button type="primary" htmlType="submit" disabled={name.trim() === ''}>
            {t('account.makeAToken')}
          </Button>
        </form>
        {made && (
          <p className="token-text" role="status">
            {t('account.copyItNowItIs')} <code>{made}</code>
          </p>
        )}
        <ul className="tokens">
          {tokens.data?.map((one) => (
            <li key={one.id}>
              <span>
                <b>{one.name}</b> {one.writes ? t('account.readsAndWrites') : t('account.reads')}
                <small className="quiet">
                  {one.usedAt
                    ? t('account.lastUsed', { when: new Date(one.usedAt).toLocaleString() })
                    : t('account.neverUsed')}
                  {one.until && t('account.until', { when: new Date(one.until).toLocaleDateString() })}
                </small>
              </span>
              <Button onClick={() => void drop(one.id)}>{t('account.takeBack')}</Button>
            </li>
          ))}
          {tokens.data?.length === 0 && <li className="quiet">{t('account.none')}</li>}
        </ul>
      </main>
    </>
  );
}

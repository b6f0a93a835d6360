import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import { api, ApiError, unwrap } from '../api/client';
import { TopBar } from '../shell/TopBar';
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
      void message.error(e instanceof ApiError ? e.message : 'No connection. No token was made.');
    }
  };
  const drop = async (token: number) => {
    await api.DELETE('/tokens/{token}', { params: { path: { token } } });
    await client.invalidateQueries({ queryKey: ['tokens'] });
  };
  return (
    <>
      <TopBar title="Tokens for other programs" />
      <main className="page">
        <h1>Tokens for other programs</h1>
        <p className="quiet">
          A program that sends <code>Authorization: Bearer …</code> acts as you under <code>/api/v1</code>, reading only
          unless you let it write. A token ends after a year, or when you take it back here.
        </p>
        <form
          className="token-form"
          onSubmit={(e) => {
            e.preventDefault();
            void make();
          }}
        >
          <Input
            aria-label="What it is for"
            placeholder="what it is for"
            value={name}
            maxLength={80}
            onChange={(e) => setName(e.target.value)}
          />
          <Checkbox checked={writes} onChange={(e) => setWrites(e.target.checked)}>
            may change jobs
          </Checkbox>
          <Button type="primary" htmlType="submit" disabled={name.trim() === ''}>
            Make a token
          </Button>
        </form>
        {made && (
          <p className="token-text" role="status">
            Copy it now; it is not shown again: <code>{made}</code>
          </p>
        )}
        <ul className="tokens">
          {tokens.data?.map((t) => (
            <li key={t.id}>
              <span>
                <b>{t.name}</b> {t.writes ? 'reads and writes' : 'reads'}
                <small className="quiet">
                  {t.usedAt ? `last used ${new Date(t.usedAt).toLocaleString()}` : 'never used'}
                  {t.until && `, until ${new Date(t.until).toLocaleDateString()}`}
                </small>
              </span>
              <Button onClick={() => void drop(t.id)}>Take back</Button>
            </li>
          ))}
          {tokens.data?.length === 0 && <li className="quiet">None.</li>}
        </ul>
      </main>
    </>
  );
}

import { useQuery } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useState } from 'react';
import { api, ApiError, unwrap } from '../api/client';
import type { BuildHold } from './useBuild';
import { t, type Key } from '../words/t';

const KINDS: Record<string, Key> = {
  cable: 'build.labelCable',
  breaker: 'build.labelBreaker',
  disconnect: 'build.labelDisconnect',
  fuse: 'build.labelFuse',
  sources: 'build.labelSources',
  limit: 'build.labelLimit',
  directory: 'build.labelDirectory',
};

/** Every label as it will read; as sheets for stock that is sold everywhere, or a table for a label machine. */
export function LabelSheets({ job, plan, hold }: { job: number; plan: string | null; hold: BuildHold }) {
  const [stock, setStock] = useState('letter_30');
  const [page, setPage] = useState(1);
  const address = (form: string) =>
    `/api/v1/jobs/${job}/labels?form=${form}&stock=${stock}&page=${page}` +
    (plan ? `&plan=${encodeURIComponent(plan)}` : '');
  const sheet = useQuery({
    queryKey: ['labels', job, plan, stock, page, hold.build.revision],
    queryFn: async () => {
      const response = await fetch(address('svg'), { credentials: 'same-origin' });
      if (!response.ok) throw new Error(String(response.status));
      return { svg: await response.text(), pages: Number(response.headers.get('X-Pages') ?? 1) };
    },
  });
  const labels = hold.build.stages.flatMap((s) => s.labels);
  if (labels.length === 0) return <p className="empty">{t('build.noLabels')}</p>;
  const printed = sheet.data && `data:image/svg+xml;utf8,${encodeURIComponent(sheet.data.svg)}`;
  return (
    <section className="sheet-panel">
      <div className="sheet-head">
        <h1>{t('build.labelsOf', { count: labels.length })}</h1>
        <span className="spring" />
        <label className="picker">
          {t('build.stock')}
          <select
            value={stock}
            onChange={(e) => {
              setStock(e.target.value);
              setPage(1);
            }}
          >
            {Object.entries(hold.build.stocks).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {sheet.data && sheet.data.pages > 1 && (
          <label className="picker">
            {t('build.page')}
            <select value={page} onChange={(e) => setPage(Number(e.target.value))}>
              {Array.from({ length: sheet.data.pages }, (_, n) => (
                <option key={n} value={n + 1}>
                  {n + 1}
                </option>
              ))}
            </select>
          </label>
        )}
        <Button href={address('svg')} target="_blank">
          {t('build.printSheet')}
        </Button>
        <Pdf job={job} plan={hold.build.plan} stock={stock} />
        <Button href={address('csv')}>{t('build.machine')}</Button>
      </div>
      <div className="label-two">
        <div>
          {Object.entries(KINDS).map(([kind, words]) => {
            const own = labels.filter((l) => l.kind === kind);
            return own.length === 0 ? null : (
              <div key={kind}>
                <h2>{t(words)}</h2>
                <div className="label-grid">
                  {own.map((l) => (
                    <div key={l.id} className={`a-label is-${l.kind}`}>
                      <b>{l.title}</b>
                      {l.lines.map((line) => (
                        <span key={line}>{line}</span>
                      ))}
                      <small>{l.where}</small>
                    </div>
                  ))}
                </div>
              </div>
            );
          })}
        </div>
        {printed && <img className="label-sheet" src={printed} alt={t('build.sheetAsPrinted', { page })} />}
      </div>
    </section>
  );
}

/** The sheets as PDF: printed by the server's own browser, fetched when they are done. */
function Pdf({ job, plan, stock }: { job: number; plan: string; stock: string }) {
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const print = async () => {
    setBusy(true);
    try {
      let sheet = unwrap(
        await api.POST('/jobs/{job}/sheets', {
          params: { path: { job } },
          body: { view: `labels/${plan}/${stock}`, paper: stock.startsWith('a4') ? 'a4' : 'letter' },
        }),
      );
      while (sheet.status === 'waiting' || sheet.status === 'printing') {
        await new Promise((done) => setTimeout(done, 700));
        sheet = unwrap(await api.GET('/sheets/{sheet}', { params: { path: { sheet: sheet.id } } }));
      }
      if (sheet.status === 'done') window.location.assign(`/api/v1/sheets/${sheet.id}/pdf`);
      else void message.error(sheet.trouble ?? t('build.notPrinted'), 8);
    } catch (e) {
      void message.error(e instanceof ApiError ? e.message : t('build.noConnection'), 8);
    }
    setBusy(false);
  };
  return (
    <Button loading={busy} onClick={() => void print()}>
      {t('build.pdf')}
    </Button>
  );
}

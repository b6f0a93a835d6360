import { useQuery } from '@tanstack/react-query';
import { Button, Input, Modal } from 'antd';
import { useState } from 'react';
import { api, ApiError, unwrap, uuid } from '../api/client';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';

interface Props {
  job: number;
  plan: string;
  revision: number;
  title: string;
  close: () => void;
  done: () => void;
}

/** A lead lets a plan be built: every danger that stays open with a reason, the rest named. */
export function Approve({ job, plan, revision, title, close, done }: Props) {
  const [mark] = useState(uuid);
  const [why, setWhy] = useState<Record<string, string>>({});
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const open = useQuery({
    queryKey: ['to approve', job, plan, revision],
    queryFn: async () =>
      unwrap(await api.GET('/jobs/{job}/approvals', { params: { path: { job }, query: { plan, revision } } })).open,
  });
  const dangers = (open.data ?? []).filter((f) => f.severity === 'danger');
  const others = (open.data ?? []).filter((f) => f.severity !== 'danger');
  const lacking = dangers.filter((f) => (why[f.id] ?? '').trim().length < 4).length;
  const approve = async () => {
    setBusy(true);
    try {
      unwrap(
        await api.POST('/jobs/{job}/approvals', {
          params: { path: { job } },
          body: { uuid: mark, revision, plan, open: why, ...(words.trim() ? { words: words.trim() } : {}) },
        }),
      );
      done();
    } catch (e) {
      setTrouble(
        e instanceof ApiError ? [e.message, ...e.problems.map((p) => p.message)].join(' ') : t('build.noConnection'),
      );
      setBusy(false);
    }
  };
  return (
    <Modal open onCancel={close} footer={null} width={760} title={t('build.approveTitle', { title, revision })}>
      {open.error && <Failed error={open.error} again={() => void open.refetch()} />}
      {!open.data && !open.error && <Waiting what={t('build.whatIsOpen')} />}
      {open.data && (
        <>
          <p>
            {dangers.length === 0 ? t('build.noDangers') : t('build.dangers', { count: dangers.length })}{' '}
            {others.length > 0 && t('build.others', { count: others.length })}
          </p>
          <ul className="approve-list">
            {dangers.map((f) => (
              <li key={f.id}>
                <b className="is-danger">{f.title}</b>
                <p>{f.text}</p>
                <Input
                  aria-label={t('build.whyOpen', { title: f.title })}
                  placeholder={t('build.whyOpenShort')}
                  maxLength={500}
                  value={why[f.id] ?? ''}
                  onChange={(e) => setWhy({ ...why, [f.id]: e.target.value })}
                />
              </li>
            ))}
            {others.map((f) => (
              <li key={f.id}>
                <b>{f.title}</b> <span className="quiet">{f.text}</span>
              </li>
            ))}
          </ul>
          <Input
            aria-label={t('build.aWord')}
            placeholder={t('build.aWord')}
            maxLength={500}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <p className="quiet">{t('build.approveMeans')}</p>
          {trouble && (
            <p className="turn" role="alert">
              {trouble}
            </p>
          )}
          <Button type="primary" size="large" loading={busy} disabled={lacking > 0} onClick={() => void approve()}>
            {lacking > 0 ? t('build.reasonsLeft', { count: lacking }) : t('build.approveIt')}
          </Button>
        </>
      )}
    </Modal>
  );
}

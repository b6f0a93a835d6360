import { App, Button, Dropdown } from 'antd';
import { useRef } from 'react';
import { api, ApiError, unwrap, uuid } from '../api/client';
import type { DesignHold } from './useDesign';
import { t } from '../words/t';
import './FilePanel.css';

/** Taking a job away: job file out and in, plan sheet on paper or as PDF. */
export function FilePanel({ hold, viewId }: { hold: DesignHold; viewId: string }) {
  const { message, modal } = App.useApp();
  const picker = useRef<HTMLInputElement>(null);
  const id = hold.design.id;

  const bringIn = async (file: File) => {
    try {
      const text = await file.text();
      const design = unwrap(
        await api.POST('/jobs/{job}/file', {
          params: { path: { job: id }, query: { uuid: uuid() } },
          body: text as never,
          bodySerializer: (b) => b as unknown as string,
          headers: { 'Content-Type': 'application/json' },
        }),
      );
      hold.take(design);
      void message.success(t('job.theJobFileIsIn'));
    } catch (e) {
      const problems = e instanceof ApiError ? e.problems.filter((p) => p.message !== e.message) : [];
      modal.error({
        title: t('job.theJobFileWasNot'),
        content: (
          <>
            <p>{e instanceof Error ? e.message : t('job.itCannotBeRead')}</p>
            <ul className="problems">
              {problems.map((p) => (
                <li key={p.pointer + p.message}>
                  <code>{p.pointer || t('job.file')}</code> {p.message}
                </li>
              ))}
            </ul>
          </>
        ),
      });
    }
  };

  const pdf = async (paper: 'letter' | 'a4') => {
    const done = message.loading(t('job.printingThePlanSheet'), 0);
    try {
      let sheet = unwrap(
        await api.POST('/jobs/{job}/sheets', { params: { path: { job: id } }, body: { view: viewId, paper } }),
      );
      for (let i = 0; i < 120 && (sheet.status === 'waiting' || sheet.status === 'printing'); i++) {
        await new Promise((r) => setTimeout(r, 500));
        sheet = unwrap(await api.GET('/sheets/{sheet}', { params: { path: { sheet: sheet.id } } }));
      }
      if (sheet.status !== 'done') throw new Error(sheet.trouble ?? t('job.theSheetIsStillWaiting'));
      const link = document.createElement('a');
      link.href = `/api/v1/sheets/${sheet.id}/pdf`;
      link.download = '';
      link.click();
    } catch (e) {
      void message.error(e instanceof Error ? e.message : t('job.printingFailed'), 8);
    } finally {
      done();
    }
  };

  return (
    <>
      <input
        ref={picker}
        type="file"
        accept="application/json,.json"
        hidden
        aria-label={t('job.jobFileToUpload')}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void bringIn(file);
        }}
      />
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            {
              key: 'sheet',
              label: t('job.planSheetToPrint'),
              onClick: () => window.open(`/jobs/${id}/sheet?view=${encodeURIComponent(viewId)}`, '_blank'),
            },
            { key: 'letter', label: t('job.planSheetAsPdfLetter'), onClick: () => void pdf('letter') },
            { key: 'a4', label: t('job.planSheetAsPdfA4'), onClick: () => void pdf('a4') },
            { type: 'divider' },
            { key: 'out', label: <a href={`/api/v1/jobs/${id}/file`}>{t('job.downloadTheJobFile')}</a> },
            {
              key: 'in',
              label: t('job.uploadAJobFile'),
              disabled: hold.design.revision !== 1,
              onClick: () => picker.current?.click(),
            },
          ],
        }}
      >
        <Button type="text" className="bar-button">
          {t('job.printFiles')}
        </Button>
      </Dropdown>
    </>
  );
}

import { Button, Modal, Tooltip } from 'antd';
import { Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, NavLink, useParams, useSearchParams } from 'react-router';
import { TopBar } from '../shell/TopBar';
import { Failed, Waiting } from '../ui/Waiting';
import { ConflictDialog } from './ConflictDialog';
import { FilePanel } from './FilePanel';
import { HeldBack } from './HeldBack';
import { History } from './History';
import { PLACES } from './places';
import { openView, useDesign } from './useDesign';
import { useTogether } from './useTogether';
import { People } from './People';
import { t } from '../words/t';
import './JobPlace.css';

/** A job: its places in the order of the work, one design under them all. */
export default function JobPlace() {
  const { id = '', place = 'plan' } = useParams();
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view') ?? '';
  const { hold, error, refetch } = useDesign(Number(id), asked);
  const [history, setHistory] = useState(false);
  const [shortcuts, setShortcuts] = useState(false);

  const together = useTogether(hold, place, search.get('about'));
  const viewId = hold ? openView(hold.design.views, asked) : 'as_found';

  const undo = hold?.undo;
  const redo = hold?.redo;
  useHotkeys('mod+z', () => void undo?.(), { preventDefault: true }, [undo]);
  useHotkeys('mod+shift+z, mod+y', () => void redo?.(), { preventDefault: true }, [redo]);
  useHotkeys('shift+/, ?', () => setShortcuts(true), { useKey: true });

  if (error) {
    return (
      <>
        <TopBar />
        <Failed error={error} again={refetch} />
      </>
    );
  }
  if (!hold) return <Waiting what={t('job.theJob')} />;
  const setViewId = (next: string) => {
    const now = new URLSearchParams(window.location.search);
    now.set('view', next);
    setSearch(now, { replace: true });
  };
  const Place = PLACES.find((p) => p.at === place)?.Place;
  const tail = asked ? `?view=${encodeURIComponent(asked)}` : '';
  return (
    <>
      <TopBar
        title={hold.design.document.title}
        right={
          <>
            <People together={together} />
            <span className="saving" role="status">
              {hold.held ? t('job.notSaved') : hold.saving ? t('job.saving') : `r${hold.design.revision}`}
            </span>
            {hold.held && <HeldBack held={hold.held} />}
            <Tooltip title={t('job.takeBackMyLastChange')}>
              <Button type="text" className="bar-button" onClick={() => void hold.undo()}>
                <Wide short="↶">{t('job.undo')}</Wide>
              </Button>
            </Tooltip>
            <Tooltip title={t('job.makeItAgainCtrlShift')}>
              <Button type="text" className="bar-button" onClick={() => void hold.redo()}>
                <Wide short="↷">{t('job.redo')}</Wide>
              </Button>
            </Tooltip>
            <Button type="text" className="bar-button" onClick={() => setHistory(true)}>
              {t('job.history')}
            </Button>
            <FilePanel hold={hold} viewId={viewId} />
          </>
        }
      >
        {PLACES.map((p) => (
          <NavLink key={p.at} to={`/jobs/${id}/${p.at}${tail}`} className="place">
            {p.title}
          </NavLink>
        ))}
      </TopBar>
      <Suspense fallback={<Waiting what={t('job.thisPlace')} />}>
        {Place ? (
          <Place hold={hold} viewId={viewId} setViewId={setViewId} />
        ) : (
          <Navigate to="../plan" relative="path" replace />
        )}
      </Suspense>
      <History hold={hold} open={history} close={() => setHistory(false)} />
      <ConflictDialog hold={hold} />
      <Modal open={shortcuts} onCancel={() => setShortcuts(false)} footer={null} title={t('job.keys')}>
        <dl className="keys">
          {[
            [t('job.aLetterOrDigit'), t('job.theOperatingStateWithThat')],
            ['↑ ↓', t('job.alongTheWall')],
            [t('job.enter'), t('job.openWhatIsInFocus')],
            [t('job.plusMinusHome'), t('job.theWallLargerSmallerWhole')],
            ['M', t('job.moveTheCircuitInFocus')],
            [t('job.shiftSpace'), t('job.takeItInHandArrow')],
            ['F', t('job.asFoundPlanned')],
            ['W  L  T', t('job.wallListTable')],
            [t('job.ctrlZ'), t('job.takeBackMyLastChange2')],
            [t('job.ctrlShiftZ'), t('job.makeItAgain')],
            [t('job.esc'), t('job.putAFindingDown')],
            ['?', t('job.theseKeys')],
          ].map(([k, what]) => (
            <div key={k}>
              <dt>{k}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </Modal>
    </>
  );
}

/** A word where there is room for it, a sign of it on a tablet; read out as the word. */
function Wide({ children, short }: { children: string; short: string }) {
  return (
    <>
      <span className="in-short" aria-hidden="true">
        {short}
      </span>
      <span className="in-full">{children}</span>
    </>
  );
}

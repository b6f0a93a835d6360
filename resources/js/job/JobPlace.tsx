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
  if (!hold) return <Waiting what="the job" />;
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
              {hold.held ? 'not saved' : hold.saving ? 'saving …' : `r${hold.design.revision}`}
            </span>
            {hold.held && <HeldBack held={hold.held} />}
            <Tooltip title="Take back my last change (Ctrl Z)">
              <Button type="text" className="bar-button" onClick={() => void hold.undo()}>
                <Wide short="↶">Undo</Wide>
              </Button>
            </Tooltip>
            <Tooltip title="Make it again (Ctrl Shift Z)">
              <Button type="text" className="bar-button" onClick={() => void hold.redo()}>
                <Wide short="↷">Redo</Wide>
              </Button>
            </Tooltip>
            <Button type="text" className="bar-button" onClick={() => setHistory(true)}>
              History
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
      <Suspense fallback={<Waiting what="this place" />}>
        {Place ? (
          <Place hold={hold} viewId={viewId} setViewId={setViewId} />
        ) : (
          <Navigate to="../plan" relative="path" replace />
        )}
      </Suspense>
      <History hold={hold} open={history} close={() => setHistory(false)} />
      <ConflictDialog hold={hold} />
      <Modal open={shortcuts} onCancel={() => setShortcuts(false)} footer={null} title="Keys">
        <dl className="keys">
          {[
            ['a letter or digit', 'the operating state with that letter'],
            ['↑ ↓', 'along the wall'],
            ['Enter', 'open what is in focus, to change it'],
            ['+ −  Home', 'the wall larger, smaller, whole'],
            ['M', 'move the circuit in focus'],
            ['Shift Space', 'take it in hand: arrow keys, Enter lands it'],
            ['F', 'as found ⇄ planned'],
            ['W  L  T', 'wall, list, table'],
            ['Ctrl Z', 'take back my last change'],
            ['Ctrl Shift Z', 'make it again'],
            ['Esc', 'put a finding down'],
            ['?', 'this'],
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

import { useQuery } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { api, unwrap } from '../api/client';
import { Failed, Waiting } from '../ui/Waiting';
import { extentOf } from '../wall/Extent';
import { useGeometry } from '../wall/useGeometry';
import { Wall } from '../wall/Wall';
import { WallView } from '../wall/WallView';
import type { BuildHold } from './useBuild';
import { t, type Key } from '../words/t';

const STATES: Record<string, Key> = {
  built: 'build.stateBuilt',
  'not yet': 'build.stateNotYet',
  otherwise: 'build.stateOtherwise',
};

/** The rig as far as it is built, drawn from the logbook; and part by part what was found, designed and built. */
export function Built({ job, plan, hold }: { job: number; plan: string | null; hold: BuildHold }) {
  const built = useQuery({
    queryKey: ['as built', job, plan, hold.build.last, hold.build.revision],
    queryFn: async ({ signal }) =>
      unwrap(
        await api.GET('/jobs/{job}/as-built', {
          params: { path: { job }, query: plan ? { plan } : {} },
          signal,
        }),
      ),
  });
  const walls = useMemo(() => (built.data ? [built.data.answer.wall] : []), [built.data]);
  const geometry = useGeometry(walls, false);
  if (built.error) return <Failed error={built.error} again={() => void built.refetch()} />;
  if (!built.data || !geometry) return <Waiting what={t('build.asBuilt')} />;
  const { answer, rows } = built.data;
  const state = answer.states.find((s) => s.id === 'nothing')?.id ?? answer.states[0]!.id;
  return (
    <>
      <section className="sheet-panel">
        <div className="sheet-head">
          <h1>{t('build.asItStands')}</h1>
          <span className="quiet">
            {t('build.builtCount', { done: rows.filter((r) => r.state !== 'not yet').length, count: rows.length })}
          </span>
          <span className="spring" />
          <Button onClick={() => window.print()}>{t('build.printIt')}</Button>
        </div>
        <div className="built-wall">
          <WallView extent={extentOf(answer.wall, geometry)}>
            <Wall
              answer={answer}
              geometry={geometry}
              state={state}
              scenario={null}
              focus={null}
              chosen={null}
              onChoose={() => undefined}
              movable={false}
            />
          </WallView>
        </div>
      </section>
      <section className="sheet-panel">
        <table className="build-table built-table">
          <thead>
            <tr>
              <th scope="col">{t('build.what')}</th>
              <th scope="col">{t('build.asFound')}</th>
              <th scope="col">{t('build.asDesigned')}</th>
              <th scope="col">{t('build.asBuilt')}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.component}>
                <td>
                  <b>{r.label}</b>
                </td>
                <td>{r.found}</td>
                <td>{r.designed}</td>
                <td className={r.state === 'otherwise' ? 'turn' : ''}>
                  {r.built || t(STATES[r.state]!)}
                  {!hold.build.draft && r.state !== 'not yet' && <Otherwise hold={hold} component={r.component} />}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </>
  );
}

/** Where it was built otherwise than it was drawn. */
function Otherwise({ hold, component }: { hold: BuildHold; component: string }) {
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState('');
  const [how, setHow] = useState('');
  if (!open)
    return (
      <button type="button" className="link" onClick={() => setOpen(true)}>
        {t('build.builtOtherwise')}
      </button>
    );
  return (
    <form
      className="stand-in"
      onSubmit={(e) => {
        e.preventDefault();
        if (!what.trim() || !how.trim()) return;
        void hold.write('differs', '', { component, what: what.trim(), built: how.trim() });
        setOpen(false);
      }}
    >
      <Input
        aria-label={t('build.whatOtherwise')}
        placeholder={t('build.whatOtherwise')}
        value={what}
        onChange={(e) => setWhat(e.target.value)}
      />
      <Input
        aria-label={t('build.howBuilt')}
        placeholder={t('build.howBuilt')}
        value={how}
        onChange={(e) => setHow(e.target.value)}
      />
      <Button htmlType="submit">{t('build.keep')}</Button>
    </form>
  );
}

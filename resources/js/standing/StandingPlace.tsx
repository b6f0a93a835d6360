import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useDeferredValue, useState } from 'react';
import { api, unwrap, type Places } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery } from '../job/useDesign';
import { ViewSwitch } from '../job/ViewSwitch';
import { freeId } from '../needs/loads';
import { useMe } from '../shell/Session';
import { Cautions } from '../ui/Cautions';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import { Dialog } from './Dialog';
import { LongSide } from './LongSide';
import type { Opened, Values } from './opened';
import { zoneAt, type Spot } from './outline';
import { Said } from './Said';
import { Ways, Zones, Stands } from './Zones';
import '../ui/Panel.css';
import './StandingPlace.css';

type Moved = Record<string, Spot>;

/** Where things stand: the long side with its scales, zones and what fits in them, cables between them. */
export default function StandingPlace({ hold, viewId, setViewId }: PlaceProps) {
  const me = useMe();
  const reference = useQuery(referenceQuery).data;
  const [opened, open] = useState<Opened | null>(null);
  const [tried, attempt] = useState<Moved | null>(null);
  const moved = useDeferredValue(tried);
  const kept = usePlaces(hold.design.id, hold.design.revision, viewId, null).data;
  const answer = usePlaces(hold.design.id, hold.design.revision, viewId, moved);
  const said = (hold.design.document.place ?? {}) as Record<string, Values>;
  const plan = hold.view(viewId)?.plan ?? null;
  const mayChange = me !== null && !hold.saving;
  const set = (path: string, value: unknown) => hold.edit({ kind: 'set_place', path, value } as never);
  const places = answer.data;
  const put = async (id: string, to: Spot) => {
    const item = places?.items.find((i) => i.id === id);
    if (!places || !item) return;
    attempt({ [id]: to });
    const zone = zoneAt(places.zones, to);
    const [map, key] = id.startsWith('thing_') ? ['things', id.slice(6)] : ['items', id];
    const own = said[map]?.[key] ?? {};
    const spot = zone ? { ...to, zone } : to;
    if (plan !== null && item.state !== 'new' && item.before !== null)
      await set(`/${map}/${key}`, {
        ...own,
        moves: { ...((own.moves as Values | undefined) ?? {}), [plan]: spot },
      });
    else await set(`/${map}/${key}`, { ...without(own, 'zone'), ...spot });
    attempt(null);
  };
  const loose = places?.items.filter((i) => i.at === null && i.state !== 'gone') ?? [];
  return (
    <main className="page wide">
      <div className="plan-tools">
        <ViewSwitch hold={hold} viewId={viewId} setViewId={setViewId} />
        <span className="spring" />
        <Button onClick={() => open({ kind: 'rig' })}>{t('place.outline')}</Button>
        <Button onClick={() => open({ kind: 'zone', id: freeId('zone', (said.zones ?? {}) as never) })}>
          {t('place.addZone')}
        </Button>
        <Button onClick={() => open({ kind: 'thing', id: freeId('mass', (said.things ?? {}) as never) })}>
          {t('place.addMass')}
        </Button>
      </div>
      {answer.error && <Failed error={answer.error} again={() => void answer.refetch()} />}
      {(!places || !reference) && !answer.error && <Waiting what={t('place.places')} />}
      {places && reference && (
        <>
          <div className="standing">
            <section className="sheet-panel">
              <LongSide
                kept={kept ?? places}
                places={places}
                mayChange={mayChange}
                attempt={(id, to) => attempt(to && { [id]: to })}
                put={(id, to) => void put(id, to)}
                open={(id) => open({ kind: id.startsWith('thing_') ? 'thing' : 'item', id: id.replace(/^thing_/, '') })}
                openZone={(id) => open({ kind: 'zone', id })}
              />
              {mayChange && places.items.length > 0 && <p className="quiet">{t('place.hands')}</p>}
              {loose.length > 0 && (
                <p className="loose">
                  {t('place.noPlaceYet')}{' '}
                  {loose.map((i) => (
                    <Button key={i.id} size="small" onClick={() => open({ kind: 'item', id: i.id })}>
                      {i.label}
                    </Button>
                  ))}
                </p>
              )}
            </section>
            <Said places={places} open={(id) => open({ kind: 'item', id })} />
          </div>
          <div className="standing-below">
            <Zones places={places} open={(id) => open({ kind: 'zone', id })} />
            <Stands places={places} open={open} />
            <Ways places={places} open={(id) => open({ kind: 'route', id })} />
          </div>
          {opened && (
            <Dialog
              opened={opened}
              places={places}
              said={said}
              reference={reference}
              mayChange={mayChange}
              set={async (path, value) => (await set(path, value)) && open(null)}
              close={() => open(null)}
            />
          )}
        </>
      )}
      <Cautions />
    </main>
  );
}

const without = (said: Record<string, unknown>, name: string) =>
  Object.fromEntries(Object.entries(said).filter(([n]) => n !== name));

function usePlaces(job: number, revision: number, view: string, moved: Moved | null) {
  return useQuery<Places>({
    queryKey: ['places', job, revision, view, moved],
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      unwrap(
        await api.POST('/jobs/{job}/place', {
          params: { path: { job } },
          body: { view, revision, ...(moved ? { moved } : {}) },
          signal,
        }),
      ),
  });
}

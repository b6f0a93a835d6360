import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { App, Button, Checkbox, Input, Select } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { api, unwrap, ApiError, type Component } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery } from '../job/useDesign';
import { ViewSwitch } from '../job/ViewSwitch';
import { plannedParts } from '../parts/planned';
import { useMe } from '../shell/Session';
import { Cautions } from '../ui/Cautions';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import { Asks, Schools } from './Asks';
import { Beside } from './Beside';
import { DayBand } from './DayBand';
import { InStates } from './InStates';
import { LoadForm } from './LoadForm';
import { freeId, inOrder, readLoad, type Loads, type NeedLoad, type Span } from './loads';
import { Sizes, type From } from './Sizes';
import { StayForm, type Trip } from './StayForm';
import { StayPanel } from './StayPanel';
import '../ui/Panel.css';
import './NeedsPlace.css';

/** What must run, and for how long it does: the day as a band, the days as they go, what owners ask. */
export default function NeedsPlace({ hold, viewId, setViewId }: PlaceProps) {
  const me = useMe();
  const { message } = App.useApp();
  const reference = useQuery(referenceQuery).data;
  const document = hold.design.document;
  const loads = useMemo(() => (document.needs.loads ?? {}) as Loads, [document]);
  const trip = useMemo(() => (document.needs.trip ?? {}) as Trip, [document]);
  const [opened, open] = useState<string | null>(null);
  const [staying, openStay] = useState(false);
  const [besideId, putBeside] = useState<string | null>(null);
  const [typed, type] = useState('');
  const [from, startFrom] = useState<{ from: From; value: number } | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const log = useRef<HTMLInputElement>(null);
  const measured = document.needs.measured;
  const [together, choose] = useState<string[]>([]);
  const stay = useStay(hold.design.id, hold.design.revision, viewId, from, together);
  const beside = useStay(hold.design.id, hold.design.revision, besideId, null, []);
  const parts = useMemo(() => plannedParts(document, hold.view(viewId)?.plan ?? null), [document, hold, viewId]);
  const mayChange = me !== null && !hold.saving;
  const set = (path: string, value: unknown) => hold.edit({ kind: 'set_need', path, value } as never);
  const order = Math.max(0, ...Object.values(loads).map((l) => l.order ?? 0)) + 1;
  const put = (load: Omit<NeedLoad, 'order'>, id = load.label) =>
    set(`/loads/${freeId(id, loads)}`, { ...load, order });
  const setSpan = (load: string, span: string, to: Span | null) => void set(`/loads/${load}/spans/${span}`, to);
  const addSpan = (load: string, at: number) => {
    const spans = loads[load]?.spans ?? {};
    const name = Array.from({ length: 99 }, (_, n) => `h${n + 1}`).find((n) => !spans[n])!;
    setSpan(load, name, { fromH: at, hours: 1 });
  };
  const takeTyped = () => {
    const load = readLoad(typed);
    if (!load) return message.warning(t('needs.cannotRead'));
    type('');
    return put(load);
  };
  const readLog = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      const read = unwrap(
        await api.POST('/jobs/{job}/monitor-log', {
          params: { path: { job: hold.design.id } },
          body: { text: await chosen.text() },
        }),
      );
      await set('/measured', read);
    } catch (e) {
      told(e);
    }
  };
  const told = (e: unknown) => {
    const problems = e instanceof ApiError ? e.problems : [];
    const list = problems.map((p) => `${p.pointer.replace('/row/', 'row ').replace('/', ', ')}: ${p.message}`);
    void message.error(t('needs.problemsInList', { list: list.slice(0, 4).join(' ') || String(e) }), 9);
  };
  const readFile = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      const read = unwrap(
        await api.POST('/jobs/{job}/loads', {
          params: { path: { job: hold.design.id } },
          body: { text: await chosen.text() },
        }),
      );
      const list = Object.fromEntries(
        Object.entries(read.loads).map(([id, load], n) => [id, { ...load, order: n + 1 }]),
      );
      if (await set('/loads', list)) void message.success(t('needs.readIt', { count: Object.keys(list).length }));
    } catch (e) {
      told(e);
    }
  };
  if (!reference) return <Waiting what={t('needs.working')} />;
  const shown = inOrder(loads);
  const usual = (name: string) => Number(trip[name] ?? reference.needs.trip[name]?.usual ?? 0);
  const weatherOn = (trip.weatherOn ?? {}) as Record<string, { day: number; weather: string }>;
  const weatherOf = (day: number) =>
    Object.values(weatherOn).find((w) => w.day === day)?.weather ?? String(trip.weather ?? 'fair');
  return (
    <main className="page wide">
      <div className="plan-tools">
        <ViewSwitch hold={hold} viewId={viewId} setViewId={setViewId} />
        <span className="spring" />
        <Button onClick={() => openStay(true)}>{t('needs.change')}</Button>
      </div>
      <div className="needs">
        <aside>
          {stay.data && shown.length > 0 && (
            <Asks replies={stay.data.replies} loads={shown} together={together} choose={choose} />
          )}
          {stay.data && shown.length > 0 && (
            <Sizes sizes={stay.data.sizes} start={(start, value) => startFrom({ from: start, value })} />
          )}
          {stay.data && shown.length > 0 && <InStates states={stay.data.states} />}
          {stay.data && shown.length > 0 && <Schools schools={stay.data.schools} />}
        </aside>
        <div>
          <section className="sheet-panel">
            <div className="sheet-head">
              <h1>{t('needs.aDay')}</h1>
              <span className="quiet">{mayChange && shown.length > 0 && t('needs.dragAndPull')}</span>
              <span className="spring" />
              {stay.data && (
                <span className="figures">
                  {t('needs.usedKwh', { kwh: (stay.data.day.usesWh / 1000).toFixed(2) })}{' '}
                  {stay.data.day.keptWh > 5 && (
                    <span className="quiet">
                      {t('needs.keptToo', { kwh: (stay.data.day.keptWh / 1000).toFixed(2) })}
                    </span>
                  )}
                </span>
              )}
            </div>
            {shown.length === 0 && <p className="empty">{t('needs.nothingYet')}</p>}
            {shown.length > 0 && (
              <DayBand
                loads={shown}
                day={stay.data?.day}
                trip={{ driveFromH: usual('driveFromH'), driveH: usual('driveH') }}
                mayChange={mayChange}
                setSpan={setSpan}
                addSpan={addSpan}
                open={open}
              />
            )}
            <div className="needs-add">
              <Select
                aria-label={t('needs.addALoad')}
                placeholder={t('needs.addALoad')}
                value={null}
                showSearch={{ optionFilterProp: 'label' }}
                onChange={(id: string | null) => {
                  const load = id === null ? undefined : reference.needs.typical[id];
                  if (id !== null && load) void put(load as NeedLoad, id);
                }}
                options={Object.entries(reference.needs.typical)
                  .map(([value, l]) => ({ value, label: l.label }))
                  .sort((a, b) => a.label.localeCompare(b.label))}
              />
              <Input
                aria-label={t('needs.typeOne')}
                placeholder={t('needs.typeOne')}
                value={typed}
                onChange={(e) => type(e.target.value)}
                onPressEnter={() => void takeTyped()}
              />
              <span className="spring" />
              <Button size="small" href={`/api/v1/jobs/${hold.design.id}/loads`} download="loads.csv">
                {t('needs.toCsv')}
              </Button>
              <Button size="small" onClick={() => file.current?.click()}>
                {t('needs.fromCsv')}
              </Button>
              <Button size="small" onClick={() => log.current?.click()}>
                {t('needs.monitorLog')}
              </Button>
              <input
                ref={log}
                type="file"
                accept=".csv,text/csv"
                hidden
                aria-label={t('needs.logOfMonitor')}
                onChange={(e) => {
                  void readLog(e.target.files?.[0]);
                  e.target.value = '';
                }}
              />
              <input
                ref={file}
                type="file"
                accept=".csv,text/csv"
                hidden
                aria-label={t('needs.listOfLoads')}
                onChange={(e) => {
                  void readFile(e.target.files?.[0]);
                  e.target.value = '';
                }}
              />
            </div>
          </section>
          {measured && (
            <section className="sheet-panel measured">
              <Checkbox
                checked={measured.used === true}
                disabled={!mayChange}
                onChange={(e) => void set('/measured/used', e.target.checked)}
              >
                {t('needs.measuredCounts')}
              </Checkbox>
              <span className="quiet figures">
                {t('needs.measuredFrom', { from: measured.fromAt, to: measured.toAt, count: measured.samples })}
              </span>
              <Button type="link" disabled={!mayChange} onClick={() => void set('/measured', null)}>
                {t('needs.takeOut')}
              </Button>
            </section>
          )}
          {stay.error && <Failed error={stay.error} again={() => void stay.refetch()} />}
          {!stay.data && !stay.error && <Waiting what={t('needs.working')} />}
          {stay.data && shown.length > 0 && (
            <StayPanel
              stay={stay.data}
              beside={
                besideId && beside.data ? { title: hold.view(besideId)?.title ?? '', run: beside.data.run } : null
              }
              weatherOf={weatherOf}
              mayChange={mayChange}
              setWeather={(day, weather) => void set(`/trip/weatherOn/d${day}`, { day, weather })}
            >
              <span className="spring" />
              <select
                className="view-select"
                aria-label={t('needs.beside')}
                value={besideId ?? ''}
                onChange={(e) => putBeside(e.target.value || null)}
              >
                <option value="">{t('needs.nothingBeside')}</option>
                {hold.design.views
                  .filter((v) => v.id !== viewId)
                  .map((v) => (
                    <option key={v.id} value={v.id}>
                      {t('needs.beside')}: {v.title}
                    </option>
                  ))}
              </select>
            </StayPanel>
          )}
          {stay.data && shown.length > 0 && stay.data.run.batteries.some((b) => !b.ofEngine) && (
            <Beside
              job={hold.design.id}
              revision={hold.design.revision}
              view={viewId}
              hasGenerator={Object.values(parts).some((p) => p.type === 'generator')}
            />
          )}
        </div>
      </div>
      <Cautions />
      {opened && loads[opened] && (
        <LoadForm
          load={loads[opened]}
          components={parts}
          reference={reference}
          mayChange={mayChange}
          save={(load) => void set(`/loads/${opened}`, load).then((done) => done && open(null))}
          close={() => open(null)}
        />
      )}
      {staying && (
        <StayForm
          trip={trip}
          supplies={suppliesOf(parts)}
          reference={reference}
          components={parts}
          save={(to) => void set('/trip', to).then((done) => done && openStay(false))}
          close={() => openStay(false)}
        />
      )}
    </main>
  );
}

function useStay(
  job: number,
  revision: number,
  view: string | null,
  from: { from: From; value: number } | null,
  together: string[],
) {
  return useQuery({
    queryKey: ['stay', job, revision, view, from, together],
    enabled: view !== null,
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      unwrap(
        await api.POST('/jobs/{job}/stay', {
          params: { path: { job } },
          body: { view: view!, revision, ...from, ...(together.length ? { together } : {}) },
          signal,
        }),
      ),
  });
}

/** Supplies of the survey that the cord goes into. */
function suppliesOf(parts: Record<string, Component>): { value: string; label: string }[] {
  return Object.values(parts)
    .filter((p) => p.type === 'shore_supply')
    .flatMap((p) => Object.entries((p.supplies ?? {}) as Record<string, { ratingA: unknown }>))
    .map(([value, s]) => {
      const rating = s.ratingA;
      const amps = typeof rating === 'object' && rating !== null ? (rating as { value: number }).value : rating;
      return { value, label: `${String(amps)} A` };
    });
}

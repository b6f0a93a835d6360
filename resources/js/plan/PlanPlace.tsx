import clsx from 'clsx';
import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Answer } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery } from '../job/useDesign';
import { ViewSwitch } from '../job/ViewSwitch';
import { PartDrawer } from '../parts/PartDrawer';
import { plannedParts } from '../parts/planned';
import { useMe } from '../shell/Session';
import { extentOf } from '../wall/Extent';
import { MovesContext } from '../wall/landing';
import { ListForm } from '../wall/ListForm';
import { useGeometry } from '../wall/useGeometry';
import { Wall } from '../wall/Wall';
import { WallView } from '../wall/WallView';
import { Cautions } from '../ui/Cautions';
import { useWidth } from '../ui/useWidth';
import { Waiting } from '../ui/Waiting';
import { ArrangementDialog } from './ArrangementDialog';
import { Changes } from './Changes';
import { Compare } from './Compare';
import { Dragging } from './Dragging';
import { FindingsRail } from './FindingsRail';
import { FormSwitch } from './FormSwitch';
import { HandPanel } from './HandPanel';
import { LiveTable } from './LiveTable';
import { MeterPanel } from './MeterPanel';
import { Offers, type Offer } from './Offers';
import { MoveDialog } from './MoveDialog';
import { PlansTable } from './PlansTable';
import { RailTabs } from './RailTabs';
import { FaultSelect, StateStrip } from './StateStrip';
import { usePlanKeys } from './usePlanKeys';
import { usePlanState } from './usePlanState';
import { runningIn, seenAs, useSettled, type Setting } from './useSettled';
import { t } from '../words/t';
import './plan.css';
import './PlanPlace.css';

/** the state that is none of the named ones */
const HAND = 'by_hand';

const NARROW = 1000;
/** Views that stand side by side among the controls; more of them become a list. */
const SIDE_BY_SIDE = 3;

const MOVES_NOWHERE = {};

/** The centre of a job: the wall, its states and its findings. */
export default function PlanPlace({ hold, viewId, setViewId }: PlaceProps) {
  const me = useMe();
  const forms = useQuery(referenceQuery).data?.forms;
  const narrow = useWidth() < NARROW;
  const [at, go] = usePlanState();
  const [moving, setMoving] = useState<string | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const [choosing, setChoosing] = useState(false);
  const lastPlanned = useRef('');
  // Beside the rig the panels start folded away; a tab brings them up and puts them down.
  const open = at.open ?? !narrow;

  const view = hold.view(viewId);
  const answer = hold.answer(viewId);
  const asFound = hold.answer('as_found');
  const mayPlan = me?.role !== 'apprentice';
  const plan = view?.plan ?? null;
  const document = hold.design.document;
  useEffect(() => {
    if (plan) lastPlanned.current = viewId;
  }, [plan, viewId]);

  const states = useMemo(() => answer?.states ?? [], [answer]);
  const stateId = states.some((s) => s.id === at.state)
    ? at.state
    : ((states.find((s) => s.about === 'inverting') ?? states.find((s) => s.about === 'shore') ?? states[0])?.id ?? '');
  const scenarios = Object.entries(answer?.scenarios ?? {});
  const scenarioId = scenarios.some(([s]) => s === at.scenario) ? at.scenario : (scenarios[0]?.[0] ?? null);
  const focus = answer?.findings.find((f) => f.id === at.finding) ?? null;
  const chosen = at.chosen;
  const named = states.find((s) => s.id === stateId);
  // The state as named, with what somebody has set otherwise.
  const setting = useMemo<Setting | null>(
    () =>
      named
        ? {
            controls: { ...named.controls, ...at.hand?.controls },
            surroundings: { ...named.surroundings, ...at.hand?.surroundings },
          }
        : null,
    [at.hand, named],
  );
  const running = useMemo(
    () => (answer ? runningIn(document, answer, scenarioId) : []),
    [document, answer, scenarioId],
  );
  const settled = useSettled(hold.design.id, hold.design.revision, viewId, answer ? setting : null, running);
  const byHand = at.hand !== null;
  const seen = useMemo<Answer | undefined>(
    () => (answer && settled.data ? seenAs(answer, settled.data, byHand ? HAND : stateId, byHand, scenarioId) : answer),
    [answer, settled.data, byHand, stateId, scenarioId],
  );
  const parts = useMemo(() => plannedParts(document, plan), [document, plan]);
  const walls = useMemo(() => [asFound?.wall, answer?.wall].filter((w) => w !== undefined), [asFound, answer]);
  const geometry = useGeometry(walls, narrow);

  const look = useCallback(
    (id: string) => {
      go({ do: 'look' });
      setViewId(id);
    },
    [go, setViewId],
  );
  const swap = useCallback(() => {
    if (viewId !== 'as_found') look('as_found');
    else if (lastPlanned.current) look(lastPlanned.current);
  }, [viewId, look]);

  usePlanKeys({
    states,
    choose: (id) => go({ do: 'state', id }),
    leave: () => go({ do: 'finding', finding: null, answer }),
    swap,
    show: (form) => go({ do: 'show', form }),
  });

  const land = (circuit: string, panel: string) => {
    if (plan) void hold.edit({ kind: 'move_circuit', plan, circuit, panel, wires: 'both' });
  };
  const take = async (offer: Offer) => {
    if (await hold.edit(offer.intent as never)) go({ do: 'finding', finding: null, answer });
  };

  if (hold.design.views.length === 0 || Object.keys(document.asFound.components).length === 0) {
    return (
      <main className="page">
        <p className="empty">{t('plan.nothingIsSurveyedYetStart')}</p>
      </main>
    );
  }
  // What is drawn but is no part of its own (a cord, outlets on a unit) opens nothing.
  const openPart = (id: string) => parts[id] && setOpened(id);
  const movable = mayPlan && plan !== null;
  const mayMove = (id: string) => Object.keys(answer?.moves[id] ?? {}).length > 0 && setMoving(id);
  const shared = {
    state: byHand && settled.data ? HAND : stateId,
    scenario: scenarioId,
    focus,
    chosen,
    onChoose: (id: string | null) => go({ do: 'touch', id }),
    volts: at.volts ? (settled.data?.flow.volts ?? null) : null,
    onToggle:
      at.rail === 'hand' && open
        ? (device: string) => {
            const positions = Object.keys(answer?.controls.find((c) => c.id === device)?.positions ?? {});
            const now = positions.indexOf(setting?.controls[device] ?? '');
            if (positions.length > 1)
              go({ do: 'set', id: device, position: positions[(now + 1) % positions.length]!, pedestal: false });
          }
        : undefined,
    onMove: mayMove,
    onOpen: plan === null || mayPlan ? openPart : undefined,
    opens: (id: string) => id in parts,
    movable,
  };
  return (
    <main className="planplace">
      <div className={`plan-bar ${narrow ? 'plan-bar-narrow' : ''}`}>
        <FormSwitch
          form={at.form}
          show={(form) => go({ do: 'show', form })}
          plans={hold.design.views.filter((v) => v.plan !== null).length > 1}
          planned={plan !== null}
          narrow={narrow}
        />
        <ViewSwitch
          hold={hold}
          viewId={viewId}
          setViewId={look}
          short={narrow || hold.design.views.length > SIDE_BY_SIDE}
        />
        {mayPlan && (
          <Button onClick={() => setChoosing(true)} type={plan ? 'default' : 'primary'}>
            {plan ? t('plan.arrangement2') : t('plan.planARetrofit')}
          </Button>
        )}
        {answer && (
          <StateStrip
            answer={answer}
            state={byHand ? HAND : stateId}
            choose={(id) => go({ do: 'state', id })}
            fault={at.fault}
          />
        )}
        {answer && (
          <FaultSelect
            answer={answer}
            state={byHand ? HAND : stateId}
            choose={(id) => go({ do: 'state', id })}
            fault={at.fault}
            setFault={(id) => {
              const fault = answer.faults.find((f) => f.id === id);
              if (fault) go({ do: 'fault', fault });
            }}
          />
        )}
        {scenarios.length > 0 && (
          <select
            className="running"
            aria-label={t('plan.running')}
            title={t('plan.whatIsRunning')}
            value={scenarioId ?? ''}
            onChange={(e) => go({ do: 'scenario', id: e.target.value })}
          >
            {scenarios.map(([id, title]) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        )}
        <button
          type="button"
          className="strip-state"
          aria-pressed={at.volts}
          onClick={() => go({ do: 'volts' })}
          title={t('plan.voltsAtOutletsByLoad')}
        >
          {t('plan.volts')}
        </button>
      </div>
      {answer ? (
        <>
          <div className={`plan-body ${narrow ? 'plan-narrow' : ''}`}>
            <div className={clsx('wall-frame', { 'is-view': at.form === 'wall' })}>
              {at.fault && (
                <p className="fault-band" role="status">
                  <b>
                    {t('plan.pedestalFault', {
                      replace: answer.faults.find((f) => f.id === at.fault)?.title.replace('shore: ', ''),
                    })}
                  </b>
                  <button type="button" onClick={() => go({ do: 'state', id: stateId })}>
                    {t('plan.backToASoundOne')}
                  </button>
                </p>
              )}
              {at.form === 'wall' &&
                (geometry ? (
                  <MovesContext.Provider value={movable ? answer.moves : MOVES_NOWHERE}>
                    <Dragging answer={answer} onMove={land}>
                      <WallView extent={extentOf(answer.wall, geometry)}>
                        <Wall answer={seen ?? answer} geometry={geometry} {...shared} />
                      </WallView>
                    </Dragging>
                  </MovesContext.Provider>
                ) : (
                  <Waiting what={t('plan.theWall')} />
                ))}
              {at.form === 'list' && <ListForm answer={seen ?? answer} {...shared} />}
              {at.form === 'plans' && (
                <PlansTable
                  hold={hold}
                  open={(v) => {
                    look(v);
                    go({ do: 'show', form: 'wall' });
                  }}
                />
              )}
              {at.form === 'table' && <LiveTable answer={answer} />}
              {at.form === 'compare' && asFound && geometry && (
                <Compare before={asFound} after={answer} walls={geometry} {...shared} title={view?.title ?? ''} />
              )}
              {at.form === 'changes' && plan && (
                <Changes hold={hold} plan={plan} mayPlan={mayPlan} open={openPart} look={look} />
              )}
            </div>
            <div className={clsx('railbox', { 'railbox-narrow': narrow, 'railbox-folded': !narrow && !open })}>
              <RailTabs
                answer={answer}
                shown={open ? at.rail : null}
                choose={(rail) => go({ do: 'rail', rail, open: !narrow || at.rail !== rail || !open })}
                fold={narrow ? null : () => go({ do: 'fold' })}
              />
              {open && at.rail === 'findings' && (
                <FindingsRail
                  answer={answer}
                  focus={focus}
                  pick={(finding) => go({ do: 'finding', finding, answer })}
                  offers={
                    plan && mayPlan && view
                      ? (f) => (
                          <Offers
                            job={hold.design.id}
                            revision={hold.design.revision}
                            view={view.id}
                            finding={f.id}
                            busy={hold.saving}
                            take={take}
                          />
                        )
                      : null
                  }
                  chosen={chosen}
                  unchoose={() => go({ do: 'touch', id: null })}
                  move={movable && chosen && answer.moves[chosen] ? mayMove : null}
                  open={chosen && parts[chosen] && shared.onOpen ? () => openPart(chosen) : null}
                  forms={forms}
                />
              )}
              {open && at.rail === 'hand' && setting && (
                <Beside label={t('plan.byHand2')}>
                  <HandPanel
                    answer={answer}
                    setting={setting}
                    set={(id, position, pedestal) => go({ do: 'set', id, position, pedestal })}
                    settled={settled.data}
                    about={chosen}
                    all={() => go({ do: 'touch', id: null })}
                    reset={() => go({ do: 'state', id: stateId })}
                  />
                </Beside>
              )}
              {open && at.rail === 'meter' && setting && (
                <Beside label={t('plan.meter')}>
                  <MeterPanel
                    job={hold.design.id}
                    revision={hold.design.revision}
                    view={viewId}
                    answer={answer}
                    setting={setting}
                    running={running}
                    about={chosen}
                    touches={at.touches}
                  />
                </Beside>
              )}
            </div>
          </div>
          <Cautions />
        </>
      ) : (
        <Waiting what={t('plan.theConsequences')} />
      )}
      {answer && plan && moving && (
        <MoveDialog
          answer={answer}
          circuit={moving}
          close={() => setMoving(null)}
          move={(to) => hold.edit({ kind: 'move_circuit', plan, circuit: moving, ...to })}
        />
      )}
      {opened && <PartDrawer hold={hold} plan={plan} id={opened} close={() => setOpened(null)} />}
      {choosing && <ArrangementDialog hold={hold} plan={plan} close={() => setChoosing(false)} open={look} />}
    </main>
  );
}

/** What stands beside the wall and scrolls by itself. */
function Beside({ label, children }: { label: string; children: ReactNode }) {
  return (
    <aside className="rail" aria-label={label}>
      <div className="rail-scroll" tabIndex={0} role="region" aria-label={t('plan.scrollable', { label })}>
        {children}
      </div>
    </aside>
  );
}

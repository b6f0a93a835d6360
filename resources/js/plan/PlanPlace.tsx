import clsx from 'clsx';
import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Answer, Finding } from '../api/client';
import type { PlaceProps } from '../job/place';
import { referenceQuery } from '../job/useDesign';
import { ViewSwitch } from '../job/ViewSwitch';
import { PartDrawer } from '../parts/PartDrawer';
import { plannedParts } from '../parts/planned';
import { useMe } from '../shell/Session';
import { ComponentDrawer } from '../survey/ComponentDrawer';
import { extentOf } from '../wall/Extent';
import { ListForm } from '../wall/ListForm';
import { stateOf } from '../wall/paint';
import { useGeometry } from '../wall/useGeometry';
import { Wall } from '../wall/Wall';
import { WallView } from '../wall/WallView';
import { Cautions } from '../ui/Cautions';
import { useWidth } from '../ui/useWidth';
import { Waiting } from '../ui/Waiting';
import { ArrangementDialog } from './ArrangementDialog';
import { Changes } from './Changes';
import { Compare } from './Compare';
import { FindingsRail } from './FindingsRail';
import { FormSwitch, type Form } from './FormSwitch';
import { HandPanel } from './HandPanel';
import { LiveTable } from './LiveTable';
import { MeterPanel } from './MeterPanel';
import { Offers, type Offer } from './Offers';
import { MoveDialog } from './MoveDialog';
import { PlansTable } from './PlansTable';
import { RailTabs, type Rail } from './RailTabs';
import { FaultSelect, StateStrip } from './StateStrip';
import { usePlanKeys } from './usePlanKeys';
import { runningIn, seenAs, useSettled, type Setting } from './useSettled';

/** the state that is none of the named ones */
const HAND = 'by_hand';

const NARROW = 1000;
/** Views that stand side by side among the controls; more of them become a list. */
const SIDE_BY_SIDE = 3;

/** The centre of a job: the wall, its states and its findings. */
export default function PlanPlace({ hold, viewId, setViewId }: PlaceProps) {
  const me = useMe();
  const forms = useQuery(referenceQuery).data?.forms;
  const width = useWidth();
  const narrow = width < NARROW;
  const [form, setForm] = useState<Form>('wall');
  const [state, setState] = useState('');
  const [scenario, setScenario] = useState('');
  const [focusId, setFocusId] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [moving, setMoving] = useState<string | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const [choosing, setChoosing] = useState(false);
  const [railShown, setRail] = useState<Rail>('findings');
  const [hand, setHand] = useState<Setting | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [volts, setVolts] = useState(false);
  // Beside the rig the panels start folded away; a tab brings them up and puts them down.
  const [sheet, setSheet] = useState(!narrow);
  const lastPlanned = useRef('');

  const view = hold.view(viewId);
  const answer = hold.answer(viewId);
  const asFound = hold.answer('as_found');
  const mayPlan = me?.role !== 'apprentice';
  const plan = view?.plan ?? null;
  useEffect(() => {
    if (plan) lastPlanned.current = viewId;
  }, [plan, viewId]);

  const states = useMemo(() => answer?.states ?? [], [answer]);
  const stateId = states.some((s) => s.id === state)
    ? state
    : ((states.find((s) => s.about === 'inverting') ?? states.find((s) => s.about === 'shore') ?? states[0])?.id ?? '');
  const scenarios = Object.entries(answer?.scenarios ?? {});
  const scenarioId = scenarios.some(([s]) => s === scenario) ? scenario : (scenarios[0]?.[0] ?? null);
  const focus = answer?.findings.find((f) => f.id === focusId) ?? null;
  const named = states.find((s) => s.id === stateId);
  // The state as named, or as somebody has set it by hand.
  const setting = useMemo<Setting | null>(
    () => hand ?? (named ? { controls: named.controls, surroundings: named.surroundings } : null),
    [hand, named],
  );
  const running = useMemo(
    () => (answer ? runningIn(hold.design.document, answer, scenarioId) : []),
    [hold.design.document, answer, scenarioId],
  );
  const settled = useSettled(hold.design.id, hold.design.revision, viewId, answer ? setting : null, running);
  const seen = useMemo<Answer | undefined>(
    () =>
      answer && settled.data ? seenAs(answer, settled.data, hand ? HAND : stateId, hand !== null, scenarioId) : answer,
    [answer, settled.data, hand, stateId, scenarioId],
  );
  const parts = useMemo(() => plannedParts(hold.design.document, plan), [hold.design.document, plan]);
  const walls = useMemo(() => [asFound?.wall, answer?.wall].filter((w) => w !== undefined), [asFound, answer]);
  const geometry = useGeometry(walls, narrow);

  /** A named state, in place of whatever was set by hand or wrong with the pedestal. */
  const choose = useCallback((id: string) => {
    setHand(null);
    setFault(null);
    setState(id);
  }, []);
  const look = useCallback(
    (id: string) => {
      setFocusId(null);
      setHand(null);
      setFault(null);
      setViewId(id);
    },
    [setViewId],
  );
  const pick = useCallback(
    (finding: Finding | null) => {
      setFocusId(finding?.id ?? null);
      if (!finding || !answer) return;
      const { state: shows, controls, surroundings } = finding.witness;
      setFault(null);
      if (shows) choose(shows);
      else if (controls) {
        // No named state shows it: the wall goes into the very setting that does.
        setHand({ controls, surroundings: surroundings ?? {} });
        const near = stateOf(finding, answer);
        if (near) setState(near);
      }
    },
    [answer, choose],
  );

  const swap = useCallback(() => {
    if (viewId !== 'as_found') look('as_found');
    else if (lastPlanned.current) look(lastPlanned.current);
  }, [viewId, look]);

  usePlanKeys({
    states,
    choose,
    leave: () => pick(null),
    swap,
    show: setForm,
  });

  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
    useSensor(KeyboardSensor),
  );
  const drop = (e: DragEndEvent) => {
    const circuit = e.active.data.current?.circuit as string | undefined;
    const panel = e.over?.id.toString().replace(/^tray:/, '');
    const from = answer?.table.find((r) => r.circuit === circuit)?.panel;
    if (circuit && panel && plan && panel !== from)
      void hold.edit({ kind: 'move_circuit', plan, circuit, panel, wires: 'both' });
  };
  const take = async (offer: Offer) => {
    if (await hold.edit(offer.intent as never)) setFocusId(null);
  };

  if (hold.design.views.length === 0 || Object.keys(hold.design.document.asFound.components).length === 0) {
    return (
      <main className="page">
        <p className="empty">Nothing is surveyed yet. Start in Survey: a factory layout, then only the differences.</p>
      </main>
    );
  }
  const showFault = (id: string) => {
    const found = answer?.faults.find((f) => f.id === id);
    if (!found) return;
    setHand({ controls: found.controls, surroundings: found.surroundings });
    setFault(id);
  };
  const change = (id: string, position: string, pedestal: boolean) => {
    if (!setting) return;
    if (pedestal) setFault(null);
    setHand(
      pedestal
        ? { ...setting, surroundings: { ...setting.surroundings, [id]: position } }
        : { ...setting, controls: { ...setting.controls, [id]: position } },
    );
  };
  // What is drawn but is no part of its own (a cord, outlets on a unit) opens nothing.
  const open = (id: string) => parts[id] && setOpened(id);
  const shared = {
    state: hand && settled.data ? HAND : stateId,
    scenario: scenarioId,
    focus,
    chosen,
    onChoose: setChosen,
    volts: volts ? (settled.data?.flow.volts ?? null) : null,
    onToggle:
      railShown === 'hand'
        ? (device: string) => {
            const positions = Object.keys(answer?.controls.find((c) => c.id === device)?.positions ?? {});
            const at = positions.indexOf(setting?.controls[device] ?? '');
            if (positions.length > 1) change(device, positions[(at + 1) % positions.length]!, false);
          }
        : undefined,
    onMove: setMoving,
    onOpen: plan === null || mayPlan ? open : undefined,
    opens: (id: string) => id in parts,
    movable: mayPlan && plan !== null,
  };
  return (
    <main className="planplace">
      <div className={`plan-bar ${narrow ? 'plan-bar-narrow' : ''}`}>
        <FormSwitch
          form={form}
          show={setForm}
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
            {plan ? 'Arrangement …' : 'Plan a retrofit …'}
          </Button>
        )}
        {answer && <StateStrip answer={answer} state={hand ? HAND : stateId} choose={choose} fault={fault} />}
        {answer && <FaultSelect answer={answer} fault={fault} setFault={showFault} />}
        {scenarios.length > 0 && (
          <select
            className="running"
            aria-label="running"
            title="what is running"
            value={scenarioId ?? ''}
            onChange={(e) => setScenario(e.target.value)}
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
          aria-pressed={volts}
          onClick={() => setVolts(!volts)}
          title="volts at outlets, by load flow"
        >
          volts
        </button>
      </div>
      {answer ? (
        <>
          <div className={`plan-body ${narrow ? 'plan-narrow' : ''}`}>
            <div className={clsx('wall-frame', { 'is-view': form === 'wall' })}>
              {fault && (
                <p className="fault-band" role="status">
                  <b>Pedestal fault: {answer.faults.find((f) => f.id === fault)?.title.replace('shore: ', '')}</b>
                  <button type="button" onClick={() => choose(stateId)}>
                    back to a sound one
                  </button>
                </p>
              )}
              {form === 'wall' &&
                (geometry ? (
                  <DndContext sensors={sensors} onDragEnd={drop}>
                    <WallView extent={extentOf(answer.wall, geometry)}>
                      <Wall answer={seen ?? answer} geometry={geometry} {...shared} />
                    </WallView>
                  </DndContext>
                ) : (
                  <Waiting what="the wall" />
                ))}
              {form === 'list' && <ListForm answer={seen ?? answer} {...shared} />}
              {form === 'plans' && (
                <PlansTable
                  hold={hold}
                  open={(v) => {
                    look(v);
                    setForm('wall');
                  }}
                />
              )}
              {form === 'table' && <LiveTable answer={answer} />}
              {form === 'compare' && asFound && geometry && (
                <Compare before={asFound} after={answer} walls={geometry} {...shared} title={view?.title ?? ''} />
              )}
              {form === 'changes' && plan && (
                <Changes hold={hold} plan={plan} mayPlan={mayPlan} open={open} look={look} />
              )}
            </div>
            <div className={clsx('railbox', { 'railbox-narrow': narrow, 'railbox-folded': !narrow && !sheet })}>
              <RailTabs
                answer={answer}
                shown={sheet ? railShown : null}
                choose={(id) => {
                  setSheet(!narrow || railShown !== id || !sheet);
                  setRail(id);
                }}
                fold={narrow ? null : () => setSheet(false)}
              />
              {sheet && railShown === 'findings' && (
                <FindingsRail
                  answer={answer}
                  focus={focus}
                  pick={pick}
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
                  unchoose={() => setChosen(null)}
                  move={shared.movable ? setMoving : null}
                  open={chosen && parts[chosen] && shared.onOpen ? () => open(chosen) : null}
                  forms={forms}
                />
              )}
              {sheet && railShown !== 'findings' && setting && (
                <aside className="rail" aria-label={railShown === 'hand' ? 'By hand' : 'Meter'}>
                  <div
                    className="rail-scroll"
                    tabIndex={0}
                    role="region"
                    aria-label={railShown === 'hand' ? 'By hand, scrollable' : 'Meter, scrollable'}
                  >
                    {railShown === 'hand' ? (
                      <HandPanel
                        answer={answer}
                        setting={setting}
                        set={change}
                        settled={settled.data}
                        about={chosen}
                        reset={() => {
                          choose(stateId);
                          setChosen(null);
                        }}
                      />
                    ) : (
                      <MeterPanel
                        job={hold.design.id}
                        revision={hold.design.revision}
                        view={viewId}
                        answer={answer}
                        setting={setting}
                        running={running}
                        about={chosen}
                      />
                    )}
                  </div>
                </aside>
              )}
            </div>
          </div>
          <Cautions />
        </>
      ) : (
        <Waiting what="the consequences" />
      )}
      {answer && plan && moving && (
        <MoveDialog
          answer={answer}
          circuit={moving}
          close={() => setMoving(null)}
          move={(to) => hold.edit({ kind: 'move_circuit', plan, circuit: moving, ...to })}
        />
      )}
      {opened && plan && <PartDrawer hold={hold} plan={plan} id={opened} close={() => setOpened(null)} />}
      {opened && !plan && <ComponentDrawer hold={hold} id={opened} close={() => setOpened(null)} />}
      {choosing && <ArrangementDialog hold={hold} plan={plan} close={() => setChoosing(false)} open={look} />}
    </main>
  );
}

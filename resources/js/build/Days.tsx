import { useQuery, useQueryClient, keepPreviousData } from '@tanstack/react-query';
import { App, Button } from 'antd';
import clsx from 'clsx';
import { useMemo, useRef, useState, type PointerEvent } from 'react';
import { api, ApiError, unwrap, type Schedule } from '../api/client';
import { useSize } from '../ui/useSize';
import { Failed, Waiting } from '../ui/Waiting';
import { dayAt, localIn, picture } from './days';
import type { BuildHold } from './useBuild';
import { lasting } from './words';
import { t } from '../words/t';
import './Days.css';

/** The same rope, laid along days and people: what can be late, what cannot, when the rig is ready. */
export function Days({ job, plan, hold }: { job: number; plan: string | null; hold: BuildHold }) {
  const schedule = useQuery<Schedule>({
    queryKey: ['schedule', job, plan, hold.build.last, hold.build.revision],
    placeholderData: keepPreviousData,
    queryFn: async ({ signal }) =>
      unwrap(
        await api.GET('/jobs/{job}/schedule', {
          params: { path: { job }, query: { ...(plan ? { plan } : {}), slips: true } },
          signal,
        }),
      ),
  });
  const [chosen, choose] = useState<string | null>(null);
  if (schedule.error) return <Failed error={schedule.error} again={() => void schedule.refetch()} />;
  if (!schedule.data) return <Waiting what={t('build.theDays')} />;
  const s = schedule.data;
  if (s.tasks.length === 0) return <p className="empty">{t('build.allDone')}</p>;
  const pin = (step: string, date: string | null) => void hold.write('pin', step, date ? { date } : {});
  return (
    <section className="sheet-panel">
      <div className="sheet-head">
        <h1>{t('build.ready', { at: dayWords(s.zone, s.ends) })}</h1>
        <span className="quiet">
          {t('build.handsAlone', { hands: lasting(s.handsMin), alone: lasting(s.aloneMin) })}
          {s.proved ? ` · ${t('build.noSooner')}` : ` · ${t('build.soonest', { at: dayWords(s.zone, s.lowest) })}`}
        </span>
        <span className="spring" />
        <Dates job={job} hold={hold} />
        <Button href={`/api/v1/jobs/${job}/calendar${plan ? `?plan=${encodeURIComponent(plan)}` : ''}`}>
          {t('build.calendar')}
        </Button>
      </div>
      {s.lateMin !== null && s.lateMin > 0 && <p className="turn">{t('build.tooLate', { day: s.goesOn })}</p>}
      {s.again.length > 0 && <p>{t('build.proveAgain', { days: s.again.join(', ') })}</p>}
      <Laid schedule={s} hold={hold} chosen={chosen} choose={choose} pin={hold.build.draft ? null : pin} />
      <Slips schedule={s} />
      <TaskTable schedule={s} hold={hold} chosen={chosen} choose={choose} pin={hold.build.draft ? null : pin} />
    </section>
  );
}

const LANE = 62;
const HEAD = 26;

interface LaidProps {
  schedule: Schedule;
  hold: BuildHold;
  chosen: string | null;
  choose: (step: string | null) => void;
  /** null where nothing may be moved */
  pin: ((step: string, day: string | null) => void) | null;
}

function Laid({ schedule, hold, chosen, choose, pin }: LaidProps) {
  const box = useRef<HTMLDivElement>(null);
  const width = useSize(box).w;
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ step: string; from: number; by: number } | null>(null);
  const perDay = useMemo(() => {
    const narrow = picture(schedule, 0);
    const worked = narrow.days.filter((d) => d.worked).length;
    return Math.max(260, Math.floor((width - 125 - narrow.width) / Math.max(1, worked)));
  }, [schedule, width]);
  const drawn = useMemo(() => picture(schedule, perDay), [schedule, perDay]);
  const gates = useMemo(() => new Set(hold.build.steps.filter((s) => s.gate).map((s) => s.id)), [hold.build.steps]);
  const lanes = [...drawn.lanes, t('build.byItself')];
  const height = HEAD + lanes.length * LANE + 6;
  const at = (e: PointerEvent) => {
    const rect = svg.current!.getBoundingClientRect();
    return e.clientX - rect.left - 12;
  };
  // The rope runs through what may not be late.
  const rope = schedule.critical
    .map((id) => drawn.blocks.find((b) => b.step === id))
    .filter((b) => b !== undefined)
    .sort((a, b) => a.x - b.x)
    .map((b) => `${b.x} ${HEAD + b.lane * LANE + LANE / 2}`);
  return (
    <div className="days" ref={box}>
      <ul className="day-lanes" aria-hidden="true">
        {lanes.map((l) => (
          <li key={l}>{l}</li>
        ))}
      </ul>
      <div className="day-scroll" tabIndex={0} role="region" aria-label={t('build.daysPicture')}>
        <svg
          ref={svg}
          width={drawn.width + 24}
          height={height}
          viewBox={`-12 0 ${drawn.width + 24} ${height}`}
          role="img"
          aria-label={t('build.daysPicture')}
        >
          {drawn.days.map((d) => (
            <g key={d.day}>
              <rect className="day" x={d.x} y={HEAD} width={d.width} height={height - HEAD - 6} />
              {d.worked && (
                <text className="day-name" x={d.x + 4} y={17}>
                  {dayName(d.day)}
                </text>
              )}
            </g>
          ))}
          {rope.length > 1 && <path className="day-rope" d={`M${rope.join(' L')}`} />}
          {drawn.blocks.map((b, n) => {
            const y = HEAD + b.lane * LANE + 8;
            const moved = drag?.step === b.step && !b.alone ? drag.by : 0;
            return (
              <g
                key={n}
                className={clsx(
                  'day-block',
                  b.critical && 'is-critical',
                  b.alone && 'is-alone',
                  chosen === b.step && 'is-chosen',
                  pin && !b.alone && 'can-move',
                )}
                transform={`translate(${b.x + moved} ${y})`}
                onClick={() => choose(b.step)}
                onPointerDown={(e) => {
                  if (!pin || b.alone) return;
                  e.currentTarget.setPointerCapture(e.pointerId);
                  setDrag({ step: b.step, from: at(e), by: 0 });
                }}
                onPointerMove={(e) => drag && setDrag({ ...drag, by: at(e) - drag.from })}
                onPointerUp={(e) => {
                  if (drag && pin && Math.abs(drag.by) > 12) {
                    const day = dayAt(drawn, at(e));
                    if (day) pin(drag.step, day);
                  }
                  setDrag(null);
                }}
              >
                <title>{b.title}</title>
                <rect width={b.width} height={LANE - 16} />
                {gates.has(b.step) && !b.alone && <path className="day-knot" d="M0 14 9 23 0 32 -9 23Z" />}
                {b.width > 46 && (
                  <foreignObject x={gates.has(b.step) ? 11 : 4} y={1} width={b.width - 14} height={LANE - 18}>
                    <p>{b.title}</p>
                  </foreignObject>
                )}
              </g>
            );
          })}
        </svg>
      </div>
    </div>
  );
}

/** What a day's delay of each thing that is waited for does to the end. */
function Slips({ schedule }: { schedule: Schedule }) {
  if (schedule.slips.length === 0) return null;
  return (
    <div className="slips">
      <h2>{t('build.whatSlips')}</h2>
      <ul>
        {schedule.slips.slice(0, 6).map((s) => (
          <li key={s.key}>
            {s.words.replaceAll('_', ' ')}{' '}
            <b>{s.slipMin === 0 ? t('build.slipsNothing') : t('build.slips', { time: lasting(s.slipMin) })}</b>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The same as a table: for keyboards, readers and whoever wants the minute. */
function TaskTable({ schedule, hold, chosen, choose, pin }: LaidProps) {
  const names = new Map(schedule.people.map((p) => [p.id, p.name]));
  return (
    <details className="day-table" open={chosen !== null}>
      <summary>{t('build.asTable')}</summary>
      <table className="build-table">
        <thead>
          <tr>
            <th scope="col">{t('build.step')}</th>
            <th scope="col">{t('build.begins')}</th>
            <th scope="col">{t('build.endsAt')}</th>
            <th scope="col">{t('build.who')}</th>
            <th scope="col">{t('build.mayBeLate')}</th>
            <th scope="col">{t('build.notBefore')}</th>
          </tr>
        </thead>
        <tbody>
          {schedule.tasks.map((task) => (
            <tr key={task.step} className={task.step === chosen ? 'is-chosen' : ''} onClick={() => choose(task.step)}>
              <td>{task.title}</td>
              <td className="figures">{dayWords(schedule.zone, task.from)}</td>
              <td className="figures">{dayWords(schedule.zone, task.to)}</td>
              <td>{task.people.map((p) => names.get(p)).join(', ')}</td>
              <td className="figures">{task.floatMin === 0 ? t('build.notAtAll') : lasting(task.floatMin)}</td>
              <td>
                <input
                  type="date"
                  aria-label={t('build.notBeforeOf', { step: task.title })}
                  disabled={!pin}
                  value={hold.build.pins[task.step] ?? ''}
                  onChange={(e) => pin?.(task.step, e.target.value || null)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** When the rig is brought and fetched. */
function Dates({ job, hold }: { job: number; hold: BuildHold }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const set = async (comesOn: string | null, goesOn: string | null) => {
    try {
      unwrap(await api.PUT('/jobs/{job}/dates', { params: { path: { job } }, body: { comesOn, goesOn } }));
      await client.invalidateQueries({ queryKey: ['build', job] });
      await client.invalidateQueries({ queryKey: ['schedule', job] });
    } catch (e) {
      void message.error(e instanceof ApiError ? (e.problems[0]?.message ?? e.message) : t('build.noConnection'), 6);
    }
  };
  const { comesOn, goesOn } = hold.build;
  return (
    <>
      <label className="picker">
        {t('build.comes')}
        <input type="date" value={comesOn ?? ''} onChange={(e) => void set(e.target.value || null, goesOn)} />
      </label>
      <label className="picker">
        {t('build.goes')}
        <input type="date" value={goesOn ?? ''} onChange={(e) => void set(comesOn, e.target.value || null)} />
      </label>
    </>
  );
}

function dayName(day: string): string {
  return new Date(`${day}T12:00:00Z`).toLocaleDateString([], {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  });
}

function dayWords(zone: string, iso: string): string {
  const at = localIn(zone)(iso);
  const h = Math.floor(at.minute / 60);
  return `${dayName(at.day)} ${h}:${String(at.minute % 60).padStart(2, '0')}`;
}

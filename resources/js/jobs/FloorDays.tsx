import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, unwrap, type Floor } from '../api/client';
import { after, localIn } from '../build/days';
import { t } from '../words/t';
import './FloorDays.css';

/** Days drawn at least and at most. */
const LEAST = 7;
const MOST = 28;

/** The bays of the workshop over the coming days: which rig stands where until when, and which is late. */
export function FloorDays() {
  const floor = useQuery<Floor>({
    queryKey: ['floor'],
    staleTime: 20_000,
    queryFn: async () => unwrap(await api.GET('/floor')),
  });
  if (!floor.data || floor.data.jobs.length === 0) return null;
  const local = localIn(floor.data.jobs[0]!.zone);
  const rows = floor.data.jobs.map((j) => ({
    ...j,
    first: local(j.tasks[0]?.from ?? j.from).day,
    last: local(j.ends).day,
  }));
  const days: string[] = [];
  const begin = rows.map((r) => r.first).sort()[0]!;
  const end = rows
    .flatMap((r) => [r.last, r.goesOn ?? ''])
    .sort()
    .at(-1)!;
  for (let day = begin; (day <= end || days.length < LEAST) && days.length < MOST; day = after(day)) days.push(day);
  const column = (day: string) => Math.max(0, days.indexOf(day) === -1 ? days.length - 1 : days.indexOf(day));
  return (
    <section className="floor-days" aria-label={t('jobs.theBays')}>
      <div className="floor-grid" style={{ gridTemplateColumns: `70px repeat(${days.length}, 1fr)` }}>
        {days.map((d, n) => (
          <span key={d} className="floor-day" style={{ gridColumn: n + 2 }}>
            {new Date(`${d}T12:00:00Z`).toLocaleDateString([], { weekday: 'short', day: 'numeric', timeZone: 'UTC' })}
          </span>
        ))}
        {Array.from({ length: floor.data.bays }, (_, n) => (
          <b key={n} className="floor-bay" style={{ gridRow: n + 2 }}>
            {t('jobs.bay', { bay: n + 1 })}
          </b>
        ))}
        {rows.map((r) => (
          <Link
            key={r.job}
            to={`/jobs/${r.job}/build`}
            className={r.lateMin ? 'floor-rig is-late' : 'floor-rig'}
            style={{ gridRow: r.bay + 1, gridColumn: `${column(r.first) + 2} / ${column(r.last) + 3}` }}
            title={t('jobs.readyOn', { title: r.title, day: r.last })}
          >
            {r.title}
            {r.lateMin ? ` · ${t('jobs.lateFor', { day: r.goesOn })}` : ''}
          </Link>
        ))}
      </div>
    </section>
  );
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Input } from 'antd';
import { useState } from 'react';
import { api, ApiError, unwrap } from '../api/client';
import { Failed, Waiting } from '../ui/Waiting';
import { clockOf, minutesOf, WEEK } from './hours';
import { t } from '../words/t';
import './Hours.css';

const load = async () => unwrap(await api.GET('/workshop/hours'));

type Kept = Awaited<ReturnType<typeof load>>;

/** When people work here, how many rigs stand in it, and where it is: what schedules rest on. */
export function Hours() {
  const hours = useQuery({ queryKey: ['hours'], queryFn: load });
  if (hours.error) return <Failed error={hours.error} again={() => void hours.refetch()} />;
  if (!hours.data) return <Waiting what={t('workshop.hours')} />;
  return <HoursForm key={JSON.stringify(hours.data)} of={hours.data} />;
}

function HoursForm({ of }: { of: Kept }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [week, setWeek] = useState<Record<string, string>>(() =>
    Object.fromEntries(WEEK.map((_, n) => [n + 1, clockOf(of.week[n + 1] ?? [])])),
  );
  const [closed, setClosed] = useState(of.closed.join(' '));
  const [bays, setBays] = useState(String(of.bays));
  const [latitude, setLatitude] = useState(String(of.latitude));
  const [longitude, setLongitude] = useState(String(of.longitude));
  const [trouble, setTrouble] = useState('');
  const save = async () => {
    const spans: Record<string, number[][]> = {};
    for (const [day, text] of Object.entries(week)) {
      const read = minutesOf(text);
      if (read === null) return setTrouble(t('workshop.hoursLike', { day: WEEK[Number(day) - 1] }));
      if (read.length > 0) spans[day] = read;
    }
    const days = closed.split(/[\s,]+/).filter(Boolean);
    if (days.some((d) => !/^\d{4}-\d{2}-\d{2}$/.test(d))) return setTrouble(t('workshop.daysLike'));
    const [n, lat, lon] = [bays, latitude, longitude].map((v) => (v.trim() === '' ? NaN : Number(v)));
    if ([n, lat, lon].some((v) => Number.isNaN(v))) return setTrouble(t('workshop.numbersHere'));
    setTrouble('');
    try {
      const kept = unwrap(
        await api.PUT('/workshop/hours', {
          body: { week: spans, closed: days, bays: n!, latitude: lat!, longitude: lon! },
        }),
      );
      client.setQueryData(['hours'], kept);
      void message.success(t('workshop.hoursKept'), 3);
    } catch (e) {
      setTrouble(
        e instanceof ApiError ? [e.message, ...e.problems.map((p) => p.message)].join(' ') : t('workshop.away'),
      );
    }
  };
  return (
    <section className="sheet-panel">
      <h1>{t('workshop.hoursOf', { zone: of.zone })}</h1>
      <div className="hours-week">
        {WEEK.map((day, n) => (
          <label key={day}>
            {day}
            <Input
              value={week[n + 1]}
              placeholder={t('workshop.notThere')}
              onChange={(e) => setWeek({ ...week, [n + 1]: e.target.value })}
            />
          </label>
        ))}
      </div>
      <label className="hours-closed">
        {t('workshop.closedDays')}
        <Input value={closed} onChange={(e) => setClosed(e.target.value)} />
      </label>
      <div className="hours-week">
        <label>
          {t('workshop.bays')}
          <Input value={bays} onChange={(e) => setBays(e.target.value)} />
        </label>
        <label>
          {t('workshop.latitude')}
          <Input value={latitude} onChange={(e) => setLatitude(e.target.value)} />
        </label>
        <label>
          {t('workshop.longitude')}
          <Input value={longitude} onChange={(e) => setLongitude(e.target.value)} />
        </label>
      </div>
      {trouble && (
        <p className="turn" role="alert">
          {trouble}
        </p>
      )}
      <Button type="primary" onClick={() => void save()}>
        {t('workshop.keepHours')}
      </Button>
    </section>
  );
}

import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Stay } from '../api/client';
import { t } from '../words/t';
import { clock, moved, pieces, stretched, thickness, wattsOf, type NeedLoad, type Span } from './loads';
import './DayBand.css';

const HOURS = [0, 3, 6, 9, 12, 15, 18, 21, 24];

interface Props {
  loads: [string, NeedLoad][];
  day: Stay['day'] | undefined;
  trip: { driveFromH: number; driveH: number };
  mayChange: boolean;
  setSpan: (load: string, span: string, to: Span | null) => void;
  addSpan: (load: string, at: number) => void;
  open: (load: string) => void;
}

/** Twenty-four hours as a strip: what comes in above the line, loads as bars that are dragged and stretched below. */
export function DayBand({ loads, day, trip, mayChange, setSpan, addSpan, open }: Props) {
  const rows = new Map(day?.rows.map((r) => [r.id, r]));
  return (
    <div className="day-band">
      <Sky day={day} trip={trip} />
      {loads.map(([id, load]) => {
        const row = rows.get(id);
        const { value, assumed } = wattsOf(load);
        return (
          <div key={id} className={`band-row ${row && !row.runs ? 'is-out' : ''}`}>
            <button type="button" className="band-name" onClick={() => open(id)}>
              <span>{load.label}</span>
              <small className={`figures ${assumed ? 'is-assumed' : ''}`}>
                {(load.count ?? 1) > 1 && `${load.count} × `}
                {assumed && '~'}
                {value} W
              </small>
            </button>
            <div
              className="band-track"
              onDoubleClick={(e) => {
                if (!mayChange || e.target !== e.currentTarget) return;
                const box = e.currentTarget.getBoundingClientRect();
                addSpan(id, Math.floor(((e.clientX - box.left) / box.width) * 96) / 4);
              }}
            >
              {Object.entries(load.spans ?? {}).map(([name, span]) => (
                <Bar
                  key={name}
                  label={load.label}
                  watts={(row?.fullW ?? value) || 0}
                  direct={load.supply === 'dc'}
                  span={span}
                  fixed={!mayChange}
                  set={(to) => setSpan(id, name, to)}
                />
              ))}
            </div>
            <small className="band-sum figures">{row ? t('needs.wh', { wh: Math.round(row.dayWh) }) : ''}</small>
          </div>
        );
      })}
      <div className="band-hours figures" aria-hidden="true">
        {HOURS.map((h) => (
          <span key={h} style={{ left: `${(h / 24) * 100}%` }}>
            {String(h % 24).padStart(2, '0')}
          </span>
        ))}
      </div>
    </div>
  );
}

/** What comes in: the sun as it stands over the day, driving as a block. */
function Sky({ day, trip }: { day: Stay['day'] | undefined; trip: Props['trip'] }) {
  const sun = day?.sunW ?? [];
  const most = Math.max(1, ...sun);
  const line = sun.map((w, n) => `${((n + 0.5) / 96) * 100},${40 - (w / most) * 36}`).join(' ');
  return (
    <div className="band-row band-sky">
      <span className="band-name quiet">{t('needs.comesIn')}</span>
      <div className="band-track">
        {day && day.panelsW > 0 && (
          <svg viewBox="0 0 100 40" preserveAspectRatio="none" aria-hidden="true">
            <polygon points={`0,40 ${line} 100,40`} />
          </svg>
        )}
        {day && day.panelsW > 0 && (
          <span className="sky-words figures">{t('needs.sunKwh', { kwh: (day.sunWh / 1000).toFixed(1) })}</span>
        )}
        {day?.drives &&
          trip.driveH > 0 &&
          pieces({ fromH: trip.driveFromH, hours: trip.driveH }).map((p) => (
            <span key={p.left} className="sky-drive" style={{ left: `${p.left * 100}%`, width: `${p.width * 100}%` }}>
              {t('needs.driving')}
            </span>
          ))}
        {day && day.panelsW === 0 && !day.drives && <span className="quiet">{t('needs.nothingCharges')}</span>}
      </div>
      <small className="band-sum" />
    </div>
  );
}

/** Hours of a load: dragged along the day, pulled at their end; by arrow keys the same. */
function Bar({
  label,
  watts,
  direct,
  span,
  fixed,
  set,
}: {
  label: string;
  watts: number;
  direct: boolean;
  span: Span;
  fixed: boolean;
  set: (to: Span | null) => void;
}) {
  const [held, hold] = useState<Span | null>(null);
  const from = useRef<{ x: number; width: number; end: boolean } | null>(null);
  const now = held ?? span;
  const down = (e: PointerEvent<HTMLElement>, end: boolean) => {
    if (fixed || e.button !== 0) return;
    e.stopPropagation();
    const track = e.currentTarget.closest('.band-track');
    from.current = { x: e.clientX, width: track?.getBoundingClientRect().width ?? 1, end };
    e.currentTarget.setPointerCapture(e.pointerId);
    hold(span);
  };
  const move = (e: PointerEvent<HTMLElement>) => {
    if (!from.current) return;
    const by = ((e.clientX - from.current.x) / from.current.width) * 24;
    hold(from.current.end ? stretched(span, by) : moved(span, by));
  };
  const up = () => {
    if (!from.current) return;
    from.current = null;
    if (held && (held.fromH !== span.fromH || held.hours !== span.hours)) set(held);
    hold(null);
  };
  const keys = (e: KeyboardEvent) => {
    if (fixed) return;
    const by = { ArrowRight: 0.25, ArrowLeft: -0.25 }[e.key];
    if (by !== undefined) {
      e.preventDefault();
      set(e.shiftKey ? stretched(span, by) : moved(span, by));
    } else if (e.key === 'Delete' || e.key === 'Backspace') {
      e.preventDefault();
      set(null);
    }
  };
  const words = t('needs.bar', { label, from: clock(now.fromH), to: clock(now.fromH + now.hours), watts });
  return (
    <>
      {pieces(now).map((p, n) => (
        <span
          key={n}
          role="slider"
          tabIndex={n === 0 ? 0 : -1}
          aria-label={words}
          aria-valuemin={0}
          aria-valuemax={24}
          aria-valuenow={now.fromH}
          aria-valuetext={words}
          title={fixed ? words : `${words} ${t('needs.arrows')}`}
          className={`day-bar ${direct ? 'is-direct' : ''} ${held ? 'is-held' : ''}`}
          style={{ left: `${p.left * 100}%`, width: `${p.width * 100}%`, height: thickness(watts) }}
          onPointerDown={(e) => down(e, false)}
          onPointerMove={move}
          onPointerUp={up}
          onPointerCancel={up}
          onKeyDown={keys}
        >
          {held && n === 0 && (
            <span className="day-bar-words figures">
              {clock(now.fromH)}–{clock(now.fromH + now.hours)}
            </span>
          )}
          {!fixed && (
            <span
              className="day-bar-end"
              aria-hidden="true"
              onPointerDown={(e) => down(e, true)}
              onPointerMove={move}
              onPointerUp={up}
              onPointerCancel={up}
            />
          )}
        </span>
      ))}
    </>
  );
}

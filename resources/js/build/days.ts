import type { Schedule } from '../api/client';

/** A moment on the clock of the workshop. */
export interface Local {
  day: string;
  minute: number;
}

/** A moment as the workshop's clock shows it. */
export function localIn(zone: string): (iso: string) => Local {
  const format = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  return (iso) => {
    const parts = Object.fromEntries(format.formatToParts(new Date(iso)).map((p) => [p.type, p.value]));
    return { day: `${parts.year}-${parts.month}-${parts.day}`, minute: Number(parts.hour) * 60 + Number(parts.minute) };
  };
}

export interface Block {
  step: string;
  title: string;
  lane: number;
  x: number;
  width: number;
  critical: boolean;
  alone: boolean;
}

export interface Picture {
  days: { day: string; x: number; width: number; worked: boolean }[];
  lanes: string[];
  blocks: Block[];
  width: number;
  from: number;
  to: number;
}

/** Free between two days, as wide as a night needs to be seen. */
const NIGHT = 18;

/** A day on which nobody works on it. */
const CLOSED = 26;

/** Most days drawn side by side. */
const MOST_DAYS = 40;

/**
 * The schedule as blocks: days side by side, each as long as its work, a thin night between; a lane a person, and one
 * for what goes on by itself.
 */
export function picture(schedule: Pick<Schedule, 'zone' | 'tasks' | 'people' | 'critical'>, perDay: number): Picture {
  const local = localIn(schedule.zone);
  const spans = schedule.tasks.flatMap((t) => t.spans.flatMap((s) => [local(s.from), local(s.to)]));
  const from = Math.floor(Math.min(8 * 60, ...spans.map((s) => s.minute)) / 60) * 60;
  const to = Math.ceil(Math.max(17 * 60, ...spans.map((s) => s.minute)) / 60) * 60;
  const ends = schedule.tasks.flatMap((t) => [local(t.from).day, local(t.to).day]).sort();
  const worked = new Set(spans.map((s) => s.day));
  const days: Picture['days'] = [];
  let width = 0;
  for (let day = ends[0] ?? ''; day !== '' && day <= ends.at(-1)! && days.length < MOST_DAYS; day = after(day)) {
    const wide = worked.has(day) ? perDay : CLOSED;
    days.push({ day, x: width, width: wide, worked: worked.has(day) });
    width += wide + NIGHT;
  }
  const x = (at: Local) => {
    const column = days.find((d) => d.day === at.day);
    if (!column) return width;
    if (at.minute >= to) return column.x + column.width + NIGHT / 2;
    return column.x + (Math.max(0, at.minute - from) / (to - from)) * column.width;
  };
  const critical = new Set(schedule.critical);
  const lanes = schedule.people.filter((p) => schedule.tasks.some((t) => t.people.includes(p.id)));
  const alone = lanes.length;
  const blocks: Block[] = [];
  for (const task of schedule.tasks) {
    const common = { step: task.step, title: task.title, critical: critical.has(task.step) };
    for (const person of task.people)
      for (const span of task.spans) {
        const a = x(local(span.from));
        blocks.push({
          ...common,
          lane: lanes.findIndex((p) => p.id === person),
          x: a,
          width: Math.max(3, x(local(span.to)) - a),
          alone: false,
        });
      }
    if (task.aloneMin >= 30) {
      const a = x(local(task.spans.at(-1)?.to ?? task.from));
      blocks.push({ ...common, lane: alone, x: a, width: Math.max(3, x(local(task.to)) - a), alone: true });
    }
  }
  return {
    days,
    lanes: lanes.map((p) => p.name),
    blocks,
    width: Math.max(0, width - NIGHT),
    from,
    to,
  };
}

/** The day after. */
export function after(day: string): string {
  const at = new Date(`${day}T12:00:00Z`);
  at.setUTCDate(at.getUTCDate() + 1);
  return at.toISOString().slice(0, 10);
}

/** The day drawn at a place. */
export function dayAt(drawn: Picture, x: number): string | null {
  return drawn.days.filter((d) => x >= d.x - NIGHT / 2).at(-1)?.day ?? null;
}

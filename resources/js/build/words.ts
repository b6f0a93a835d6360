import type { Step, StepState } from '../api/client';
import { t, type Key } from '../words/t';

/** Minutes as a person says them: "40 min", "2 h 10", "14 h". */
export function lasting(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return t('build.minutes', { minutes: whole });
  const h = Math.floor(whole / 60);
  const rest = whole % 60;
  if (rest === 0) return t('build.hours', { hours: h });
  return t('build.hoursAnd', { hours: h, minutes: String(rest).padStart(2, '0') });
}

/** A stretch between a quick hand and a slow one. */
export function between(minutes: Step['minutes']): string {
  const low = Math.max(1, Math.round(minutes.low));
  const high = Math.max(1, Math.round(minutes.high));
  return low === high ? lasting(low) : t('build.between', { low: lasting(low), high: lasting(high) });
}

const STATUS: Record<StepState['status'], Key> = {
  waiting: 'build.isWaiting',
  open: 'build.isOpen',
  running: 'build.isRunning',
  done: 'build.isDone',
  incomplete: 'build.isIncomplete',
  overridden: 'build.isOverridden',
  reopened: 'build.isReopened',
};

export const statusWords = (state: StepState) => t(STATUS[state.status]);

const WHO: Record<Step['who'], Key> = {
  apprentice: 'build.anApprentice',
  technician: 'build.aTechnician',
  lead: 'build.aLead',
};

export const whoWords = (step: Step) =>
  step.people > 1 ? t('build.andAHelper', { who: t(WHO[step.who]) }) : t(WHO[step.who]);

/** A time of the day and, on another day, the day. */
export function when(iso: string): string {
  const at = new Date(iso);
  const time = at.toLocaleTimeString([], { hour: 'numeric', minute: '2-digit' });
  return at.toDateString() === new Date().toDateString()
    ? time
    : `${at.toLocaleDateString([], { weekday: 'short', day: 'numeric', month: 'short' })} ${time}`;
}

/** A band as it is read: "18 … 26 N·m", "at most 1 V". */
export function band(ask: { low: number | null; high: number | null; unit: string }): string {
  const unit = ask.unit === '' ? '' : ` ${ask.unit}`;
  const n = (v: number) => Number(v.toPrecision(4)).toString();
  if (ask.low !== null && ask.high !== null)
    return ask.low === -ask.high
      ? `± ${n(ask.high)}${unit}`
      : ask.low === ask.high
        ? `${n(ask.low)}${unit}`
        : `${n(ask.low)} … ${n(ask.high)}${unit}`;
  if (ask.high !== null) return t('build.atMost', { value: n(ask.high) + unit });
  if (ask.low !== null) return t('build.atLeast', { value: n(ask.low) + unit });
  return ask.unit;
}

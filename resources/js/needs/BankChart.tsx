import { useMemo } from 'react';
import type { StayRun } from '../api/client';
import { t } from '../words/t';
import { DaysChart, type Line } from './DaysChart';

const QUARTERS = [0, 25, 50, 75, 100];
const percent = (v: number) => `${v} %`;
const kilowatts = (w: number) => `${(w / 1000).toFixed(1)} kW`;

/** The charge of each battery over the days, filled; another rig's beside it as a dotted line. */
export function BankChart({ run, beside }: { run: StayRun; beside: StayRun | null }) {
  const lines = useMemo<Line[]>(() => {
    const own = run.batteries.filter((b) => !b.ofEngine);
    const other = (beside?.batteries ?? []).filter((b) => !b.ofEngine);
    const share = (values: number[]) => values.map((s) => s * 100);
    return [
      ...own.map((b, i) => ({
        label: b.label,
        values: share(b.share),
        colour: i === 0 ? '--leaf' : '--leaf-mid',
        ...(i === 0 ? { fill: '--leaf-wash' } : { dash: [9, 4] }),
      })),
      ...other.map((b) => ({ label: b.label, values: share(b.share), colour: '--dc', dash: [2, 5] })),
    ];
  }, [run, beside]);
  return (
    <DaysChart
      days={Math.max(1, run.days)}
      lines={lines}
      height={190}
      most={100}
      splits={QUARTERS}
      says={percent}
      words={t('needs.chargeOverDays', { words: run.words })}
    />
  );
}

/** What comes in against what is used, and the sun that nothing takes. */
export function PowerChart({ run }: { run: StayRun }) {
  const lines = useMemo<Line[]>(() => powerLines(run), [run]);
  return (
    <figure className="power-chart">
      <figcaption className="quiet">
        <span className="key-in">{t('needs.keyIn')}</span> <span className="key-use">{t('needs.keyUse')}</span>{' '}
        <span className="key-unused">{t('needs.keyUnused')}</span>
      </figcaption>
      <DaysChart
        days={Math.max(1, run.days)}
        lines={lines}
        height={130}
        says={kilowatts}
        words={t('needs.powerOverDays')}
      />
    </figure>
  );
}

/** Supply as a filled line, use over it, and the sun nothing takes on top of the supply. */
export function powerLines(run: Pick<StayRun, 'inW' | 'useW' | 'curtailedW'>): Line[] {
  const comes = run.useW.map((_, n) => Object.values(run.inW).reduce((sum, w) => sum + (w[n] ?? 0), 0));
  return [
    { label: t('needs.keyIn'), values: comes, colour: '--turn', fill: '--turn-wash' },
    {
      label: t('needs.keyUnused'),
      values: comes.map((w, n) => w + (run.curtailedW[n] ?? 0)),
      colour: '--turn',
      dash: [2, 5],
    },
    { label: t('needs.keyUse'), values: run.useW, colour: '--leaf' },
  ];
}

import { useEffect, useRef, useState } from 'react';
import uPlot from 'uplot';
import 'uplot/dist/uPlot.min.css';
import type { StayRun } from '../api/client';
import { t } from '../words/t';
import './BankChart.css';

const HEIGHT = 190;

/** The charge of each battery over the days, filled; another rig's beside it as a dotted line. */
export function BankChart({ run, beside }: { run: StayRun; beside: StayRun | null }) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    if (!frame.current) return;
    const seen = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    seen.observe(frame.current);
    return () => seen.disconnect();
  }, []);
  const at = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const host = at.current;
    if (!host || width < 50) return;
    const style = getComputedStyle(host);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const lines = [
      ...run.batteries.filter((b) => !b.ofEngine).map((b) => ({ ...b, other: false })),
      ...(beside?.batteries ?? []).filter((b) => !b.ofEngine).map((b) => ({ ...b, other: true })),
    ];
    const n = Math.max(...lines.map((l) => l.share.length), 1);
    const x = Array.from({ length: n }, (_, i) => (i + 1) / 96);
    const font = `13px ${style.fontFamily}`;
    const grid = { stroke: colour('--line'), width: 1 };
    const days = Math.max(1, run.days);
    const plot = new uPlot(
      {
        width,
        height: HEIGHT,
        cursor: { y: false },
        legend: { show: false },
        scales: { x: { time: false, range: [0, days] }, y: { range: [0, 100] } },
        axes: [
          {
            stroke: colour('--soft'),
            font,
            grid,
            ticks: { show: false },
            splits: () => Array.from({ length: days }, (_, d) => d),
            values: (_, splits) => splits.map((d) => (days > 12 && d % 2 ? '' : t('needs.day', { day: d + 1 }))),
            align: 1,
          },
          {
            stroke: colour('--soft'),
            font,
            grid,
            size: 46,
            ticks: { show: false },
            splits: () => [0, 25, 50, 75, 100],
            values: (_, splits) => splits.map((v) => `${v} %`),
          },
        ],
        series: [
          {},
          ...lines.map((l, i) => ({
            label: l.label,
            stroke: colour(l.other ? '--dc' : i === 0 ? '--leaf' : '--leaf-mid'),
            width: 2.2,
            dash: l.other ? [2, 5] : i === 0 ? [] : [9, 4],
            fill: l.other || i > 0 ? undefined : colour('--leaf-wash'),
            points: { show: false },
          })),
        ],
      },
      [x, ...lines.map((l) => l.share.map((s) => s * 100))],
      host,
    );
    return () => plot.destroy();
  }, [run, beside, width]);
  return (
    <div className="bank-chart" ref={frame}>
      <div ref={at} role="img" aria-label={t('needs.chargeOverDays', { words: run.words })} />
    </div>
  );
}

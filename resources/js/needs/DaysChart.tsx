import { useEffect, useRef, useState } from 'react';
import uPlot from 'uplot';
import 'uplot/dist/uPlot.min.css';
import { t } from '../words/t';
import './BankChart.css';

export interface Line {
  label: string;
  values: number[];
  /** name of a colour of the theme */
  colour: string;
  dash?: number[];
  /** name of the colour below it */
  fill?: string;
}

interface Props {
  days: number;
  lines: Line[];
  height: number;
  /** highest value; the largest of all where left out */
  most?: number;
  splits?: number[];
  says: (value: number) => string;
  words: string;
}

/** Lines over the days, by quarters of an hour. */
export function DaysChart({ days, lines, height, most, splits, says, words }: Props) {
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
    const n = Math.max(...lines.map((l) => l.values.length), 1);
    const x = Array.from({ length: n }, (_, i) => (i + 1) / 96);
    const font = `13px ${style.fontFamily}`;
    const grid = { stroke: colour('--line'), width: 1 };
    const highest = most ?? Math.max(1, ...lines.map((l) => Math.max(0, ...l.values))) * 1.05;
    const plot = new uPlot(
      {
        width,
        height,
        cursor: { y: false },
        legend: { show: false },
        scales: { x: { time: false, range: [0, days] }, y: { range: [0, highest] } },
        axes: [
          {
            stroke: colour('--soft'),
            font,
            grid,
            ticks: { show: false },
            splits: () => Array.from({ length: days }, (_, d) => d),
            values: (_, at) => at.map((d) => (days > 12 && d % 2 ? '' : t('needs.day', { day: d + 1 }))),
            align: 1,
          },
          {
            stroke: colour('--soft'),
            font,
            grid,
            size: 46,
            ticks: { show: false },
            ...(splits ? { splits: () => splits } : {}),
            values: (_, at) => at.map(says),
          },
        ],
        series: [
          {},
          ...lines.map((l) => ({
            label: l.label,
            stroke: colour(l.colour),
            width: 2.2,
            dash: l.dash ?? [],
            fill: l.fill ? colour(l.fill) : undefined,
            points: { show: false },
          })),
        ],
      },
      [x, ...lines.map((l) => l.values)],
      host,
    );
    return () => plot.destroy();
  }, [days, lines, height, most, splits, says, width]);
  return (
    <div className="bank-chart" ref={frame}>
      <div ref={at} role="img" aria-label={words} />
    </div>
  );
}

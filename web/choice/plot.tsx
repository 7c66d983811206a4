import { Box } from '@mui/material';
import {
  Chart,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js';
import { useEffect, useMemo, useRef } from 'react';
import { format, moneyWords, YEAR_DAYS } from '@kymar/core/units';
import type { Overview } from '../workers';
import { useChartStyle } from '../ui/chartstyle';
import { spanOf, thinned, type Point } from './thinned';

Chart.register(
  LineController,
  ScatterController,
  LineElement,
  PointElement,
  LinearScale,
  LogarithmicScale,
  Tooltip,
);

/** A span wider than this is drawn by powers of ten. */
const WIDE = 30;

const isWide = (values: readonly number[]): boolean => {
  const [least, most] = spanOf(values);
  return least > 0 && most / least > WIDE;
};

/** Cost against the time waited in a year; a click or the arrow keys choose a build. */
export default function Plot({
  found,
  chosen,
  currency,
  onChoose,
}: {
  found: Overview;
  /** Its place among the builds. */
  chosen: number | null;
  currency: string;
  onChoose(index: number): void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const chart = useRef<Chart<'scatter', Point[]> | null>(null);
  const onPoint = useRef(onChoose);
  useEffect(() => {
    onPoint.current = onChoose;
  });
  const style = useChartStyle();
  const points = useMemo(() => {
    const all: Point[] = [];
    for (let i = 0; i < found.points.length; i += 3)
      all.push({
        index: found.points[i]!,
        x: found.points[i + 1]!,
        y: (found.points[i + 2]! * YEAR_DAYS) / 3600,
      });
    return all;
  }, [found]);
  const edge = useMemo(() => {
    const known = new Map(points.map((p) => [p.index, p]));
    return found.edge.flatMap((index) => known.get(index) ?? []);
  }, [found, points]);

  useEffect(() => {
    const { palette, axis, title } = style;
    const scale = (values: readonly number[]) => (isWide(values) ? 'logarithmic' : 'linear');
    const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
    const cloud = thinned(points, new Set(found.edge));
    const made = new Chart<'scatter', Point[]>(canvas.current!, {
      type: 'scatter',
      data: {
        datasets: [
          {
            label: 'chosen',
            data: [],
            pointRadius: 8,
            pointStyle: 'rectRot',
            borderColor: palette.measured,
            borderWidth: 2.5,
            backgroundColor: 'transparent',
          },
          {
            label: 'edge',
            data: edge,
            showLine: true,
            borderColor: palette.flow,
            borderWidth: 2,
            stepped: 'before',
            pointRadius: 4,
            pointHitRadius: 8,
            backgroundColor: palette.flow,
          },
          {
            label: 'builds',
            data: cloud,
            pointRadius: 2.5,
            backgroundColor: `${palette.text.secondary}66`,
            borderWidth: 0,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        normalized: true,
        interaction: { mode: 'nearest', intersect: false },
        onClick: (_, hits) => {
          const [hit] = hits;
          const point = hit && (made.data.datasets[hit.datasetIndex]!.data[hit.index] as unknown as Point);
          if (point) onPoint.current(point.index);
        },
        scales: {
          x: { type: scale(xs), title: title(`Cost, ${currency}`), ...axis },
          y: { type: scale(ys), title: title('Waiting, hours a year'), ...axis },
        },
        plugins: {
          legend: { display: false },
          tooltip: {
            displayColors: false,
            filter: (item, i) => i === 0 && item.datasetIndex !== undefined,
            callbacks: {
              label: ({ parsed }) =>
                `${moneyWords(parsed.x, currency)}, ${format((parsed.y ?? 0) * 3600, 's')} a year`,
            },
          },
        },
      },
    });
    chart.current = made;
    return () => {
      made.destroy();
      chart.current = null;
    };
  }, [points, edge, found, style, currency]);

  useEffect(() => {
    const made = chart.current;
    if (!made) return;
    made.data.datasets[0]!.data = points.filter((p) => p.index === chosen);
    made.update('none');
  }, [chosen, points, edge, style, currency]);

  const step = (by: number) => {
    if (edge.length === 0) return;
    const at = edge.findIndex((p) => p.index === chosen);
    const next = edge[at < 0 ? 0 : Math.min(edge.length - 1, Math.max(0, at + by))]!;
    onChoose(next.index);
  };
  const now = points.find((p) => p.index === chosen);
  return (
    <Box
      tabIndex={0}
      role="slider"
      aria-label="Builds that nothing beats in both cost and time, the cheapest first"
      aria-valuemin={1}
      aria-valuemax={Math.max(1, edge.length)}
      aria-valuenow={Math.max(1, edge.findIndex((p) => p.index === chosen) + 1)}
      aria-valuetext={
        now ? `${moneyWords(now.x, currency)}, ${format(now.y * 3600, 's')} a year` : 'none chosen'
      }
      onKeyDown={(event) => {
        const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        step(by);
      }}
      sx={{ height: 300, minWidth: 0 }}
    >
      <canvas ref={canvas} />
    </Box>
  );
}

import { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { useEffect, useRef } from 'react';
import { format } from '@kymar/core/units';
import { useChartStyle } from '../ui/chartstyle';
import type { TraceRead } from '../workers';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, annotation);

/** Speed over the bytes moved as it was read, and the phases it was cut into. */
export default function TraceChart({ read }: { read: TraceRead }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const style = useChartStyle();
  useEffect(() => {
    const { palette, font, axis, title } = style;
    const { phases, stalls } = read.phases;
    const points = Array.from({ length: read.curve.length / 2 }, (_, i) => ({
      x: read.curve[2 * i]! / 1e9,
      y: read.curve[2 * i + 1]! / 1e6,
    }));
    const top = Math.max(...phases.flatMap((p) => [p.first, p.last])) / 1e6;
    const chart = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: [
          {
            label: 'as read',
            data: points,
            borderColor: palette.measured,
            borderWidth: 1,
            pointRadius: 0,
            pointHitRadius: 8,
          },
          ...phases.map((p) => ({
            label: p.kind,
            data: [
              { x: p.fromBytes / 1e9, y: p.first / 1e6 },
              { x: p.toBytes / 1e9, y: p.last / 1e6 },
            ],
            borderColor: palette.text.primary,
            borderWidth: 2.5,
            pointRadius: 0,
          })),
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        interaction: { mode: 'nearest', axis: 'x', intersect: false },
        scales: {
          x: {
            type: 'linear',
            min: 0,
            max: read.bytes / 1e9,
            title: title('Moved, GB'),
            ...axis,
            ticks: { ...axis.ticks, includeBounds: false },
          },
          // A spike is part of the picture, not its measure.
          y: {
            beginAtZero: true,
            max: top * 1.35,
            title: title('MB/s'),
            ...axis,
            ticks: { ...axis.ticks, includeBounds: false },
          },
        },
        plugins: {
          legend: { display: false },
          tooltip: {
            displayColors: false,
            callbacks: {
              title: ([item]) => format((item?.parsed.x ?? 0) * 1e9, 'B'),
              label: (item) => `${item.dataset.label}: ${format((item.parsed.y ?? 0) * 1e6, 'B/s')}`,
            },
          },
          annotation: {
            annotations: Object.fromEntries(
              stalls
                .slice(0, 20)
                .map(({ bytes, seconds }, i) => [
                  `stall${i}`,
                  {
                    type: 'line' as const,
                    xMin: bytes / 1e9,
                    xMax: bytes / 1e9,
                    borderColor: palette.error.main,
                    borderDash: [2, 3],
                    borderWidth: 1,
                    label: {
                      display: i < 4,
                      content: `stood ${format(seconds, 's', 2)}`,
                      position: 'end' as const,
                      backgroundColor: 'transparent',
                      color: palette.error.main,
                      font,
                    },
                  },
                ]),
            ),
          },
        },
      },
    });
    return () => chart.destroy();
  }, [read, style]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label="Speed over the bytes moved, with the phases it was cut into"
    />
  );
}

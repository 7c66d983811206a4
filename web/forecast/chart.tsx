import { useColorScheme, useTheme } from '@mui/material/styles';
import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { useEffect, useRef } from 'react';
import type { ActivityForecast } from '@kymar/core/forecast';
import { format } from '@kymar/core/units';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Tooltip, annotation);

/** Speed over the bytes moved: the expected line in its band, with the phases named. */
export default function ForecastChart({ forecast }: { forecast: ActivityForecast }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { mode, systemMode } = useColorScheme();
  const scheme = (mode === 'system' ? systemMode : mode) ?? 'light';
  const theme = useTheme();
  useEffect(() => {
    const palette = theme.colorSchemes[scheme]!.palette;
    const { phases } = forecast;
    const points = forecast.profile();
    const total = points.at(-1)!.bytes;
    const series = (pick: (p: (typeof points)[number]) => number) => points.map((p) => ({ x: p.bytes / 1e9, y: pick(p) / 1e6 }));
    const expected = phases.flatMap((p) => [
      { x: p.from.bytes / 1e9, y: p.rate / 1e6 },
      { x: p.to.bytes / 1e9, y: p.rate / 1e6 },
    ]);
    const font = { family: theme.typography.fontFamily as string, size: 12.5 };
    const line = { pointRadius: 0, borderWidth: 0, backgroundColor: `${palette.channel}b0` };
    const highest = Math.max(...points.map((p) => p.high), ...phases.map((p) => p.rate)) / 1e6;
    const chart = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: [
          { label: 'expected', data: expected, borderColor: palette.flow, borderWidth: 3, pointRadius: 0, pointHitRadius: 12, fill: false },
          { label: '95 %', data: series((p) => p.high), ...line, fill: '+1' },
          { label: '5 %', data: series((p) => p.low), ...line, fill: false },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        interaction: { mode: 'nearest', axis: 'x', intersect: false },
        scales: {
          x: { type: 'linear', min: 0, max: total / 1e9, title: { display: true, text: 'Moved, GB', color: palette.text.secondary, font }, ticks: { color: palette.text.secondary, font }, grid: { color: palette.divider, drawTicks: false } },
          y: { beginAtZero: true, suggestedMax: highest * 1.15, title: { display: true, text: 'Speed, MB/s', color: palette.text.secondary, font }, ticks: { color: palette.text.secondary, font }, grid: { color: palette.divider, drawTicks: false } },
        },
        plugins: {
          legend: { display: false },
          tooltip: { displayColors: false, callbacks: { title: ([item]) => `${item ? (item.parsed.x ?? 0).toFixed(1) : ''} GB moved`, label: (item) => `${item.dataset.label}: ${format((item.parsed.y ?? 0) * 1e6, 'B/s')}` } },
          annotation: {
            annotations: Object.fromEntries(
              phases.flatMap((p, i) => [
                [`name${i}`, { type: 'label' as const, xValue: (p.from.bytes + p.to.bytes) / 2e9, yValue: p.rate / 1e6, yAdjust: -14, content: p.name, color: palette.text.primary, font: { ...font, weight: 'bold' as const } }],
                ...(i > 0 ? [[`edge${i}`, { type: 'line' as const, xMin: p.from.bytes / 1e9, xMax: p.from.bytes / 1e9, borderColor: palette.text.secondary, borderDash: [2, 4], borderWidth: 1 }]] : []),
              ]),
            ),
          },
        },
      },
    });
    return () => chart.destroy();
  }, [forecast, scheme, theme]);
  return <canvas ref={canvas} role="img" aria-label={`Speed over the copy: ${forecast.phases.map((p) => `${format(p.rate, 'B/s')} to ${format(p.to.bytes, 'B')} (${p.name})`).join(', ')}. The same as a table is one click away.`} />;
}

import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useRef } from 'react';
import { format } from '@kymar/core/units';
import { DASHES, useChartStyle } from '../ui/chartstyle';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend);

/** Speed over the copy of several builds on the same axes, each by its number in the table above. */
export default function Speeds({
  curves,
}: {
  curves: readonly { id: string; words: string; points: readonly { bytes: number; expected: number }[] }[];
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const style = useChartStyle();
  useEffect(() => {
    const { palette, font, axis, title, colours } = style;
    const chart = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: curves.map(({ words, points }, i) => ({
          label: `${i + 1}. ${words}`,
          data: points.map((p) => ({ x: p.bytes / 1e9, y: p.expected / 1e6 })),
          borderColor: colours[i]!,
          backgroundColor: colours[i]!,
          borderDash: DASHES[i]!,
          borderWidth: 2.5,
          pointRadius: 0,
          pointHitRadius: 10,
        })),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        interaction: { mode: 'nearest', axis: 'x', intersect: false },
        scales: {
          x: { type: 'linear', min: 0, title: title('Moved, GB'), ...axis },
          y: { beginAtZero: true, title: title('MB/s'), ...axis },
        },
        plugins: {
          legend: {
            position: 'bottom',
            labels: { color: palette.text.primary, font, usePointStyle: true, pointStyle: 'line' },
          },
          tooltip: {
            displayColors: false,
            callbacks: {
              title: ([item]) => format((item?.parsed.x ?? 0) * 1e9, 'B'),
              label: (item) => `${item.dataset.label}: ${format((item.parsed.y ?? 0) * 1e6, 'B/s')}`,
            },
          },
        },
      },
    });
    return () => chart.destroy();
  }, [curves, style]);
  return <canvas ref={canvas} role="img" aria-label="Speed over the copy of the builds side by side" />;
}

import { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { useEffect, useRef } from 'react';
import { secondsAt } from '@kymar/core/choice/compare';
import { format } from '@kymar/core/units';
import { DASHES, useChartStyle } from '../ui/chartstyle';
import type { Compared } from '../workers';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, annotation);

/** Time over size of several drives, each line named where it ends; the activity's own size as a mark. */
export default function Curves({ comparison }: { comparison: Compared }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const style = useChartStyle();
  useEffect(() => {
    const { palette, font, axis, title, colours } = style;
    const lines = comparison.builds.filter((b) => b.curve);
    const { own, upTo } = comparison;
    // Names stand where the lines end, moved apart where they would meet.
    const ends = lines.map((b, i) => ({ i, y: secondsAt(b.curve!, upTo) / 60 })).sort((a, b) => b.y - a.y);
    const top = ends[0]?.y ?? 1;
    const chart = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: lines.map((b, i) => ({
          label: b.name,
          data: b.curve!.map((p) => ({ x: p.bytes / 1e9, y: p.seconds / 60 })),
          borderColor: colours[i]!,
          borderDash: DASHES[i]!,
          borderWidth: 2.5,
          pointRadius: 0,
          pointHitRadius: 12,
        })),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        interaction: { mode: 'nearest', axis: 'x', intersect: false },
        scales: {
          x: { type: 'linear', min: 0, max: upTo / 1e9, title: title('Moved in one go, GB'), ...axis },
          y: { beginAtZero: true, title: title('Minutes'), ...axis },
        },
        plugins: {
          legend: { display: false },
          tooltip: {
            displayColors: false,
            callbacks: {
              title: ([item]) => `${format((item?.parsed.x ?? 0) * 1e9, 'B')}`,
              label: (item) => `${item.dataset.label}: ${format((item.parsed.y ?? 0) * 60, 's')}`,
            },
          },
          annotation: {
            annotations: {
              own: {
                type: 'line',
                xMin: own / 1e9,
                xMax: own / 1e9,
                borderColor: palette.text.secondary,
                borderDash: [2, 4],
                borderWidth: 1,
                label: {
                  display: true,
                  content: 'this activity',
                  position: 'end',
                  backgroundColor: 'transparent',
                  color: palette.text.secondary,
                  font,
                  xAdjust: 44,
                },
              },
              ...Object.fromEntries(
                ends.map(({ i }, rank) => [
                  `name${i}`,
                  {
                    type: 'label',
                    xValue: (upTo / 1e9) * 0.02,
                    yValue: top * (0.98 - rank * 0.12),
                    position: { x: 'start', y: 'center' },
                    content: lines[i]!.name,
                    color: colours[i]!,
                    font: { ...font, weight: 'bold' },
                  },
                ]),
              ),
            },
          },
        },
      },
    });
    return () => chart.destroy();
  }, [comparison, style]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={`Time over size: ${comparison.pairs.map((p) => p.words).join(' ')}`}
    />
  );
}

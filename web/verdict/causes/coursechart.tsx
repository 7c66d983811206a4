import { Box } from '@mui/material';
import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useRef } from 'react';
import type { Diagnosis } from '@kymar/core/diagnosis';
import type { Sample } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { DASHES, useChartStyle } from '../../ui/chartstyle';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend);

const points = (course: readonly Sample[], unit: number) =>
  course.map(({ t, bytes }) => ({ x: t / unit, y: bytes / 1e9 }));

/** How far it came when, over how far it would have come under each of the likeliest causes. */
export default function CourseChart({ found }: { found: Diagnosis }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const style = useChartStyle();
  const { shown, causes } = found;
  const title = (id: string) => causes.find((c) => c.id === id)?.title ?? 'As forecast';
  const measured = shown.course.at(-1)!;
  useEffect(() => {
    const { palette, font, axis, title: titled, colours } = style;
    const longest = Math.max(measured.t, ...shown.causes.map(({ course }) => course.at(-1)?.t ?? 0));
    const inMinutes = longest > 180;
    const unit = inMinutes ? 60 : 1;
    const others = colours.filter((colour) => colour !== palette.measured);
    const chart = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: [
          {
            label: 'measured',
            data: points(shown.course, unit),
            borderColor: palette.measured,
            backgroundColor: palette.measured,
            borderWidth: 2.5,
            pointRadius: shown.course.length > 2 ? 0 : 5,
            pointHitRadius: 8,
          },
          ...shown.causes.map(({ id, course }, i) => ({
            label: title(id),
            data: points(course, unit),
            borderColor: others[i % others.length]!,
            backgroundColor: others[i % others.length]!,
            borderDash: [...DASHES[(i + 1) % DASHES.length]!],
            borderWidth: 1.75,
            pointRadius: 0,
            pointHitRadius: 8,
          })),
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        interaction: { mode: 'nearest', axis: 'x', intersect: false },
        scales: {
          x: { type: 'linear', min: 0, title: titled(inMinutes ? 'Time, min' : 'Time, s'), ...axis },
          y: { min: 0, title: titled('Moved, GB'), ...axis },
        },
        plugins: {
          legend: {
            position: 'bottom',
            align: 'start',
            labels: { color: palette.text.primary, font, boxWidth: 26, boxHeight: 1 },
          },
          tooltip: {
            callbacks: {
              title: (items) => format(items[0]!.parsed.x! * unit, 's'),
              label: (item) => `${item.dataset.label}: ${format(item.parsed.y! * 1e9, 'B')}`,
            },
          },
        },
      },
    });
    return () => chart.destroy();
  });
  return (
    <Box sx={{ height: 240, mb: 1.5 }}>
      <canvas
        ref={canvas}
        role="img"
        aria-label={`How far it came when: measured ${format(measured.bytes, 'B')} in ${format(measured.t, 's')}; the table below has each cause’s times`}
      />
    </Box>
  );
}

import { useColorScheme, useTheme } from '@mui/material/styles';
import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import annotation, { type AnnotationOptions } from 'chartjs-plugin-annotation';
import { useEffect, useRef } from 'react';
import type { CourseSheet, ProfilePoint } from '@kymar/core/forecast';
import { momentAt } from '@kymar/core/models/transfer';
import { format } from '@kymar/core/units';
import { placeLabels, type Wanted } from './labels';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Tooltip, annotation);

/** A phase narrower than this share of the copy gets no name of its own in the picture; the words below it name all. */
const NARROW = 0.13;

/** A burst: so small a share of the copy, and so many times as fast as all else. */
const BURST = { share: 0.08, times: 3 };

/** MB/s that the axis must show: of all, or, where a short burst would press the rest flat, of the rest; the burst is then told in a word. */
function heightOf({ phases, stretches, profile: { speed } }: CourseSheet): {
  top: number;
  bursts: CourseSheet['phases'];
} {
  const total = speed.at(-1)!.bytes;
  const highest = Math.max(...speed.map((p) => p.high), ...stretches.map((s) => s.bar)) / 1e6;
  const long = phases.filter((p) => p.to.bytes - p.from.bytes >= BURST.share * total);
  const within = (bytes: number) => long.some((p) => bytes >= p.from.bytes && bytes <= p.to.bytes);
  const highs = speed
    .filter((p) => within(p.bytes))
    .map((p) => p.high)
    .sort((a, b) => a - b);
  const rest =
    Math.max(
      highs[Math.floor(0.85 * highs.length)] ?? 0,
      ...stretches.filter((s) => s.bar > 0 && within(s.given + (s.bar * s.seconds) / 2)).map((s) => s.bar),
    ) / 1e6;
  return rest > 0 && highest > BURST.times * rest
    ? { top: rest, bursts: phases.filter((p) => !long.includes(p) && p.rate / 1e6 > rest * 1.3) }
    : { top: highest, bursts: [] };
}

/** The course as it is read out. */
function inWords({ phases, profile, hottest }: CourseSheet): string {
  const each = phases.map((p) => `${format(p.rate, 'B/s')} to ${format(p.to.bytes, 'B')} (${p.name})`);
  const warm = profile.warmth ? `; the drive at up to ${format(hottest!.expected, '°C')}` : '';
  return `Speed over the copy: ${each.join(', ')}${warm}.`;
}

/** Speed over the bytes moved, the expected line in its band with the phases named; the drive's temperature beneath on the same axis. */
export default function ForecastChart({ course }: { course: CourseSheet }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { mode, systemMode } = useColorScheme();
  const scheme = (mode === 'system' ? systemMode : mode) ?? 'light';
  const theme = useTheme();
  useEffect(() => {
    const palette = theme.colorSchemes[scheme]!.palette;
    const { phases, stretches } = course;
    const { speed, warmth } = course.profile;
    const total = speed.at(-1)!.bytes;
    const series = (points: ProfilePoint[], pick: (p: ProfilePoint) => number, unit: number) =>
      points.map((p) => ({ x: p.bytes / 1e9, y: pick(p) / unit }));
    const moving = stretches.filter((s) => s.bar > 0);
    const expected = moving.flatMap((s) =>
      [s.given, s.given + s.bar * s.seconds].map((bytes) => ({
        x: Math.min(bytes, total) / 1e9,
        y: s.bar / 1e6,
      })),
    );
    const warm = speed.map(({ bytes }) => ({
      x: bytes / 1e9,
      y: momentAt(stretches, Math.min(bytes, total * (1 - 1e-9))).warm ?? NaN,
    }));
    const font = { family: theme.typography.fontFamily as string, size: 12.5 };
    const line = { pointRadius: 0, borderWidth: 0 };
    const { top, bursts } = heightOf(course);
    const axis = {
      ticks: { color: palette.text.secondary, font, maxTicksLimit: 7 },
      grid: { color: palette.divider, drawTicks: false },
    };
    const title = (text: string) => ({ display: true, text, color: palette.text.secondary, font });
    const named = phases.filter((p) => p.to.bytes - p.from.bytes > NARROW * total);
    const label = `600 12.5px ${font.family}`;
    // Names are placed once the chart knows its scales.
    const names = {
      id: 'names',
      afterDatasetsDraw({ ctx, scales: { x, y } }: Chart) {
        if (!x || !y) return;
        const at = (bytes: number) => x.getPixelForValue(bytes / 1e9);
        const wanted: Wanted[] = [
          ...named.map((p): Wanted => ({
            text: p.name,
            x: at((p.from.bytes + p.to.bytes) / 2),
            y: y.getPixelForValue(p.rate / 1e6),
            align: 'middle',
          })),
          ...bursts.map((p): Wanted => ({
            text: `${format(p.rate, 'B/s')} ${p.name} ↑`,
            x: at(p.to.bytes),
            y: y.top,
            align: 'start',
          })),
        ];
        ctx.save();
        ctx.font = label;
        ctx.textBaseline = 'middle';
        ctx.fillStyle = palette.text.primary;
        const area = { left: x.left, top: y.top, width: x.right - x.left, height: y.bottom - y.top };
        for (const { text, left, top, height } of placeLabels(wanted, area, (t) => ctx.measureText(t).width))
          ctx.fillText(text, left, top + height / 2);
        ctx.restore();
      },
    };
    const chart = new Chart(canvas.current!, {
      type: 'line',
      plugins: [names],
      data: {
        datasets: [
          {
            label: 'expected',
            yAxisID: 'y',
            data: expected,
            borderColor: palette.flow,
            borderWidth: 3,
            pointRadius: 0,
            pointHitRadius: 12,
            fill: false,
          },
          {
            label: '95 %',
            yAxisID: 'y',
            data: series(speed, (p) => p.high, 1e6),
            ...line,
            backgroundColor: `${palette.channel}b0`,
            fill: '+1',
          },
          { label: '5 %', yAxisID: 'y', data: series(speed, (p) => p.low, 1e6), ...line, fill: false },
          ...(warmth
            ? [
                {
                  label: 'expected',
                  yAxisID: 'warm',
                  data: warm,
                  borderColor: palette.measured,
                  borderWidth: 2.5,
                  pointRadius: 0,
                  pointHitRadius: 12,
                  fill: false,
                },
                {
                  label: '95 %',
                  yAxisID: 'warm',
                  data: series(warmth, (p) => p.high, 1),
                  ...line,
                  backgroundColor: `${palette.measured}2e`,
                  fill: '+1',
                },
                {
                  label: '5 %',
                  yAxisID: 'warm',
                  data: series(warmth, (p) => p.low, 1),
                  ...line,
                  fill: false,
                },
              ]
            : []),
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        interaction: { mode: 'nearest', axis: 'x', intersect: false },
        scales: {
          x: { type: 'linear', min: 0, max: total / 1e9, title: title('Moved, GB'), ...axis },
          ...(warmth
            ? {
                warm: {
                  ...axis,
                  type: 'linear',
                  position: 'left',
                  stack: 'beneath',
                  stackWeight: 1,
                  weight: 0,
                  min: Math.min(...warmth.map((p) => p.low)) - 3,
                  max: Math.max(...warmth.map((p) => p.high)) + 4,
                  title: title('°C'),
                  ticks: {
                    ...axis.ticks,
                    maxTicksLimit: 5,
                    stepSize: 10,
                    includeBounds: false,
                    callback: (v: number | string) =>
                      Number(v) > Math.max(...warmth.map((p) => p.high)) - 2 ? '' : v,
                  },
                } as const,
              }
            : {}),
          y: {
            ...axis,
            position: 'left',
            stack: 'beneath',
            stackWeight: 2.6,
            weight: 1,
            beginAtZero: true,
            ...(bursts.length > 0 ? { max: Math.ceil((top * 1.3) / 10) * 10 } : { suggestedMax: top * 1.15 }),
            title: title('Speed, MB/s'),
          },
        },
        plugins: {
          legend: { display: false },
          tooltip: {
            displayColors: false,
            callbacks: {
              title: ([item]) => `${item ? (item.parsed.x ?? 0).toFixed(1) : ''} GB moved`,
              label: (item) =>
                item.dataset.yAxisID === 'warm'
                  ? `${item.dataset.label}: ${format(item.parsed.y ?? 0, '°C')}`
                  : `${item.dataset.label}: ${format((item.parsed.y ?? 0) * 1e6, 'B/s')}`,
            },
          },
          annotation: {
            annotations: Object.fromEntries([
              ...phases
                .slice(1)
                .flatMap((p, i) =>
                  p.from.bytes < total
                    ? ['y', ...(warmth ? ['warm'] : [])].map((yScaleID) => [
                        `edge${i}${yScaleID}`,
                        {
                          type: 'line' as const,
                          yScaleID,
                          xScaleID: 'x',
                          xMin: p.from.bytes / 1e9,
                          xMax: p.from.bytes / 1e9,
                          borderColor: palette.text.secondary,
                          borderDash: [2, 4],
                          borderWidth: 1,
                        },
                      ])
                    : [],
                ),
            ]) as Record<string, AnnotationOptions>,
          },
        },
      },
    });
    return () => chart.destroy();
  }, [course, scheme, theme]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={`${inWords(course)} The same as a table is one click away.`}
    />
  );
}

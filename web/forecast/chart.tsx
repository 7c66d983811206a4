import type { Chart } from 'chart.js';
import type { CourseSheet, ProfilePoint } from '@kymar/core/forecast';
import { momentAt } from '../state/models';
import { format } from '@kymar/core/units';
import { useChartStyle } from '../ui/chartstyle';
import { LineChart, markAt, type ChartLine } from '../ui/linechart';
import { placeLabels, type WantedLabel } from './labels';

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

/** A figure over the bytes moved: the expected line, and its band. */
function banded(
  expected: ChartLine['points'],
  band: readonly ProfilePoint[],
  {
    axis,
    unit,
    colour,
    fill,
    width,
  }: { axis: string; unit: number; colour: string; fill: string; width: number },
): ChartLine[] {
  const edge = (pick: (p: ProfilePoint) => number) =>
    band.map((p) => ({ x: p.bytes / 1e9, y: pick(p) / unit }));
  return [
    { name: 'expected', yAxisID: axis, points: expected, colour, width, fill: false },
    { name: '95 %', yAxisID: axis, points: edge((p) => p.high), width: 0, backgroundColor: fill, fill: '+1' },
    { name: '5 %', yAxisID: axis, points: edge((p) => p.low), width: 0, fill: false },
  ];
}

/** Writes the phases' names where there is room, once the chart knows its scales. */
function writeNames(
  { ctx, scales: { x, y } }: Chart,
  { phases, total, bursts }: { phases: CourseSheet['phases']; total: number; bursts: CourseSheet['phases'] },
  { font, colour }: { font: string; colour: string },
): void {
  if (!x || !y) return;
  const at = (bytes: number) => x.getPixelForValue(bytes / 1e9);
  const wanted: WantedLabel[] = [
    ...phases
      .filter((p) => p.to.bytes - p.from.bytes > NARROW * total)
      .map((p): WantedLabel => ({
        text: p.name,
        x: at((p.from.bytes + p.to.bytes) / 2),
        y: y.getPixelForValue(p.rate / 1e6),
        align: 'middle',
      })),
    ...bursts.map((p): WantedLabel => ({
      text: `${format(p.rate, 'B/s')} ${p.name} ↑`,
      x: at(p.to.bytes),
      y: y.top,
      align: 'start',
    })),
  ];
  ctx.save();
  ctx.font = font;
  ctx.textBaseline = 'middle';
  ctx.fillStyle = colour;
  const area = { left: x.left, top: y.top, width: x.right - x.left, height: y.bottom - y.top };
  for (const { text, left, top, height } of placeLabels(wanted, area, (t) => ctx.measureText(t).width))
    ctx.fillText(text, left, top + height / 2);
  ctx.restore();
}

/** Speed over the bytes moved, the expected line in its band with the phases named; the drive's temperature beneath on the same axis. */
export default function ForecastChart({ course }: { course: CourseSheet }) {
  const { palette, font } = useChartStyle();
  const { phases, stretches } = course;
  const { speed, warmth } = course.profile;
  const total = speed.at(-1)!.bytes;
  const { top, bursts } = heightOf(course);
  const rates = stretches
    .filter((s) => s.bar > 0)
    .flatMap((s) =>
      [s.given, s.given + s.bar * s.seconds].map((bytes) => ({
        x: Math.min(bytes, total) / 1e9,
        y: s.bar / 1e6,
      })),
    );
  const warm = speed.map(({ bytes }) => ({
    x: bytes / 1e9,
    y: momentAt(stretches, Math.min(bytes, total * (1 - 1e-9))).warm ?? NaN,
  }));
  const hottest = warmth && Math.max(...warmth.map((p) => p.high));
  const inMbs = { axis: 'y', unit: 1e6, colour: palette.flow, fill: `${palette.channel}b0`, width: 3 };
  const inDegrees = {
    axis: 'warm',
    unit: 1,
    colour: palette.measured,
    fill: `${palette.measured}2e`,
    width: 2.5,
  };
  const edges = phases.slice(1).filter((p) => p.from.bytes < total);
  return (
    <LineChart
      lines={[...banded(rates, speed, inMbs), ...(warmth ? banded(warm, warmth, inDegrees) : [])]}
      x={{ min: 0, max: total / 1e9, title: 'Moved, GB' }}
      y={{
        position: 'left',
        stack: 'beneath',
        stackWeight: 2.6,
        weight: 1,
        ...(bursts.length > 0 ? { max: Math.ceil((top * 1.3) / 10) * 10 } : { suggestedMax: top * 1.15 }),
        title: 'Speed, MB/s',
      }}
      scales={
        warmth && hottest !== null
          ? {
              warm: {
                position: 'left',
                stack: 'beneath',
                stackWeight: 1,
                weight: 0,
                min: Math.min(...warmth.map((p) => p.low)) - 3,
                max: hottest + 4,
                title: '°C',
                ticks: {
                  maxTicksLimit: 5,
                  stepSize: 10,
                  includeBounds: false,
                  callback: (v) => (Number(v) > hottest - 2 ? '' : v),
                },
              },
            }
          : {}
      }
      says={{
        x: (moved) => `${moved.toFixed(1)} GB moved`,
        y: (value, { yAxisID }) => (yAxisID === 'warm' ? format(value, '°C') : format(value * 1e6, 'B/s')),
      }}
      marks={Object.fromEntries(
        edges.flatMap((p, i) =>
          ['y', ...(warmth ? ['warm'] : [])].map((yScaleID) => [
            `edge${i}${yScaleID}`,
            markAt(p.from.bytes / 1e9, palette.text.secondary, { xScaleID: 'x', yScaleID }),
          ]),
        ),
      )}
      onDrawn={(chart) =>
        writeNames(
          chart,
          { phases, total, bursts },
          { font: `600 12.5px ${font.family}`, colour: palette.text.primary },
        )
      }
      label={`${inWords(course)} The same as a table is one click away.`}
    />
  );
}

import { type Sample } from '@kymar/core/job';
import { ratesOf } from '@kymar/core/measure';
import { format } from '@kymar/core/units';

const BINS = 120;

/** Small picture of a run: speed over the bytes moved, against the whole size, and its forecast beside. */
export function FlowLine({
  samples,
  total,
  course = [],
  height = 90,
}: {
  samples: readonly Sample[];
  total: number;
  /** The forecast's rates over the bytes, as a line to hold it against. */
  course?: readonly { bytes: number; rate: number }[];
  height?: number;
}) {
  const rates = ratesOf(samples, BINS);
  const peak = Math.max(1, ...rates.map((r) => r.rate), ...course.map((r) => r.rate)) * 1.1;
  const line = (list: readonly { bytes: number; rate: number }[]) =>
    list
      .map(
        ({ bytes, rate }) =>
          `${(Math.min(1, bytes / total) * 600).toFixed(1)},${(height - (rate / peak) * height).toFixed(1)}`,
      )
      .join(' ');
  const points = line(rates);
  const highest = Math.max(0, ...rates.map((r) => r.rate));
  return (
    <svg
      viewBox={`0 0 600 ${height}`}
      width="100%"
      height={height}
      preserveAspectRatio="none"
      role="img"
      aria-label={`Speed over the bytes moved, peak ${format(highest, 'B/s')}${course.length > 0 ? ', beside its forecast' : ''}`}
      style={{ display: 'block' }}
    >
      <rect width={600} height={height} fill="var(--mui-palette-sunken)" />
      {rates.length > 1 && (
        <polygon
          points={`0,${height} ${points} ${(Math.min(1, rates.at(-1)!.bytes / total) * 600).toFixed(1)},${height}`}
          fill="var(--mui-palette-channel)"
        />
      )}
      {course.length > 0 && (
        <polyline
          points={line(course)}
          fill="none"
          stroke="var(--mui-palette-text-secondary)"
          strokeWidth={1.5}
          strokeDasharray="6 4"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <polyline
        points={points}
        fill="none"
        stroke="var(--mui-palette-measured)"
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

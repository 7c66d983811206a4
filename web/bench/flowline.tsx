import { type Sample } from '@kymar/core/job';
import { format } from '@kymar/core/units';

/** Small picture of a run: speed over the bytes moved, against the whole size. */
export function FlowLine({
  samples,
  total,
  height = 90,
}: {
  samples: readonly Sample[];
  total: number;
  height?: number;
}) {
  const BINS = 120;
  const rates: { x: number; y: number }[] = [];
  const every = Math.max(1, Math.floor(samples.length / BINS));
  for (let i = every; i < samples.length; i += every) {
    const [a, b] = [samples[i - every]!, samples[i]!];
    if (b.t > a.t) rates.push({ x: b.bytes / total, y: (b.bytes - a.bytes) / (b.t - a.t) });
  }
  const peak = Math.max(1, ...rates.map((r) => r.y)) * 1.1;
  const points = rates
    .map((r) => `${(r.x * 600).toFixed(1)},${(height - (r.y / peak) * height).toFixed(1)}`)
    .join(' ');
  return (
    <svg
      viewBox={`0 0 600 ${height}`}
      width="100%"
      height={height}
      preserveAspectRatio="none"
      role="img"
      aria-label={`Speed over the bytes moved, peak ${format(peak / 1.1, 'B/s')}`}
      style={{ display: 'block' }}
    >
      <rect width={600} height={height} fill="var(--mui-palette-sunken)" />
      {rates.length > 1 && (
        <polygon
          points={`0,${height} ${points} ${(rates.at(-1)!.x * 600).toFixed(1)},${height}`}
          fill="var(--mui-palette-channel)"
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

import { format } from '@kymar/core/units';
import { useChartStyle } from '../ui/chartstyle';
import { LineChart, markAt } from '../ui/linechart';
import type { TraceRead } from '../workers';

/** Stalls that are drawn, and of which the length is written. */
const [DRAWN, NAMED] = [20, 4];

/** Speed over the bytes moved as it was read, and the phases it was cut into. */
export default function TraceChart({ read }: { read: TraceRead }) {
  const { palette, font } = useChartStyle();
  const { phases, stalls } = read.phases;
  const top = Math.max(...phases.flatMap((p) => [p.first, p.last])) / 1e6;
  return (
    <LineChart
      lines={[
        {
          name: 'as read',
          points: Array.from({ length: read.curve.length / 2 }, (_, i) => ({
            x: read.curve[2 * i]! / 1e9,
            y: read.curve[2 * i + 1]! / 1e6,
          })),
          colour: palette.measured,
          width: 1,
        },
        ...phases.map((p) => ({
          name: p.kind,
          points: [
            { x: p.fromBytes / 1e9, y: p.first / 1e6 },
            { x: p.toBytes / 1e9, y: p.last / 1e6 },
          ],
          colour: palette.text.primary,
        })),
      ]}
      x={{ min: 0, max: read.bytes / 1e9, title: 'Moved, GB', ticks: { includeBounds: false } }}
      // A spike is part of the picture, not its measure.
      y={{ max: top * 1.35, title: 'MB/s', ticks: { includeBounds: false } }}
      says={{ x: (moved) => format(moved * 1e9, 'B'), y: (rate) => format(rate * 1e6, 'B/s') }}
      marks={Object.fromEntries(
        stalls
          .slice(0, DRAWN)
          .map(({ bytes, seconds }, i) => [
            `stall${i}`,
            markAt(bytes / 1e9, palette.error.main, {
              label: {
                display: i < NAMED,
                content: `stood ${format(seconds, 's', 2)}`,
                position: 'end',
                backgroundColor: 'transparent',
                color: palette.error.main,
                font,
              },
            }),
          ]),
      )}
      label="Speed over the bytes moved, with the phases it was cut into"
    />
  );
}

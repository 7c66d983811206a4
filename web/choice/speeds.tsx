import { format } from '@kymar/core/units';
import { DASHES, useChartStyle } from '../ui/chartstyle';
import { LineChart } from '../ui/linechart';

/** Speed over the copy of several builds on the same axes, each by its number in the table above. */
export default function Speeds({
  curves,
}: {
  curves: readonly { id: string; words: string; points: readonly { bytes: number; expected: number }[] }[];
}) {
  const { colours } = useChartStyle();
  return (
    <LineChart
      lines={curves.map(({ words, points }, i) => ({
        name: `${i + 1}. ${words}`,
        points: points.map((p) => ({ x: p.bytes / 1e9, y: p.expected / 1e6 })),
        colour: colours[i]!,
        borderDash: [...DASHES[i]!],
      }))}
      x={{ min: 0, title: 'Moved, GB' }}
      y={{ title: 'MB/s' }}
      says={{ x: (moved) => format(moved * 1e9, 'B'), y: (rate) => format(rate * 1e6, 'B/s') }}
      legend
      label="Speed over the copy of the builds side by side"
    />
  );
}

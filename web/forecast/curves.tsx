import { secondsAt } from '@kymar/core/choice';
import { format } from '@kymar/core/units';
import { DASHES, useChartStyle } from '../ui/chartstyle';
import { LineChart, markAt } from '../ui/linechart';
import type { Compared } from '../workers';

/** Time over size of several drives, each line named where it ends; the activity's own size as a mark. */
export default function Curves({ comparison: { builds, pairs, own, upTo } }: { comparison: Compared }) {
  const { palette, font, colours } = useChartStyle();
  const drawn = builds.filter((b) => b.curve);
  // Names stand in the order in which the lines end.
  const ends = drawn.map((b, i) => ({ i, y: secondsAt(b.curve!, upTo) / 60 })).sort((a, b) => b.y - a.y);
  const top = ends[0]?.y ?? 1;
  return (
    <LineChart
      lines={drawn.map((b, i) => ({
        name: b.name,
        points: b.curve!.map((p) => ({ x: p.bytes / 1e9, y: p.seconds / 60 })),
        colour: colours[i]!,
        borderDash: [...DASHES[i]!],
      }))}
      x={{ min: 0, max: upTo / 1e9, title: 'Moved in one go, GB' }}
      y={{ title: 'Minutes' }}
      says={{ x: (moved) => format(moved * 1e9, 'B'), y: (minutes) => format(minutes * 60, 's') }}
      marks={{
        own: markAt(own / 1e9, palette.text.secondary, {
          label: {
            display: true,
            content: 'this activity',
            position: 'end',
            backgroundColor: 'transparent',
            color: palette.text.secondary,
            font,
            xAdjust: 44,
          },
        }),
        ...Object.fromEntries(
          ends.map(({ i }, rank) => [
            `name${i}`,
            {
              type: 'label' as const,
              xValue: (upTo / 1e9) * 0.02,
              yValue: top * (0.98 - rank * 0.12),
              position: { x: 'start' as const, y: 'center' as const },
              content: drawn[i]!.name,
              color: colours[i]!,
              font: { ...font, weight: 'bold' as const },
            },
          ]),
        ),
      }}
      label={`Time over size: ${pairs.map((p) => p.words).join(' ')}`}
    />
  );
}

import { Box } from '@mui/material';
import type { Diagnosis } from '@kymar/core/diagnosis';
import type { Sample } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { DASHES, useChartStyle } from '../../ui/chartstyle';
import { LineChart } from '../../ui/linechart';

/** How far it came when, over how far it would have come under each of the likeliest causes. */
export default function CourseChart({ found: { shown, causes } }: { found: Diagnosis }) {
  const { palette, colours } = useChartStyle();
  const title = (id: string) => causes.find((c) => c.id === id)?.title ?? 'As forecast';
  const measured = shown.course.at(-1)!;
  const longest = Math.max(measured.t, ...shown.causes.map(({ course }) => course.at(-1)?.t ?? 0));
  const inMinutes = longest > 180;
  const unit = inMinutes ? 60 : 1;
  const others = colours.filter((colour) => colour !== palette.measured);
  const points = (course: readonly Sample[]) =>
    course.map(({ t, bytes }) => ({ x: t / unit, y: bytes / 1e9 }));
  return (
    <Box sx={{ height: 240, mb: 1.5 }}>
      <LineChart
        lines={[
          {
            name: 'measured',
            points: points(shown.course),
            colour: palette.measured,
            dots: shown.course.length > 2 ? 0 : 5,
          },
          ...shown.causes.map(({ id, course }, i) => ({
            name: title(id),
            points: points(course),
            colour: others[i % others.length]!,
            borderDash: [...DASHES[(i + 1) % DASHES.length]!],
            width: 1.75,
          })),
        ]}
        x={{ min: 0, title: inMinutes ? 'Time, min' : 'Time, s' }}
        y={{ title: 'Moved, GB' }}
        says={{ x: (t) => format(t * unit, 's'), y: (moved) => format(moved * 1e9, 'B') }}
        legend
        label={`How far it came when: measured ${format(measured.bytes, 'B')} in ${format(measured.t, 's')}; the table below has each cause’s times`}
      />
    </Box>
  );
}

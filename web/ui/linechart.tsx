import {
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartDataset,
  type ScaleOptionsByType,
} from 'chart.js';
import annotation, { type AnnotationOptions } from 'chartjs-plugin-annotation';
import { useLayoutEffect, useRef, useState } from 'react';
import { Line } from 'react-chartjs-2';
import { useChartStyle } from './chartstyle';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Tooltip, Legend, annotation);

type Point = { x: number; y: number };
type Dataset = ChartDataset<'line', Point[]>;
/** A line; whatever the library knows beside may be set too. */
export type ChartLine = Omit<Dataset, 'data' | 'label'> & {
  name?: string;
  points: Point[];
  colour?: string;
  /** px of it, and of the dots on it. */
  width?: number;
  dots?: number;
};
type Scale = ScaleOptionsByType<'linear'>;
type Axis = Partial<Omit<Scale, 'title' | 'ticks'>> & { title?: string; ticks?: Partial<Scale['ticks']> };

const dataset = ({ name = '', points, colour = '', width = 2.5, dots = 0, ...more }: ChartLine): Dataset => ({
  label: name,
  data: points,
  borderColor: colour,
  backgroundColor: colour,
  borderWidth: width,
  pointRadius: dots,
  pointHitRadius: 10,
  ...more,
});

/**
 * Lines over a common axis, in the theme's colours, without motion.
 * @param scales axes beside the two, by the id that lines name as theirs
 * @param says what a point is read out as: where it is, and what the line has there
 * @param marks lines and names drawn over it, by id
 * @param onDrawn draws over it once the places of the lines are known
 * @param label what it shows, for who cannot see it
 */
export function LineChart({
  lines,
  x,
  y,
  scales = {},
  says,
  marks = {},
  legend = false,
  label,
  onDrawn,
}: {
  lines: ChartLine[];
  x: Axis;
  y: Axis;
  scales?: Record<string, Axis>;
  says: { x(value: number): string; y(value: number, line: Dataset): string };
  marks?: Record<string, AnnotationOptions>;
  legend?: boolean;
  label: string;
  onDrawn?: (chart: Chart) => void;
}) {
  const { palette, font, axis, title } = useChartStyle();
  const latest = useRef(onDrawn);
  // Before the library draws anew, which it does in an effect.
  useLayoutEffect(() => {
    latest.current = onDrawn;
  });
  const [over] = useState(() => ({
    id: 'over',
    afterDatasetsDraw: (chart: Chart) => latest.current?.(chart),
  }));
  const styled = ({ title: text, ticks, ...more }: Axis) => ({
    ...axis,
    ...(text === undefined ? {} : { title: title(text) }),
    ...more,
    ticks: { ...axis.ticks, ...ticks },
  });
  return (
    <Line
      aria-label={label}
      datasetIdKey="id"
      plugins={[over]}
      data={{ datasets: lines.map((line, i) => ({ ...dataset(line), id: i })) }}
      options={{
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        interaction: { mode: 'nearest', axis: 'x', intersect: false },
        scales: {
          x: { type: 'linear', ...styled(x) },
          y: { beginAtZero: true, ...styled(y) },
          ...Object.fromEntries(
            Object.entries(scales).map(([id, of]) => [id, { type: 'linear', ...styled(of) }]),
          ),
        },
        plugins: {
          legend: {
            display: legend,
            position: 'bottom',
            align: 'start',
            // As the lines are drawn: told apart without colour too.
            labels: { color: palette.text.primary, font, boxWidth: 26, boxHeight: 1 },
          },
          tooltip: {
            displayColors: false,
            callbacks: {
              title: ([item]) => says.x(item?.parsed.x ?? 0),
              label: ({ parsed, dataset: of }) =>
                `${of.label ? `${of.label}: ` : ''}${says.y(parsed.y ?? 0, of as Dataset)}`,
            },
          },
          annotation: { annotations: marks },
        },
      }}
    />
  );
}

/** A mark across the picture. */
export const markAt = (
  x: number,
  colour: string,
  more: Partial<AnnotationOptions<'line'>> = {},
): AnnotationOptions => ({
  type: 'line',
  xMin: x,
  xMax: x,
  borderColor: colour,
  borderDash: [2, 4],
  borderWidth: 1,
  ...more,
});

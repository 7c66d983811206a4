import { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useRef } from 'react';
import { unitOf } from '@kymar/core/choice/prices';
import { moneyWords } from '@kymar/core/choice/search';
import type { Price } from '@kymar/core/catalog/parts';
import { calendarDay } from '@kymar/core/units';
import { useChartStyle } from '../ui/chartstyle';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip);

/** What one cost over time, a step at each observation. */
export default function PriceChart({ list, currency }: { list: readonly Price[]; currency: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const style = useChartStyle();
  useEffect(() => {
    const { palette, axis, title } = style;
    const day = (time: number) => calendarDay(new Date(time));
    const chart = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: [
          {
            data: [...list].reverse().map((p) => ({ x: Date.parse(`${p.on}T12:00`), y: unitOf(p) })),
            borderColor: palette.flow,
            backgroundColor: palette.flow,
            stepped: 'before',
            borderWidth: 2,
            pointRadius: 3,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        parsing: false,
        scales: {
          x: {
            type: 'linear',
            grid: axis.grid,
            ticks: { ...axis.ticks, maxTicksLimit: 5, callback: (value) => day(Number(value)) },
          },
          y: { ...axis, title: title(currency) },
        },
        plugins: {
          tooltip: {
            displayColors: false,
            callbacks: {
              title: ([item]) => day(item?.parsed.x ?? 0),
              label: ({ parsed }) => moneyWords(parsed.y, currency),
            },
          },
        },
      },
    });
    return () => chart.destroy();
  }, [list, currency, style]);
  return <canvas ref={canvas} role="img" aria-label={`Price of one over time, ${currency}`} />;
}

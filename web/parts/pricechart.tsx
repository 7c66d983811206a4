import { useColorScheme, useTheme } from '@mui/material/styles';
import { Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useRef } from 'react';
import { unitOf } from '@kymar/core/choice/prices';
import { moneyWords } from '@kymar/core/choice/search';
import type { Price } from '@kymar/core/catalog/parts';
import { calendarDay } from '@kymar/core/units';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip);

/** What one cost over time, a step at each observation. */
export default function PriceChart({ list, currency }: { list: readonly Price[]; currency: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { mode, systemMode } = useColorScheme();
  const scheme = (mode === 'system' ? systemMode : mode) ?? 'light';
  const theme = useTheme();
  useEffect(() => {
    const palette = theme.colorSchemes[scheme]!.palette;
    const font = { family: theme.typography.fontFamily as string, size: 12 };
    const ticks = { color: palette.text.secondary, font, maxTicksLimit: 5 };
    const grid = { color: palette.divider, drawTicks: false };
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
          x: { type: 'linear', ticks: { ...ticks, callback: (value) => day(Number(value)) }, grid },
          y: { ticks, grid, title: { display: true, text: currency, color: palette.text.secondary, font } },
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
  }, [list, currency, scheme, theme]);
  return <canvas ref={canvas} role="img" aria-label={`Price of one over time, ${currency}`} />;
}

import { unitOf } from '@kymar/core/choice';
import type { Price } from '@kymar/core/catalog/parts';
import { calendarDay, moneyWords } from '@kymar/core/units';
import { useChartStyle } from '../ui/chartstyle';
import { LineChart } from '../ui/linechart';

const day = (time: number) => calendarDay(new Date(time));

/** What one cost over time, a step at each observation. */
export default function PriceChart({ list, currency }: { list: readonly Price[]; currency: string }) {
  const { palette } = useChartStyle();
  const points = [...list].reverse().map((p) => ({ x: Date.parse(`${p.on}T12:00`), y: unitOf(p) }));
  return (
    <LineChart
      lines={[{ points, colour: palette.flow, stepped: 'before', width: 2, dots: 3 }]}
      x={{ ticks: { maxTicksLimit: 5, callback: (value) => day(Number(value)) } }}
      y={{ title: currency, beginAtZero: false }}
      says={{ x: day, y: (amount) => moneyWords(amount, currency) }}
      label={`Price of one over time, ${currency}`}
    />
  );
}

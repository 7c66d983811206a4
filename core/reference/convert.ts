import { format, nominalSectors, parseQuantity, shownCapacity, numeral } from '../units';

export interface ConvertedRow {
  name: string;
  value: string;
}

export type Converted = { ok: true; rows: ConvertedRow[]; note?: string } | { ok: false; problem: string };

/** Value in the largest of these units that leaves a whole part. */
const inUnits = (value: number, units: [number, string][]): string => {
  const [size, name] = units.find(([size]) => Math.abs(value) >= size) ?? units.at(-1)!;
  return `${numeral(value / size)} ${name}`;
};
const DECIMAL: [number, string][] = [
  [1e15, 'PB'],
  [1e12, 'TB'],
  [1e9, 'GB'],
  [1e6, 'MB'],
  [1e3, 'kB'],
  [1, 'B'],
];
const BINARY: [number, string][] = [
  [2 ** 50, 'PiB'],
  [2 ** 40, 'TiB'],
  [2 ** 30, 'GiB'],
  [2 ** 20, 'MiB'],
  [2 ** 10, 'KiB'],
  [1, 'B'],
];
const BITS: [number, string][] = [
  [1e12, 'Tb'],
  [1e9, 'Gb'],
  [1e6, 'Mb'],
  [1e3, 'kb'],
  [1, 'b'],
];
const perSecond = (units: [number, string][]) =>
  units.map(([size, name]): [number, string] => [size, `${name}/s`]);

/** A size or a rate as people type it, in every unit of the trade. A `/s`, `ps` or "per second" makes it a rate. */
export function convert(text: string): Converted {
  const isRate = /(\/ ?s|ps|per ?sec)/i.test(text);
  const read = parseQuantity(text, isRate ? 'rate' : 'bytes');
  if (!read.ok) return read;
  const { value } = read;
  const rows: ConvertedRow[] = isRate
    ? [
        { name: 'Bytes, decimal', value: inUnits(value, perSecond(DECIMAL)) },
        { name: 'Bytes, binary', value: inUnits(value, perSecond(BINARY)) },
        { name: 'Bits', value: inUnits(value * 8, perSecond(BITS)) },
        { name: '1 TB takes', value: value > 0 ? format(1e12 / value, 's') : 'for ever' },
        { name: 'In an hour', value: inUnits(value * 3600, DECIMAL) },
      ]
    : [
        { name: 'Decimal', value: inUnits(value, DECIMAL) },
        { name: 'Binary', value: inUnits(value, BINARY) },
        { name: 'Bytes', value: numeral(value, 0) },
        { name: 'Bits', value: inUnits(value * 8, BITS) },
        ...(value >= 1e9
          ? [{ name: 'Shown where the system counts binary', value: shownCapacity(value, 'binary') }]
          : []),
        ...(value >= 50e9 && value <= 1e15 && Number.isInteger(value / 1e9)
          ? [{ name: 'Sectors of a drive sold as this', value: numeral(nominalSectors(value / 1e9), 0) }]
          : []),
      ];
  return { ok: true, rows, ...(read.note ? { note: read.note } : {}) };
}

/** The units a figure of Kymar can carry. Values are always in the base unit named here, never in a prefixed one. */
export const UNITS = [
  'B',
  'B/s',
  'bit/s',
  's',
  'ratio',
  '%',
  'count',
  'lanes',
  'B/day',
  'years',
  'per day',
  'IOPS',
  'W',
  'J',
  'mm',
  '°C',
  'K',
  'K/W',
  'J/K',
] as const;
export type Unit = (typeof UNITS)[number];

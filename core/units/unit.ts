/** The units a figure of Kymar can carry. Values are always in the base unit named here, never in a prefixed one. */
export type Unit = 'B' | 'B/s' | 'bit/s' | 's' | 'ratio' | '%' | 'count' | 'lanes' | 'B/day' | 'years' | 'per day' | 'IOPS';

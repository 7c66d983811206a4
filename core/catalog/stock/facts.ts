import type { Fact } from '../../evidence';

export const MB = 1e6;
export const GB = 1e9;
export const TB = 1e12;

/** A figure off an invented maker's sheet. */
export const sheet = (value: number): Fact => ({ value, source: { kind: 'sheet', note: 'data sheet' } });
/** What was seen of it: low, expected, high. */
export const seen = (low: number, expected: number, high: number, note: string): Fact => ({
  value: [low, expected, high],
  source: { kind: 'measured', note },
});
export const unknown: Fact = { value: null, source: { kind: 'unknown' } };

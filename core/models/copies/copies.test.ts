import { explaining, given } from '../../evidence';
import { fillsIn, lacking, usableOf } from './copies';
import type { Copy } from './copy';

const copy = (medium: Copy['medium'], offSite = false): Copy => ({ name: medium, medium, offSite });
const known = (value: number | null) => ({
  value,
  source: { kind: value === null ? ('unknown' as const) : ('entered' as const) },
});

test('three copies, two media, one elsewhere [common practice, no source]', () => {
  expect(lacking([copy('flash'), copy('disk'), copy('cloud', true)])).toEqual([]);
  expect(lacking([])).toEqual([
    'No copies, 3 are asked for.',
    'No kinds of media, 2 are asked for.',
    'No copy elsewhere, 1 is asked for.',
  ]);
  expect(lacking([copy('flash')])).toEqual([
    'Only 1 copy, 3 are asked for.',
    'Only 1 kind of medium, 2 are asked for.',
    'No copy elsewhere, 1 is asked for.',
  ]);
});

test('an array is one copy on disks, not a backup', () => {
  expect(lacking([copy('array'), copy('disk'), copy('disk', true)])).toEqual([
    'Only 1 kind of medium, 2 are asked for.',
  ]);
  expect(lacking([copy('array', true)], { copies: 1, media: 1, offSite: 1 })[0]).toMatch(/not a backup/);
});

test('another rule is kept as it is said', () =>
  expect(lacking([copy('flash'), copy('flash')], { copies: 2, media: 1, offSite: 0 })).toEqual([]));

test('it fills when arithmetic says; what is unknown widens it', () => {
  const usable = given('usable', 8e12, 'B', { kind: 'sheet' });
  const alone = (now: number, growth: number | null) =>
    fillsIn(explaining, usable, [{ name: 'nights', now: known(now), growth: known(growth) }]);
  expect(alone(2e12, 6e9).expected).toBeCloseTo(6e12 / 6e9 / 365, 9);
  expect(alone(9e12, 6e9).expected).toBe(0);
  expect(alone(2e12, 0)).toMatchObject({
    low: 1000,
    high: 1000,
    because: { note: expect.stringMatching(/never/) },
  });
  const open = alone(2e12, null);
  expect(open.high / open.low).toBeGreaterThan(10);
  expect(usableOf(explaining, usable).expected).toBeCloseTo(8e12 * 0.92, 0);
});

test('what else is kept on it fills it too, and each is named', () => {
  const usable = given('usable', 8e12, 'B', { kind: 'sheet' });
  const [nights, scans] = [
    { name: 'nights', now: known(2e12), growth: known(6e9) },
    { name: 'scans', now: known(1e12), growth: known(4e9) },
  ];
  const both = fillsIn(explaining, usable, [nights!, scans!]);
  expect(both.expected).toBeCloseTo(5e12 / 10e9 / 365, 9);
  expect(both.because.inputs!.map((i) => i.because.name)).toEqual([
    'usable',
    'kept today, nights',
    'growth a day, nights',
    'kept today, scans',
    'growth a day, scans',
  ]);
  // Two unknown things seldom grow at their fastest both: the range of the sum is narrower than the sum of the ranges.
  const open = { ...nights, name: 'open', growth: known(null) };
  const [one, two] = [
    fillsIn(explaining, usable, [open]),
    fillsIn(explaining, usable, [open, { ...open, name: 'another' }]),
  ];
  expect(two.high / two.low).toBeLessThan(one.high / one.low);
});

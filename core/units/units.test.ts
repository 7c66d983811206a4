import fc from 'fast-check';
import {
  binary,
  format,
  mbrLimit,
  nominalSectors,
  parseQuantity,
  readNumber,
  shownCapacity,
  type Dimension,
} from '.';
import { runs } from '../fixtures/draws';

function value(text: string, dimension: Dimension): number {
  const read = parseQuantity(text, dimension);
  if (!read.ok) throw new Error(read.problem);
  return read.value;
}

describe('quantities as people type them', () => {
  test.each<[string, Dimension, number]>([
    ['1.5TB', 'bytes', 1.5e12],
    ['58,7 GB', 'bytes', 58.7e9],
    ['1,500 GB', 'bytes', 1500e9],
    ['1.500,5 MB', 'bytes', 1500.5e6],
    ['1 953 525 168', 'bytes', 1953525168],
    ['512 MiB', 'bytes', 512 * 2 ** 20],
    ['2 gb', 'bytes', 2e9],
    ['8 Gbit', 'bytes', 1e9],
    ['64k', 'bytes', 64e3],
    ['10Gbps', 'rate', 1.25e9],
    ['480 Mb/s', 'rate', 60e6],
    ['450 MB/s', 'rate', 450e6],
    ['3.5 GB/s', 'rate', 3.5e9],
    ['200 MBps', 'rate', 200e6],
    ['100 MiB/s', 'rate', 100 * 2 ** 20],
    ['5 Gbit/s', 'rate', 625e6],
    ['2m10s', 'time', 130],
    ['1:27:05', 'time', 5225],
    ['2:10', 'time', 130],
    ['40 min', 'time', 2400],
    ['1h 5 min', 'time', 3900],
    ['1,5 h', 'time', 5400],
    ['250 ms', 'time', 0.25],
    ['21 h 50 min', 'time', 78600],
    ['240k', 'count', 240000],
    ['60 GB/day', 'perDay', 60e9],
    ['365.25 GB a year', 'perDay', 1e9],
    ['1 a week', 'times', 1 / 7],
    ['2 times per day', 'times', 2],
    ['3', 'times', 3],
    ['35 %', 'percent', 0.35],
    ['6m20', 'time', 380],
    ['6 min 05', 'time', 365],
  ])('%s as %s', (text, dimension, expected) => expect(value(text, dimension)).toBeCloseTo(expected, 6));

  test.each<[string, Dimension, RegExp]>([
    ['fast', 'rate', /not a number/],
    ['-3 GB', 'bytes', /negative/],
    ['-10 min', 'time', /negative|not known/],
    ['3 parsecs', 'bytes', /unit .* not known/],
    ['3 GB', 'time', /not known/],
    ['1:75:00', 'time', /not known/],
    ['5s 2m', 'time', /not known/],
    ['1,2,3', 'bytes', /not a number/],
    ['', 'bytes', /Nothing entered/],
    ['9e99 TB', 'bytes', /too large/],
    ['NaN', 'count', /not a number/],
    ['2 a fortnight', 'times', /not known/],
    ['60 per day', 'perDay', /not known/],
  ])('refuses %s as %s and says what to write', (text, dimension, problem) => {
    const read = parseQuantity(text, dimension);
    expect(read).toMatchObject({ ok: false, problem: expect.stringMatching(problem) });
  });

  test.each([
    ['39 GB', 520e9, 0.075],
    ['39 of 520 GB', undefined, 0.075],
    ['390 GB free of 520 GB', undefined, 0.25],
    ['1/4 TB', undefined, 0.25],
    ['130GB free', 520e9, 0.75],
  ])('%s is a share', (text, whole, value) => {
    const read = parseQuantity(text, 'percent', undefined, whole);
    expect(read.ok && read.value).toBeCloseTo(value);
  });
  test('a size is a share of nothing that nobody knows, and never more than all of it', () => {
    expect(parseQuantity('39 GB', 'percent')).toMatchObject({
      problem: expect.stringMatching(/^Of how much\?/),
    });
    expect(parseQuantity('600 GB', 'percent', undefined, 520e9)).toMatchObject({
      problem: '600 GB is more than all of it, 520 GB.',
    });
    expect(parseQuantity('7 parsecs', 'percent', undefined, 520e9).ok).toBe(false);
  });
  test('unclear letters are read and the reading is said', () => {
    expect(parseQuantity('400 mb/s', 'rate')).toMatchObject({
      value: 50e6,
      note: expect.stringContaining('bits'),
    });
    expect(parseQuantity('1.5TB', 'bytes')).toMatchObject({ understood: '1.5 TB' });
    expect(parseQuantity('40', 'percent').ok && parseQuantity('40', 'percent')).toMatchObject({
      understood: '40 %',
    });
  });

  test('never throws and never returns a negative or endless value', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.constantFrom<Dimension>('bytes', 'rate', 'time', 'count', 'perDay', 'times', 'percent'),
        (text, dimension) => {
          const read = parseQuantity(text, dimension);
          return !read.ok || (Number.isFinite(read.value) && read.value >= 0);
        },
      ),
      runs(100),
    );
  });

  test('what is shown can be typed back', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 9e14, noNaN: true }), (bytes) => {
        expect(value(format(bytes, 'B', 9), 'bytes') / bytes).toBeCloseTo(1, 6);
        expect(value(format(bytes, 'B/s', 9), 'rate') / bytes).toBeCloseTo(1, 4);
      }),
      runs(100),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 86399 }),
        (seconds) => value(format(seconds, 's', 6), 'time') === seconds,
      ),
      runs(100),
    );
  });
});

describe('2.1 prefixes and capacities', () => {
  test('1 Gb/s is 125 MB/s', () => expect(value('1 Gb/s', 'rate')).toBe(125e6));
  test('sizes that programs count in powers of two', () =>
    expect([4096, 131072, 1 << 20, 3 * 2 ** 30, 5000, 1000].map(binary)).toEqual([
      '4 KiB',
      '128 KiB',
      '1 MiB',
      '3 GiB',
      format(5000, 'B'),
      format(1000, 'B'),
    ]));
  // standard IEC 80000-13
  test('binary prefixes', () =>
    expect([
      value('1 KiB', 'bytes'),
      value('1 MiB', 'bytes'),
      value('1 GiB', 'bytes'),
      value('1 TiB', 'bytes'),
    ]).toEqual([1024, 1048576, 1073741824, 1099511627776]));
  // standard IDEMA LBA1-03
  test('1,000 GB drive', () => expect(nominalSectors(1000)).toBe(1_953_525_168));
  test('8 TB drive', () => expect(nominalSectors(8000)).toBe(15_628_053_168));
  // standard SFF-8447
  test('16 TB drive', () => expect(nominalSectors(16000)).toBe(31_251_759_104));
  test('too small for either standard', () => expect(() => nominalSectors(10)).toThrow(RangeError));
  // common practice, no source
  test('8 TB as shown', () => {
    expect(shownCapacity(8e12, 'binary')).toBe('7.28 TB');
    expect(shownCapacity(8e12, 'decimal')).toBe('8.00 TB');
  });
  // standard UEFI: 32-bit sector numbers in the MBR
  test('MBR ends', () => {
    expect(mbrLimit(512) / 1e12).toBeCloseTo(2.199, 3);
    expect(mbrLimit(4096) / 1e12).toBeCloseTo(17.592, 3);
  });
  test('numbers with any separator', () =>
    expect(['0,001', '.5', "1'000'000", '1e3', '1.2.3.4'].map(readNumber)).toEqual([
      0.001,
      0.5,
      1e6,
      1000,
      undefined,
    ]));
});

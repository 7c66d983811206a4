import fc from 'fast-check';
import {
  calendarDay,
  calendarMonth,
  duration,
  format,
  formatRange,
  moment,
  numeral,
  shortMoment,
  parseQuantity,
  timeOfDay,
  type Unit,
} from '.';
import { runs } from '../fixtures/draws';

test.each<[number, Unit, string]>([
  [0, 'B', '0 B'],
  [999, 'B', '999 B'],
  [58.7e9, 'B', '58.7 GB'],
  [999.9e9, 'B', '1 TB'],
  [1200e12, 'B', '1,200 TB'],
  [20e15, 'B', '20 PB'],
  [969.7e6, 'B/s', '970 MB/s'],
  [3938.46e6, 'B/s', '3,938 MB/s'],
  [53.248e6, 'B/s', '53.2 MB/s'],
  [5e9, 'bit/s', '5 Gb/s'],
  [328.77e9, 'B/day', '329 GB/day'],
  [26.04, 'years', '26 years'],
  [0.7, 'ratio', '0.7'],
  [0.0345, '%', '3.45 %'],
  [4, 'lanes', '×4'],
  [38400, 'count', '38,400'],
  [1, 'per day', '1 a day'],
  [1 / 7, 'per day', '1 a week'],
  [90000, 'IOPS', '90,000 IOPS'],
  [NaN, 'B', 'not known'],
  [Infinity, 's', 'without end'],
])('%d %s reads %s', (value, unit, text) => expect(format(value, unit)).toBe(text));

test('in a field, what grows is told by the year where that is what was typed', () => {
  for (const text of ['1.7 TB/year', '320 GB/year', '45 GB/day', '1.5 GB/day']) {
    const read = parseQuantity(text, 'perDay');
    expect(read.ok && format(read.value, 'B/day', 6)).toBe(text);
  }
});

test.each([
  [0, '0 s'],
  [2e-6, '2 µs'],
  [0.0042, '4.2 ms'],
  [0.42, '0.42 s'],
  [42.34, '42.3 s'],
  [59.96, '1 min 00 s'],
  [425, '7 min 05 s'],
  [3599.7, '1 h 00 min'],
  [5225, '1 h 27 min'],
  [78600, '21 h 50 min'],
  [86400 * 3.2, '3.2 days'],
  [-5, '−5 s'],
])('%d s reads %s', (seconds, text) => expect(duration(seconds)).toBe(text));

test('a longer time never reads like a shorter one of the same grain', () => {
  const seconds = (text: string) => {
    const part = (unit: string) => Number(new RegExp(`(\\d+) ${unit}`).exec(text)?.[1] ?? 0);
    return part('h') * 3600 + part('min') * 60 + part('s');
  };
  fc.assert(
    fc.property(
      fc.integer({ min: 60, max: 100_000 }),
      fc.integer({ min: 0, max: 10_000 }),
      (a, more) => seconds(duration(a)) <= seconds(duration(a + more)),
    ),
    runs(100),
  );
});

describe('numbers and dates in one place', () => {
  test('thousands apart, so many decimals, as many as asked for and no more than can be', () => {
    expect([numeral(1234567.891), numeral(1234567.891, 0), numeral(0.5, 99)]).toEqual([
      '1,234,567.891',
      '1,234,568',
      '0.5',
    ]);
  });
  test('a calendar day is the same in every time zone; a moment is the reader’s own', () => {
    expect([calendarDay('2031-03-05'), calendarMonth('2031-03-31T23:59:59Z')]).toEqual([
      '5 March 2031',
      'March 2031',
    ]);
    const at = new Date(2031, 2, 5, 9, 12);
    expect([moment(at), shortMoment(at), timeOfDay(at)]).toEqual([
      '5 Mar 2031, 09:12',
      '5 Mar, 09:12',
      '09:12',
    ]);
  });
});

test('a range loses no digit of its lower end: what is said once is its unit', () => {
  expect(formatRange({ low: 241, high: 421 }, 's')).toBe('4 min 01 s to 7 min 01 s');
  expect(formatRange({ low: 12 * 3600 + 42 * 60, high: 15 * 3600 + 42 * 60 }, 's')).toBe(
    '12 h 42 min to 15 h 42 min',
  );
  expect(formatRange({ low: 12e9, high: 15e9 }, 'B')).toBe('12 to 15 GB');
  const digitsOf = (words: string) => words.replace(/\D/g, '');
  fc.assert(
    fc.property(
      fc.double({ min: 0.001, max: 1e6, noNaN: true }),
      fc.double({ min: 1, max: 20, noNaN: true }),
      (low, by) => {
        const [from, to] = [format(low, 's'), format(low * by, 's')];
        const range = formatRange({ low, high: low * by }, 's');
        expect(digitsOf(range)).toBe(from === to ? digitsOf(from) : digitsOf(from) + digitsOf(to));
      },
    ),
    runs(300),
  );
});

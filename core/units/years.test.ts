import { parseFact, writeFact } from '../evidence';
import { format, formatRange } from '.';

describe('years and how often, in one kind of words everywhere', () => {
  test.each([
    [0.0005, '4 h 23 min'],
    [0.02, '7 days'],
    [0.15, '8 weeks'],
    [0.4, '5 months'],
    [4.56, '4.6 years'],
    [11.7, '12 years'],
    [5, '5 years'],
    [5479, 'over 100 years'],
  ])('%s years: %s', (years, words) => {
    expect(format(years, 'years')).toBe(words);
    // Whoever asks for other digits is told the same.
    expect(format(years, 'years', 5)).toBe(words);
  });

  test('a range says once what rounds to the same, and its unit once', () => {
    expect(formatRange({ low: 4.56, high: 4.61 }, 'years')).toBe('4.6 years');
    expect(formatRange({ low: 3.94, high: 5.2 }, 'years')).toBe('3.9 to 5.2 years');
    expect(formatRange({ low: 0.4, high: 5.2 }, 'years')).toBe('5 months to 5.2 years');
    expect(formatRange({ low: 130, high: 5479 }, 'years')).toBe('over 100 years');
    expect(formatRange({ low: 352, high: 528 }, 's')).toBe('5 min 52 s to 8 min 48 s');
  });

  test.each(['3 a day', '2 a week', '2 a month', '5 a year', 'once'])(
    '%s is told as it was typed',
    (typed) => {
      const read = parseFact(typed, 'times');
      expect(read.ok && writeFact(read.value, 'per day')).toBe(typed);
    },
  );
});

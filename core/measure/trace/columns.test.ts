import fc from 'fast-check';
import { guessColumns, readClock, TraceReader, type TraceColumns } from './columns';
import { runs } from '../../fixtures/draws';

const guess = (text: string): TraceColumns | null => {
  const [first, ...rows] = text
    .trim()
    .split('\n')
    .map((line) => line.split(/[;\t]/));
  const isHead = first!.some((cell) => /[a-z]{2}/i.test(cell));
  return guessColumns(isHead ? first! : null, isHead ? rows : [first!, ...rows]);
};

describe('what columns are', () => {
  test.each<[string, Partial<TraceColumns>]>([
    [
      'Time (s);Speed (MB/s)\n0;900\n0.5;910\n1;880',
      { time: 0, timeUnit: 1, amount: 1, kind: 'rate', unit: 1e6, warmth: null },
    ],
    [
      'elapsed_ms;written bytes;temp °C\n0;0;40\n100;5000;41\n200;9000;41',
      { time: 0, timeUnit: 1e-3, amount: 1, kind: 'bytes', unit: 1, warmth: 2 },
    ],
    ['t;MiB\n0;0\n1;512\n2;1024', { time: 0, amount: 1, kind: 'bytes', unit: 2 ** 20 }],
    [
      'Zeit;Rate MB/s\n0,0;812,5\n0,5;799,1\n1,0;801,0',
      { time: 0, amount: 1, kind: 'rate', unit: 1e6, comma: true },
    ],
    [
      'Timestamp;GB copied;speed\n2031-04-05 10:00:00;0;0\n2031-04-05 10:00:01;0.9;900\n2031-04-05 10:00:02;1.8;900',
      { time: 0, timeUnit: 'clock', amount: 1, kind: 'bytes', unit: 1e9 },
    ],
    ['speed Gbit/s\n7.1\n7.3\n7', { time: null, amount: 0, kind: 'rate', unit: 125e6 }],
    ['0;0\n1;100\n2;220\n3;290', { time: 0, amount: 1, kind: 'bytes', unit: 1 }],
    ['0\t512\n1\t498\n2\t505', { time: 0, amount: 1, kind: 'rate' }],
  ])('%s', (text, expected) => {
    expect(guess(text)).toMatchObject(expected);
  });

  test('a table without numbers has none', () => {
    expect(guess('name;note\nfoo;bar\nbaz;qux')).toBeNull();
    expect(guessColumns(null, [])).toBeNull();
  });

  test('clock times, with and without a date', () => {
    expect(readClock('1:02:03.5')).toBe(3723.5);
    expect(readClock('23:59')).toBe(86340);
    expect(readClock('2031-04-05T10:00:01Z') - readClock('2031-04-05T10:00:00Z')).toBe(1);
    for (const wrong of ['', '12', '1:2', 'noon', '99']) expect(readClock(wrong)).toBeNaN();
  });
});

describe('rows made a trace', () => {
  const columns: TraceColumns = {
    time: 0,
    timeUnit: 1,
    apart: 1,
    amount: 1,
    kind: 'bytes',
    unit: 1,
    warmth: null,
    comma: false,
  };

  test('growing numbers come back as they were, however many', () => {
    const steps = fc.array(fc.tuple(fc.nat(1000), fc.nat(1e6)), { minLength: 1, maxLength: 9000 });
    fc.assert(
      fc.property(steps, (list) => {
        let [t, bytes] = [0, 0];
        const rows = list.map(([dt, db]) => [(t += dt), (bytes += db)]);
        const reader = new TraceReader(columns);
        for (const row of rows) reader.add(row.map(String));
        const made = reader.trace();
        expect([...made.t]).toEqual(rows.map(([at]) => at));
        expect([...made.bytes]).toEqual(rows.map(([, b]) => b));
        expect(reader.left).toEqual({ notNumbers: 0, backwards: 0 });
      }),
      runs(20),
    );
  });

  test('rates add up over the time between rows; what goes back or is no number is left out and counted', () => {
    const reader = new TraceReader({ ...columns, kind: 'rate', unit: 1e6 });
    for (const row of ['0;100', '2;100', 'x;5', '1;100', '4;50', '5;', '6;-3']) reader.add(row.split(';'));
    const { t, bytes } = reader.trace();
    expect([...t]).toEqual([0, 2, 4]);
    expect([...bytes]).toEqual([0, 2e8, 3e8]);
    expect(reader.left).toEqual({ notNumbers: 3, backwards: 1 });
  });

  test('a clock that passes midnight goes on', () => {
    const reader = new TraceReader({ ...columns, timeUnit: 'clock' });
    for (const row of ['23:59:59;0', '00:00:01;10', '00:00:03;30']) reader.add(row.split(';'));
    expect([...reader.trace().t].map((t) => t - 86399)).toEqual([0, 2, 4]);
  });
});

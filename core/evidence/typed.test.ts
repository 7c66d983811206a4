import { spread } from '../stats';
import fc from 'fast-check';
import { parseFact, writeFact } from '.';
import { given, sourceWords } from '.';
import { EstimateSchema } from '.';
import { runs } from '../fixtures/draws';

const value = (text: string, dimension: Parameters<typeof parseFact>[1] = 'bytes') => {
  const read = parseFact(text, dimension);
  if (!read.ok) throw new Error(read.problem);
  return read.value;
};

describe('facts as people type them', () => {
  test.each<[string, Parameters<typeof parseFact>[1], unknown]>([
    ['2 TB', 'bytes', 2e12],
    ['120 to 320 GB', 'bytes', [120e9, 220e9, 320e9]],
    ['120 / 180 / 320 GB', 'bytes', [120e9, 180e9, 320e9]],
    ['900 GB to 1.2 TB', 'bytes', [900e9, 1.05e12, 1.2e12]],
    ['780–1050 MB/s', 'rate', [780e6, 915e6, 1050e6]],
    ['450 MB/s', 'rate', 450e6],
    ['1 to 3 a week', 'times', [1 / 7, 2 / 7, 3 / 7]],
    ['1k to 3k', 'count', [1000, 2000, 3000]],
    ['?', 'bytes', null],
    ['not known', 'rate', null],
    ['', 'count', null],
    ['N/A', 'bytes', null],
  ])('%s', (text, dimension, expected) => {
    const found = value(text, dimension);
    if (Array.isArray(expected))
      (found as number[]).forEach((v, i) => expect(v / (expected as number[])[i]!).toBeCloseTo(1, 9));
    else expect(found).toBe(expected);
  });

  test.each([
    ['320 to 120 GB', /must rise/],
    ['10 to 5 to 20 GB', /must rise/],
    ['1 to 2 to 3 to 4 GB', /no range/],
    ['to 5 GB', /no range/],
    ['5 GB to many', /not a number/],
    ['-5 to 5 GB', /negative/],
  ])('%s is refused', (text, problem) =>
    expect(parseFact(text, 'bytes')).toMatchObject({ ok: false, problem: expect.stringMatching(problem) }),
  );

  test('what is shown can be typed back', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 999_000 }), { minLength: 3, maxLength: 3 }),
        (points) => {
          const [a, b, c] = points.map((p) => p * 1e9).sort((x, y) => x - y) as [number, number, number];
          (value(writeFact([a, b, c], 'B')) as number[]).forEach((v, i) =>
            expect(v / [a, b, c][i]!).toBeCloseTo(1, 5),
          );
          (value(writeFact([a, b, c], 'B/s'), 'rate') as number[]).forEach((v, i) =>
            expect(v / [a, b, c][i]!).toBeCloseTo(1, 5),
          );
        },
      ),
      runs(100),
    );
    expect(value(writeFact(null, 'B'))).toBeNull();
    expect(writeFact([780e6, 900e6, 1050e6], 'B/s')).toBe('780 / 900 / 1,050 MB/s');
    expect(writeFact([900e9, 1e12, 2e12], 'B')).toBe('900 GB / 1 TB / 2 TB');
  });

  test('no text makes it throw', () => {
    fc.assert(
      fc.property(fc.string(), (text) => typeof parseFact(text, 'bytes').ok === 'boolean'),
      runs(100),
    );
  });
});

describe('sources and estimates in files', () => {
  test('each kind of source has its words', () => {
    expect(sourceWords({ kind: 'practice' })).toBe('common practice, no source');
    expect(sourceWords({ kind: 'sheet', note: 'data sheet B' })).toBe('stated: data sheet B');
    expect(sourceWords({ kind: 'memory' })).toMatch(/from memory/);
  });
  test('an estimate with its working survives a file, and a torn one is refused', () => {
    const estimate = {
      ...given('a', spread(1, 2, 3, 9), 'B/s', { kind: 'practice' }),
      because: {
        name: 'b',
        how: 'exact' as const,
        formula: 'x ÷ y',
        inputs: [given('c', 5, 's', { kind: 'entered' })],
      },
    };
    expect(EstimateSchema.parse(JSON.parse(JSON.stringify(estimate)))).toEqual(estimate);
    expect(EstimateSchema.safeParse({ ...estimate, low: null }).success).toBe(false);
    expect(
      EstimateSchema.safeParse({ ...estimate, because: { ...estimate.because, inputs: [{}] } }).success,
    ).toBe(false);
  });
});

describe('what hurried people type', () => {
  const TB = 1e12;
  test.each<[string, Parameters<typeof parseFact>[1], string | undefined, unknown]>([
    ['1.5TB', 'bytes', 'GB', 1.5 * TB],
    ['83,2 GB', 'bytes', 'GB', 83.2e9],
    ['200', 'bytes', 'GB', 200e9],
    ['2,400', 'bytes', 'TB', 2400 * TB],
    ['2400 TBW', 'bytes', 'TB', 2400 * TB],
    ['½ TB', 'bytes', 'GB', TB / 2],
    ['1½ TB', 'bytes', 'GB', 1.5 * TB],
    ['10 gig', 'bytes', 'GB', 10e9],
    ['3 gigs', 'bytes', 'GB', 3e9],
    ['5 TB + 4 TB', 'bytes', 'GB', 9 * TB],
    ['5 + 4 TB', 'bytes', 'GB', 9 * TB],
    ['600-640 GB', 'bytes', 'GB', [600e9, 620e9, 640e9]],
    ['600 - 640 GB', 'bytes', 'GB', [600e9, 620e9, 640e9]],
    ['600-640', 'bytes', 'GB', [600e9, 620e9, 640e9]],
    ['10Gbps', 'rate', undefined, 1.25e9],
    ['2m10s', 'time', 'min', 130],
    ['1:27:05', 'time', 'min', 5225],
    ['1h30', 'time', 'min', 5400],
    ['25', 'time', 'min', 1500],
    ['20-30', 'time', 'min', [1200, 1500, 1800]],
    ['52000 images', 'count', undefined, 52_000],
    ['52,000', 'count', undefined, 52_000],
    ['240k files', 'count', undefined, 240_000],
    ['5 years', 'count', undefined, 5],
    ['5 years', 'time', undefined, 5 * 365.25 * 86_400],
    ['daily', 'times', undefined, 1],
    ['every evening', 'times', undefined, 1],
    ['monthly', 'times', undefined, 12 / 365.25],
    ['twice a week', 'times', undefined, 2 / 7],
    ['40 %', 'percent', undefined, 0.4],
    ['-10 °C', 'temperature', undefined, -10],
    ['95 F', 'temperature', undefined, 35],
  ])('%s (%s, bare %s)', (text, dimension, bare, value) => {
    const read = parseFact(text, dimension, bare);
    expect(read).toMatchObject({ ok: true });
    const found = read.ok ? [read.value].flat() : [];
    const wanted = [value].flat() as number[];
    expect(found).toHaveLength(wanted.length);
    wanted.forEach((v, i) => expect(found[i]! / v).toBeCloseTo(1, 9));
  });

  test('a bare number says what it was taken for; hardly anything is questioned; what may mean two things is asked', () => {
    expect(parseFact('200', 'bytes', 'GB')).toMatchObject({
      note: 'No unit: read as GB.',
      understood: '200 GB',
    });
    expect(parseFact('200 B', 'bytes', 'GB')).toMatchObject({
      note: expect.stringMatching(/200 B\?.*check the unit/),
    });
    expect(parseFact('52.000', 'count')).toEqual({
      ok: false,
      problem: expect.stringMatching(/52000 or 52\?/),
    });
    expect(parseFact('-80 °C', 'temperature')).toMatchObject({ ok: false });
    expect(parseFact('-5 GB', 'bytes', 'GB')).toMatchObject({ ok: false });
    expect(parseFact('3 + parsecs', 'bytes', 'GB')).toMatchObject({ ok: false });
  });

  test('a sum of sizes is the sum, a hyphen between two of them a range, whatever they are', () => {
    const size = fc.integer({ min: 1, max: 9999 });
    fc.assert(
      fc.property(size, size, fc.constantFrom('GB', 'TB', 'MB'), (a, b, unit) => {
        const one = (n: number) => (parseFact(`${n} ${unit}`, 'bytes') as { value: number }).value;
        expect(parseFact(`${a} ${unit} + ${b} ${unit}`, 'bytes')).toMatchObject({ value: one(a) + one(b) });
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(parseFact(`${low}-${high} ${unit}`, 'bytes')).toMatchObject({
          value: [one(low), (one(low) + one(high)) / 2, one(high)],
        });
      }),
      runs(100),
    );
  });
});

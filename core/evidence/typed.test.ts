import { spread } from '../stats';
import fc from 'fast-check';
import { parseFact, writeFact } from '.';
import { given, sourceWords } from '.';
import { EstimateSchema } from '.';

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
    );
    expect(value(writeFact(null, 'B'))).toBeNull();
    expect(writeFact([780e6, 900e6, 1050e6], 'B/s')).toBe('780 / 900 / 1,050 MB/s');
    expect(writeFact([900e9, 1e12, 2e12], 'B')).toBe('900 GB / 1 TB / 2 TB');
  });

  test('no text makes it throw', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof parseFact(text, 'bytes').ok === 'boolean'));
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

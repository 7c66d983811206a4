import type { JobMachine, Run } from '../job';
import { demoJobs } from '../demo';
import fc from 'fast-check';
import { ownRates, convert, RULES_OF_THUMB } from '.';
import { runs } from '../fixtures/draws';

const rows = (text: string) => {
  const found = convert(text);
  if (!found.ok) throw new Error(found.problem);
  return Object.fromEntries(found.rows.map((r) => [r.name, r.value]));
};

describe('the unit converter', () => {
  test('sizes', () => {
    expect(rows('8 TB')).toEqual({
      Decimal: '8 TB',
      Binary: '7.276 TiB',
      Bytes: '8,000,000,000,000',
      Bits: '64 Tb',
      'Shown where the system counts binary': '7.28 TB',
      'Sectors of a drive sold as this': '15,628,053,168',
    });
    expect(rows('1 GiB').Bytes).toBe('1,073,741,824');
    expect(rows('512 MiB').Binary).toBe('512 MiB');
  });
  test('rates', () => {
    expect(rows('10 Gb/s')).toEqual({
      'Bytes, decimal': '1.25 GB/s',
      'Bytes, binary': '1.164 GiB/s',
      Bits: '10 Gb/s',
      '1 TB takes': '13 min 20 s',
      'In an hour': '4.5 TB',
    });
    expect(rows('100Mbps')['Bytes, decimal']).toBe('12.5 MB/s');
    expect(rows('0 MB/s')['1 TB takes']).toBe('for ever');
  });
  test('what is no quantity is told', () =>
    expect(convert('fast')).toMatchObject({ ok: false, problem: expect.stringMatching(/not a number/) }));
  test('no text makes it throw', () => {
    fc.assert(
      fc.property(fc.string(), (text) => typeof convert(text).ok === 'boolean'),
      runs(100),
    );
  });
});

test('every rule of thumb has a reason and says where it comes from', () => {
  for (const { rule, why, source } of RULES_OF_THUMB) {
    expect(rule.length > 10 && why.length > 10).toBe(true);
    expect(['practice', 'memory', 'standard']).toContain(source.kind);
    if (source.kind === 'standard') expect(source.note).toBeTruthy();
  }
});

describe('what the shop’s own runs say of a link', () => {
  const job = demoJobs()[0]!;
  const quick = { value: 20e9, source: { kind: 'measured' as const } };
  const [machine] = job.machines as [JobMachine];
  const { host } = machine;
  const fast = { ...host, storage: { ...host.storage, read: quick, write: quick } };
  const run = (change: Partial<Run> = {}, seconds = 40): Run => ({
    ...job.runs[4]!,
    measure: {
      ...(job.runs[4]!.measure as Extract<Run['measure'], { kind: 'timed' }>),
      bytes: 38e9,
      files: 1,
      seconds,
    },
    ...change,
  });
  const own = (...runs: Run[]) => ownRates([{ ...job, machines: [{ ...machine, host: fast }], runs }]);
  test('runs that the link alone decided count, each direction apart', () => {
    expect(own(run(), run({}, 38), run({}, 41))).toEqual([
      { link: 'usb-10', direction: 'read', low: 38e9 / 41, middle: 950e6, high: 1e9, runs: 3 },
    ]);
  });
  test('those of many files, past the cache, simulated, impossible, cut off or on no described path do not', () => {
    const many = run();
    const measure = { ...many.measure, files: 38_000 } as Run['measure'];
    expect(own({ ...many, measure })).toEqual([]);
    expect(own({ ...job.runs[0]! })).toEqual([]);
    expect(own(run({ source: 'simulated' }))).toEqual([]);
    expect(own(run({}, 20))).toEqual([]);
    expect(own(run({ ended: 'aborted' }))).toEqual([]);
    expect(own(run({ path: null }))).toEqual([]);
  });
});

import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { demoJobs } from '../demo';
import { firstOf, rebuilt } from '../fixtures/forecast';
import { verdict } from '../verdict';
import {
  VERSION,
  checkJob,
  isUntouched,
  directionOf,
  filesOf,
  logNormalSizes,
  type Activity,
  type Move,
  Job,
  jobJsonSchema,
  nextStage,
  readJob,
  stages,
  writeJob,
} from '.';
import { runs } from '../fixtures/draws';

const [offload, scans] = demoJobs() as [Job, Job];
const { build } = firstOf(offload);
const problems = (text: string) => {
  const read = readJob(text);
  return read.ok ? [] : read.problems;
};

describe('the job file', () => {
  test('what is written is read back the same', () => {
    for (const job of [offload, scans]) expect(readJob(writeJob(job))).toEqual({ ok: true, value: job });
  });

  test('the published schema is the one in force, and an outside validator takes the demo by it', () => {
    const published = JSON.parse(readFileSync('docs/schema/job-v4.schema.json', 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(jobJsonSchema())));
    const ajv = new Ajv({ strict: false });
    addFormats(ajv);
    const check = ajv.compile(published);
    for (const job of [offload, scans])
      expect([check(JSON.parse(writeJob(job))), check.errors]).toEqual([true, null]);
    expect(check({ ...offload, activities: 'none' })).toBe(false);
  });

  test('a kept sample of every version is still read', () => {
    for (const version of [1, 2, 3, 4]) {
      const text = readFileSync(`docs/samples/job-v${version}.kymar.json`, 'utf8');
      expect(JSON.parse(text).kymarVersion).toBe(version);
      const read = readJob(text);
      expect(read).toMatchObject({
        ok: true,
        value: { kymarVersion: VERSION, id: 'demo-acoustics-offload', runs: { length: 7 } },
      });
      expect(read.ok && isUntouched(read.value.forecasts[0]!)).toBe(true);
    }
  });

  test.each([
    ['no JSON', '{"kymarVersion": 1,\n "id": }', /line 2, column/],
    ['cut short', writeJob(offload).slice(0, 5000), /no JSON/],
    ['another file', '{"name": "x"}', /no Kymar job file/],
    ['a list', '[]', /no Kymar job file/],
    ['a newer version', '{"kymarVersion": 7}', /version 7.*Update Kymar/],
    ['an empty file', '', /no JSON/],
  ])('%s', (_, text, message) => expect(problems(text).join()).toMatch(message));

  test('every fault is told with its place', () => {
    const broken = structuredClone(offload) as unknown as {
      activities: { bytes: { value: unknown } }[];
      machines: { host: { ports: { modes: string[] }[] } }[];
      runs: { id: string }[];
    };
    broken.activities[0]!.bytes.value = -5;
    broken.machines[0]!.host.ports[0]!.modes = ['usb-99'];
    const found = checkJob(broken);
    expect(found).toMatchObject({ ok: false });
    const problems = found.ok ? '' : found.problems.join('\n');
    expect(problems).toMatch(/activities\.0\.bytes\.value: must be zero or more/);
    expect(problems).toMatch(/machines\.0\.host\.ports\.0\.modes\.0: is no link mode/);
  });

  test('a build on a port that is not there, and ids used twice, are refused', () => {
    expect(
      checkJob({ ...offload, connections: [{ ...offload.connections[0], port: 'attic' }] }),
    ).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('connections.0.port: "attic" is no port')],
    });
    expect(checkJob({ ...offload, runs: [offload.runs[0], offload.runs[0]] })).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('used twice')],
    });
  });

  test('no text makes reading throw', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => typeof readJob(text).ok === 'boolean'),
      runs(100),
    );
  });
});

describe('another build', () => {
  test('runs keep what they were measured on, by value', () => {
    const moved = rebuilt(offload, { build: { ...build!, port: 'left-front' } });
    expect(moved.runs.every((r) => r.path && 'build' in r.path && r.path.build.port === 'left-back')).toBe(
      true,
    );
    expect(Job.safeParse(moved).success).toBe(true);
    expect(verdict(moved)).toMatchObject({
      answer: 'not proven',
      claims: [
        { right: { answer: 'as forecast' }, forecast: { frozen: { id: 'forecast-1' } } },
        { right: { answer: 'as forecast' } },
      ],
    });
  });
  test('better known figures of the same parts leave them as they are', () => {
    const known = rebuilt(offload, {
      build: { ...build!, drive: { ...build!.drive, cache: { value: 100e9, source: { kind: 'entered' } } } },
    });
    expect(known.runs).toBe(offload.runs);
    expect(firstOf(known).build!.drive.cache.value).toBe(100e9);
  });
});

describe('stages', () => {
  const fine = { blocked: false, unmet: false };
  test('each stage names the next action; the job opens where something is to be done', () => {
    expect(stages(offload, fine).map((s) => s.state)).toEqual([
      'done',
      'done',
      'done',
      'done',
      'open',
      'done',
      'open',
      'open',
    ]);
    // Timed without a tick on its checklist: that is not done, and not what comes next either.
    expect(nextStage(stages(offload, fine)).stage).toBe('verdict');
    const [first] = offload.activities;
    const blank = {
      ...first!,
      bytes: { value: null, source: { kind: 'unknown' as const } },
      files: { value: null, source: { kind: 'unknown' as const } },
    };
    expect(stages({ ...offload, activities: [blank as never] }, fine)[0]).toMatchObject({ state: 'open' });
    // Decided is decided, until something newer speaks against it.
    const decided = { ...offload, decision: { kind: 'accept' as const, words: '', at: offload.changed } };
    const short = { ...fine, unmet: true };
    expect(stages(decided, short)[6]).toMatchObject({ state: 'done' });
    const newer = { ...offload.runs[0]!, id: 'newer', at: '2027-01-01T00:00:00.000Z' };
    expect(stages({ ...decided, runs: [...decided.runs, newer] }, short)[6]).toMatchObject({
      state: 'attention',
    });
    expect(nextStage(stages(scans, fine)).stage).toBe('choice');
    expect(nextStage(stages({ ...scans, activities: [] }, fine)).stage).toBe('brief');
    expect(
      nextStage(stages({ ...offload, decision: { kind: 'accept', words: '', at: offload.changed } }, fine))
        .stage,
    ).toBe('handover');
  });
  test('set up is what every device’s checklist is through with; what was timed without one waits for nobody', () => {
    const setup = (job: Job) => stages(job, fine).find((s) => s.stage === 'setup')!;
    const bare = { ...offload, runs: [] };
    expect(setup(bare)).toMatchObject({ state: 'open', next: 'Fit and format it' });
    const at = offload.changed;
    const begun = { device: 'device-1', steps: [{ id: 'serial', at }] };
    expect(setup({ ...bare, fittings: [begun] }).next).toBe('Go on with the checklist');
    expect(setup({ ...offload, fittings: [begun] }).state).toBe('open');
    expect(setup({ ...bare, fittings: [{ ...begun, complete: at }] }).state).toBe('done');
    const going = { ...begun, complete: at, format: { started: at, checkpoints: [] } };
    expect(setup({ ...bare, fittings: [going] }).next).toBe('A full format is under way');
  });
  test('a change after freezing, a blocked path and a missed target ask for attention', () => {
    const state = (job: Job, stage: string, trouble = fine) =>
      stages(job, trouble).find((s) => s.stage === stage)!.state;
    expect(state({ ...offload, activities: offload.activities.slice(1) }, 'forecast')).toBe('attention');
    expect(state(offload, 'path', { blocked: true, unmet: false })).toBe('attention');
    expect(state(offload, 'verdict', { blocked: false, unmet: true })).toBe('attention');
    const next = (trouble: { unmet: boolean; short: boolean }) =>
      stages(offload, { blocked: false, ...trouble }).find((s) => s.stage === 'verdict')!.next;
    expect([next({ unmet: true, short: true }), next({ unmet: false, short: true })]).toEqual([
      'Find out why it falls short',
      'Find out why less came than was forecast',
    ]);
  });
});

describe('kinds of activity', () => {
  const [offload] = demoJobs() as [Job];
  const move = offload.activities[0] as Move;
  const known = (value: number | [number, number, number] | null) => ({
    value,
    source: { kind: 'entered' as const },
  });
  const common = { name: 'x', perDay: known(1), target: null };
  const others: Activity[] = [
    {
      ...common,
      id: 'a',
      kind: 'stream',
      direction: 'read',
      rate: known(50e6),
      streams: 3,
      lasts: known(3600),
      buffer: known(2),
    },
    {
      ...common,
      id: 'b',
      kind: 'open',
      processing: known(12),
      bytes: known(2e9),
      dependentReads: known(null),
    },
    {
      ...common,
      id: 'c',
      kind: 'scratch',
      operations: known(1e6),
      reads: 0.3,
      block: 4096,
      depth: 4,
      span: known(null),
      synchronous: true,
    },
    { ...common, id: 'd', kind: 'keep', now: known(1e12), growth: known(3e9) },
  ];

  test('each is kept by a file and has its direction', () => {
    const job = { ...offload, activities: [...offload.activities.slice(0, 2), ...others] };
    expect(readJob(writeJob(job))).toEqual({ ok: true, value: job });
    expect(others.map(directionOf)).toEqual(['read', 'read', 'write', 'write']);
  });

  test('what runs beside must be another activity of the job; an array needs its drives', () => {
    expect(readJob(writeJob({ ...offload, activities: [{ ...move, besides: ['none'] }] }))).toMatchObject({
      ok: false,
      problems: [expect.stringMatching(/besides.*no other activity/)],
    });
    expect(
      readJob(
        writeJob(
          rebuilt(offload, { build: { ...build!, together: 2, array: { mode: 'parity', by: 'system' } } }),
        ),
      ),
    ).toMatchObject({ ok: false, problems: [expect.stringMatching(/at least 3/)] });
  });

  test('files: counted, else from their sizes and the bytes in one go', () => {
    const sizes = [
      { bytes: 4e6, count: 300 },
      { bytes: 10e6, count: 100 },
    ];
    expect(filesOf({ ...move, files: known(7), sizes })).toEqual(known(7));
    expect(filesOf({ ...move, files: known(null), sizes, bytes: known(5.5e9) }).value).toBe(1000);
    expect(filesOf({ ...move, files: known(null), sizes, bytes: known([5.5e9, 11e9, 22e9]) }).value).toEqual([
      1000, 2000, 4000,
    ]);
    expect(filesOf({ ...move, files: known(null), sizes, bytes: known(null) }).value).toBe(400);
  });

  test('log-normal sizes: the median lies in the middle, the mean at median · e^(σ²/2)', () => {
    for (const [median, spread] of [
      [2e6, 1],
      [2e6, 2],
      [50e3, 4],
    ] as const) {
      const sizes = logNormalSizes(median, spread, 16_000);
      const count = sizes.reduce((sum, s) => sum + s.count, 0);
      const mean = sizes.reduce((sum, s) => sum + s.bytes * s.count, 0) / count;
      expect(count).toBe(16_000);
      expect(mean / (median * Math.exp(Math.log(spread) ** 2 / 2))).toBeCloseTo(1, 3);
      expect((sizes[7]!.bytes + sizes[8]!.bytes) / 2 / median).toBeCloseTo(1, 1);
    }
    expect(logNormalSizes(1e6, 2, 3).reduce((sum, s) => sum + s.count, 0)).toBe(3);
  });
});

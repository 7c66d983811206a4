import { formatProbability } from '../units';
import { firstOf, rebuilt } from '../fixtures/forecast';
import { demoJobs } from '../demo';
import { SHOP } from '../catalog/stock';
import { FIRST, Job, Run } from '../job';
import { verdict } from '../verdict';
import { handover, toMarkdown } from '.';

const [offload, scans] = demoJobs() as [Job, Job];
const parts = firstOf(offload).build!;
const made = (job: Job) => handover(job, verdict(job));

test('the customer is told what was fitted, where to plug it, what was promised and how it measured', () => {
  const text = toMarkdown(
    made({
      ...offload,
      decision: { kind: 'accept', words: 'Fits the nights.', at: '2026-11-05T09:00:00.000Z' },
    }),
    'customer',
  );
  for (const part of [
    'Larkmoor Reed 2 TB',
    'Plug it in here: Left side, by the hinge',
    'frozen on 2026-11-03',
    '4 min 58 s',
    'Both targets are met',
    'Accepted on 2026-11-05. Fits the nights.',
    'Eject it',
  ])
    expect(text).toContain(part);
  expect(text).not.toContain('content hash');
});

test('the shop’s copy adds runs, sources and the hash', () => {
  const text = toMarkdown(made(offload), 'shop');
  expect(text).toContain(offload.forecasts[0]!.hash);
  expect(text.match(/stopwatch/g)).toHaveLength(7);
});

test('hubs, drives at once, revision and small parts are named; findings stand in the shop’s copy only', () => {
  const hub = SHOP.hubs[0]!;
  const build = {
    ...parts,
    bridge: SHOP.bridges.find((b) => b.id === 'quarrel-slim-4')!,
    drive: SHOP.drives.find((d) => d.id === 'venndale-slate-2t')!,
    together: 4,
    hops: [{ hub, port: 'c2', cable: SHOP.cables[0]! }],
  };
  const text = toMarkdown(made(rebuilt(offload, { build })), 'customer');
  for (const part of [
    '4 drives: Venndale Slate 2 TB, 2 TB each',
    'Enclosure: Quarrel Slim 4',
    'Through: Tesselin Fan 4, second USB-C, with C to C, 10 Gb/s',
    'Small parts: Hollin Pad 1.0 mm',
  ])
    expect(text).toContain(part);
  expect(toMarkdown(made(offload), 'customer')).toContain('Drive: Larkmoor Reed 2 TB, revision A');
  expect(text).not.toMatch(/Others share its link/);
  expect(toMarkdown(made(rebuilt(offload, { build })), 'shop')).toMatch(
    /Limits: Others share its link\. .*4 drives at once/,
  );
});

test('an unfinished job says what is missing', () => {
  const text = toMarkdown(made(scans), 'shop');
  expect(text).toContain('Nothing has been chosen yet');
  expect(text).toContain('Nothing has been measured yet');
});

test('what people type cannot turn into markup', () => {
  const text = toMarkdown(made({ ...offload, title: '# a | b <script>', note: '[x](y)\n# z' }), 'customer');
  expect(text).toMatch(/^# \\# a \\\| b \\<script\\>\n/);
  expect(text).not.toMatch(/^# z/m);
});

test('a probability from samples never claims certainty', () =>
  expect([1, 0, 0.5].map(formatProbability)).toEqual(['over 99 %', 'under 1 %', '50 %']));

describe('whatever the job holds, the document stands', () => {
  const unknown = { value: null, source: { kind: 'unknown' as const } };
  let count = 0;
  const run = (measure: Run['measure'], more: Partial<Run> = {}): Run =>
    Run.parse({
      id: `h${count++}`,
      at: '2026-11-06T10:00:00.000Z',
      activity: null,
      direction: 'write',
      otherEnd: 'memory',
      source: 'program',
      measure,
      path: FIRST,
      conditions: {},
      ended: 'done',
      ...more,
    });
  const rate = {
    kind: 'rate',
    rate: 950e6,
    shown: '950 MB/s',
    grain: 0.5e6,
    block: 1048576,
    depth: 32,
    bytes: null,
  } as const;
  const cases: [string, Job][] = [
    ['an empty job', { ...scans, activities: [], note: '', customer: '' }],
    ['a blocked build', rebuilt(offload, { build: { ...parts, cable: null } })],
    [
      'nothing known of the drive',
      rebuilt(offload, {
        build: {
          ...parts,
          drive: {
            ...parts.drive,
            capacity: unknown,
            read: unknown,
            write: unknown,
            rest: unknown,
            cache: unknown,
            tbw: unknown,
            warrantyYears: unknown,
          },
        },
      }),
    ],
    [
      'nothing known of the work',
      {
        ...offload,
        activities: offload.activities.map((a) => ({
          ...a,
          bytes: unknown,
          files: unknown,
          perDay: unknown,
          target: null,
        })),
      },
    ],
    [
      'figures read off elsewhere',
      {
        ...offload,
        runs: [
          run(rate),
          run(rate, { path: null }),
          run({ kind: 'bound', bytes: 60e9, files: null, atMost: 90, atLeast: null }),
          run({ kind: 'bound', bytes: 60e9, files: 1, atMost: null, atLeast: 10 }),
        ],
      },
    ],
    [
      'impossible and memory-backed runs',
      {
        ...offload,
        runs: [
          run({ ...rate, rate: 5e9, shown: '5 GB/s' }),
          run(rate, { conditions: { ...offload.runs[0]!.conditions, memoryBacked: true } }),
        ],
      },
    ],
    [
      'an internal drive',
      rebuilt(scans, { build: { drive: parts.drive, bridge: null, cable: null, port: 'slot-x8' } }),
    ],
  ];
  test.each(cases)('%s', (_, job) => {
    for (const copy of ['customer', 'shop'] as const) {
      const text = toMarkdown(made(job), copy);
      expect(text).not.toMatch(/undefined|NaN|\[object|Infinity/);
      expect(text).toMatch(/^# /);
    }
    expect(Job.safeParse(job).success).toBe(true);
  });
});

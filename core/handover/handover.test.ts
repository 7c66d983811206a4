import { formatProbability } from '../units';
import { firstOf, rebuilt } from '../fixtures/forecast';
import { demoJobs } from '../demo';
import { SHOP } from '../catalog/stock';
import { addMachine, FIRST_PLACE, Job, Run, withBuild } from '../job';
import { verdict } from '../verdict';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { toString } from 'mdast-util-to-string';
import { allSaid, handover, plainWords, toHtml, toMarkdown } from '.';

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

test('one cable that serves two machines is one; what sits inside is not plugged in', () => {
  const host = SHOP.hosts.find(({ id }) => id === 'office-desktop')!;
  const two = addMachine(offload, host);
  const there = { machine: two.machines.at(-1)!.id, device: FIRST_PLACE.device };
  const text = toMarkdown(made(withBuild(two, there, { ...parts, port: 'front-c' })), 'customer');
  expect(text.match(/Cable: /g)).toHaveLength(1);
  expect(text.match(/Plug it in here: /g)).toHaveLength(2);
  const inside = {
    ...parts,
    drive: SHOP.drives.find(({ id }) => id === 'venndale-flint-500g')!,
    bridge: null,
    cable: null,
  };
  const built = made(rebuilt(offload, { host, build: { ...inside, port: 'm2' } }));
  expect(toMarkdown(built, 'customer')).toContain('It sits inside the office desktop: ');
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

test('several drives as one: level and room, what a failed one means, how one notices, what to do', () => {
  const [device] = offload.devices as [Job['devices'][0]];
  const as = (mode: 'mirror' | 'stripe') => {
    const array = { mode, by: 'firmware' as const };
    const parts = { ...device.parts!, together: 2, array };
    return toMarkdown(made({ ...offload, devices: [{ ...device, parts }] }), 'customer');
  };
  expect(as('mirror')).toMatch(/Put together as RAID 1 of 2, 2.TB for data/);
  expect(as('mirror')).toMatch(/## If a drive fails\n\n.*Nothing is lost: one may fail/);
  expect(as('stripe')).toMatch(/Put together as RAID 0 of 2, 4.TB for data/);
  expect(as('stripe')).toMatch(/All of it is lost, whichever drive it is/);
  expect(toMarkdown(made(offload), 'customer')).not.toContain('If a drive fails');
});

test('copies that do not hold the data do not count, and what is missing is said; so is that it may wear out', () => {
  const [device] = offload.devices as [Job['devices'][0]];
  const needs = {
    ...device.needs,
    shorterLife: 'goes back to the lender in May',
    copies: [
      { name: 'itself', medium: 'flash' as const, offSite: false },
      { name: 'old disk', medium: 'disk' as const, offSite: true, holds: 'given away' as const },
    ],
  };
  const text = toMarkdown(made({ ...offload, devices: [{ ...device, needs }] }), 'customer');
  expect(text).toMatch(/old disk, elsewhere, given away: it does not count/);
  expect(text).toMatch(/What is missing: Only 1 copy, 3 are asked for\./);
  expect(text).toContain('May wear out before its service life is over: goes back to the lender in May');
});

test('what was chosen stands there with its reason and what else was looked at; what was ticked says what was done', () => {
  const [device] = offload.devices as [Job['devices'][0]];
  const at = '2026-12-01T10:00:00.000Z';
  const choices = [
    {
      id: 'c',
      at,
      device: device.id,
      taken: { words: 'Reed 2 TB in Nook 10', cost: 211 },
      reason: 'The cheapest build that meets every target.',
      currency: 'EUR',
      beside: [
        { kind: 'meets', words: 'Reed 2 TB in Nook 10', cost: '211 EUR' },
        { kind: 'within', words: 'Merlin 4 TB in Nook 20', cost: '398 EUR' },
      ],
      works: 12,
      meets: 3,
      fallen: [],
      prices: [],
    },
  ];
  const fittings = [{ device: device.id, steps: [{ id: 'file-system', at, said: 'File system: ext4' }] }];
  const text = toMarkdown(made({ ...offload, choices, fittings }), 'customer');
  expect(text).toMatch(/Chosen on 2026-12-01: Reed 2 TB in Nook 10, 211.EUR\. The cheapest build/);
  expect(text).toMatch(/What else was looked at:\n\n.*Merlin 4 TB in Nook 20: 398.EUR/);
  expect(text.match(/Reed 2 TB in Nook 10/g)).toHaveLength(1);
  expect(text).toContain('File system: ext4');
});

test('an unfinished job says what is missing', () => {
  const text = toMarkdown(made(scans), 'shop');
  expect(text).toContain('Nothing has been chosen yet');
  expect(text).toContain('Nothing has been measured yet');
});

test('what people type cannot turn into markup: read back, it is the same words and nothing else', () => {
  const job = { ...offload, title: '# a | b <script>', note: '[x](y)\n# z *w* `v`' };
  const { children } = fromMarkdown(toMarkdown(made(job), 'shop'));
  const words = (i: number) => toString(children[i]!);
  expect(children[0]).toMatchObject({ type: 'heading', depth: 1 });
  expect(words(0)).toBe('# a | b <script>');
  const at = children.findIndex((_, i) => words(i) === '[x](y) # z *w* `v`');
  expect(children[at]).toMatchObject({ type: 'paragraph', children: [{ type: 'text' }] });
  // The shop's own note is for nobody else.
  expect(toMarkdown(made(job), 'customer')).not.toContain('z \\*w');
  expect(children.every(({ type }) => type !== 'html')).toBe(true);
});

test('the page of its own holds every word of the document, runs nothing, and asks for nothing', () => {
  const document = made({ ...offload, title: 'a <b> & "c"' });
  const page = toHtml(document, 'shop');
  expect(page).toContain('<title>a &lt;b&gt; &amp; &quot;c&quot;</title>');
  expect(page).not.toMatch(/<script|src=|href=|url\(/);
  // Every word, whether it bears an id or not.
  const plain = page.replace(/<\/?span[^>]*>/g, '');
  const escaped = (words: string) =>
    words
      .replace(/&/g, '&amp;')
      .replace(/</g, '&lt;')
      .replace(/>/g, '&gt;')
      .replace(/"/g, '&quot;')
      .replace(/'/g, '&#39;');
  for (const { heading, blocks } of document.sections) {
    expect(plain).toContain(`<h2>${escaped(heading)}</h2>`);
    for (const block of blocks) {
      const words =
        block.kind === 'text' ? block.text : block.kind === 'list' ? block.items : block.rows.flat();
      for (const one of words) expect(plain).toContain(escaped(plainWords(one)));
    }
  }
  expect(toHtml(document, 'customer')).not.toContain('content hash');
});

test('what the shop measured for itself stays in its own copy: synthetic runs, rehearsals, tests', () => {
  const [first] = offload.runs as [Run];
  const note = first.conditions;
  const runs: Run[] = [
    ...offload.runs,
    { ...first, id: 'r1', activity: null, otherEnd: 'memory' },
    { ...first, id: 'r2', source: 'simulated' },
    { ...first, id: 'r3', conditions: { ...note, look: 'swap cable' } },
  ];
  const document = made({ ...offload, runs });
  const [theirs, ours] = [toMarkdown(document, 'customer'), toMarkdown(document, 'shop')];
  for (const words of ['Synthetic writing', 'rehearsal', 'swap cable']) {
    expect(theirs).not.toContain(words);
    expect(ours).toContain(words);
  }
  expect(theirs).not.toMatch(/\bas forecast\b/);
});

test('what falls short is said openly: targets, a drive that is full too early, a forecast frozen late', () => {
  const [, , , , second] = demoJobs() as [Job, Job, Job, Job, Job];
  const text = toMarkdown(made(second), 'customer');
  expect(text).toMatch(/Nightly offload to the project disk: not met\. Target within 8 min/);
  expect(text).toContain('Left side, by the hinge');
  // What fell short is no measure for coming back.
  expect(text).not.toMatch(/takes longer than/);
  expect(toMarkdown(made(offload), 'customer')).toMatch(/full in about 3\.2 years .* before the 4 years/);
  const [frozen] = offload.forecasts;
  const late = { ...offload, forecasts: [{ ...frozen!, at: '2026-12-24T10:00:00.000Z' }], chain: [] };
  expect(toMarkdown(made(late), 'customer')).toMatch(/Late: 7 runs were made before it/);
});

test('what was wrong and what put it right, with the times before and since', () => {
  const [, , , , second] = demoJobs() as [Job, Job, Job, Job, Job];
  const at = '2026-11-20T09:00:00.000Z';
  const before = second.runs.map((r) => ({ ...r, excluded: { at, reason: 'wrong port' } }));
  const [first] = second.runs as [Run];
  const since = [291.2, 289.8].map((seconds, i) => ({
    ...first,
    id: `since-${i}`,
    at: `2026-11-20T1${i}:00:00.000Z`,
    measure: { ...first.measure, seconds } as Run['measure'],
  }));
  const found = [
    {
      cause: 'slower port',
      title: 'The port is of a slower class',
      fix: 'Use the hinge’s.',
      probability: 0.9,
      at,
    },
  ];
  const text = toMarkdown(made({ ...second, runs: [...before, ...since], found }), 'customer');
  expect(text).toMatch(
    /2026-11-20: The port is of a slower class\. Use the hinge’s\. .*: 8 min 56 s before, 4 min 51 s since\./,
  );
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
      path: FIRST_PLACE,
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

test('each figure of a document bears an id, one id one thing, and statements of other places keep theirs', () => {
  for (const job of demoJobs() as Job[]) {
    const said = allSaid(job);
    const known = new Map(said.map(({ id, words }) => [id, words]));
    expect(new Set(said.map(({ id, words }) => `${id} ${words}`)).size).toBe(known.size);
    const page = toHtml(made(job), 'shop');
    const bare = page
      .replace(/^[\s\S]*<body>/, '')
      .replace(/<span data-said="[^"]*">[^<]*<\/span>/g, '')
      .replace(/<(h1|h2|th)\b[\s\S]*?<\/\1>|<p class="line">[^<]*<\/p>/g, '');
    expect(bare.replace(/<[^>]*>/g, ' ').match(/\S*\d\S*/g)).toBeNull();
    for (const [, id] of page.matchAll(/<span data-said="([^"]*)">/g))
      expect([id, known.has(id!.replace(/&quot;/g, '"').replace(/&#39;/g, "'"))]).toEqual([id, true]);
  }
});

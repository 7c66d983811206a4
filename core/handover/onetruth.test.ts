import { SHOP } from '../catalog/stock';
import { Finalists, searchAll, wantedOf } from '../choice';
import { demoJobs } from '../demo';
import type { Fact } from '../evidence';
import { findings } from '../fit';
import { checklist, tickOf, nextStep } from '../fitting';
import {
  besideToday,
  caseOf,
  contentsOn,
  forecast,
  freeze,
  isLife,
  lastingWords,
  readCheckpoint,
  settingOf,
  sheetOf,
  situationAt,
} from '../forecast';
import { lateFor, placesOf, roomFor, stages, type Activity, type Job, type Move, type Run } from '../job';
import { protocolOf } from '../measure';
import { format } from '../units';
import { costSaid, observationsOf } from '../statements';
import { heldAgainst, verdict } from '../verdict';
import { handover, toMarkdown } from '.';

/*
 * What is told of one thing is told once: each of these told two things before.
 */
const [offload, , , , second] = demoJobs() as [Job, Job, Job, Job, Job];
const documentOf = (job: Job): string => toMarkdown(handover(job, verdict(job)), 'shop');
const looking = (run: Run, seconds: number): Run => ({
  ...run,
  id: `${run.id}-look`,
  measure: { ...run.measure, seconds } as Run['measure'],
  conditions: { ...run.conditions, look: 'swap cable' },
});

describe('a run of a test for a cause', () => {
  test('counts in no test of the protocol that is of the thing as built', () => {
    const done = (job: Job) => protocolOf(job).tests.map((t) => t.done);
    const [run] = second.runs as [Run];
    expect(done({ ...second, runs: [...second.runs, looking(run, 300)] })).toEqual(done(second));
    expect(done({ ...second, runs: [...second.runs, { ...run, id: 'another' }] })).not.toEqual(done(second));
  });

  test('is no part of what was before it was put right: that is what was measured as built', () => {
    const aside = { at: '2026-11-20T09:00:00.000Z', reason: 'It was the port.' };
    const before = second.runs.map((run) => ({ ...run, excluded: aside }));
    const since = second.runs
      .slice(0, 2)
      .map((run, i): Run => ({
        ...run,
        id: `since-${i}`,
        at: `2026-11-20T1${i}:00:00.000Z`,
        measure: { ...run.measure, seconds: 300 + i } as Run['measure'],
      }));
    const job: Job = {
      ...second,
      runs: [...before, { ...looking(second.runs[0]!, 1200), excluded: aside }, ...since],
      found: [
        { id: 'slower port', title: 'Slower port', fix: 'The other one.', at: aside.at, runs: [] },
      ] as never,
    };
    const said = documentOf(job);
    expect(said).toContain('8 min 56 s before, 5 min 01 s since');
  });
});

describe('a second freeze', () => {
  const later = '2026-11-05T08:00:00.000Z';
  const target = { ...offload, activities: offload.activities.map((a) => ({ ...a, target: 500 })) };
  const again = freeze({ ...target, forecasts: [] }, 'forecast-2', later);
  const job: Job = { ...offload, forecasts: [...offload.forecasts, again] };
  delete job.chain;

  test('makes no run late that was made after the first', () => {
    expect(lateFor(job, again)).toBe(0);
    expect(lateFor({ ...job, forecasts: [again] }, again)).toBe(offload.runs.length);
    expect(documentOf(job)).toContain('before anything was measured');
    expect(documentOf(job)).not.toContain('Late:');
  });

  test('a run is held against the newest forecast before it', () => {
    const [run] = job.runs as [Run];
    const made = { ...run, id: 'newer', at: '2026-11-06T08:00:00.000Z' };
    // The same was frozen twice: all are one measurement.
    const same = verdict({ ...job, runs: [...job.runs, made] }).claims.filter(
      (c) => c.activity?.id === run.activity,
    );
    expect(same).toHaveLength(1);
    const other = structuredClone(again);
    const result = other.results.find((r) => r.activity === run.activity)!;
    result.time = { ...result.time!, high: result.time!.high * 1.2 };
    result.bar = { ...result.bar!, high: result.bar!.high * 1.2 };
    const claims = verdict({
      ...job,
      forecasts: [offload.forecasts[0]!, other],
      runs: [...job.runs, made],
    }).claims;
    const frozen = claims.filter((c) => c.activity?.id === run.activity).map((c) => c.forecast!.frozen!.id);
    expect(frozen).toEqual(['forecast-1', 'forecast-2']);
  });
});

describe('how long it lasts', () => {
  const [device] = offload.devices as [Job['devices'][number]];
  const used = (written: number): Job => ({
    ...offload,
    devices: [
      {
        ...device,
        needs: { ...device.needs, inUseSince: '2025-11-01', counters: [{ on: '2026-11-01', written }] },
      },
    ],
  });
  const sheetFor = (job: Job) => sheetOf(situationAt(job, placesOf(job)[0]!)!)!;
  const told = (job: Job) => sheetFor(job).lasting!;

  test.each([
    ['new', offload],
    ['used', used(1e15)],
  ] as const)('%s: page and handover say one sentence', (_, job) => {
    const lasts = told(job);
    expect(documentOf(job)).toContain(lastingWords(lasts));
    expect(documentOf(job)).toContain(lasts.coversWords);
  });

  test('a used drive is judged by what is left of it', () => {
    const [fresh, worn] = [told(offload), told(used(1e15))];
    expect(worn.years.expected).toBeLessThan(fresh.years.expected / 2);
    expect(worn.before).toMatch(/^Of the rated writes/);
    expect([fresh.covers, worn.covers]).toEqual(['yes', 'no']);
  });

  test('of several drives it says that it is one’s', () => {
    const four: Job = { ...offload, devices: [{ ...device, parts: { ...device.parts!, together: 4 } }] };
    expect(lastingWords(told(four))).toContain('if one of the 4 drives takes all of it');
  });

  test('a warranty nobody knows hides only what needs its years', () => {
    const { drive } = device.parts!;
    const open = { ...drive, warrantyYears: { value: null, source: { kind: 'unknown' as const } } };
    const job: Job = { ...offload, devices: [{ ...device, parts: { ...device.parts!, drive: open } }] };
    const { life, lasting } = sheetFor(job);
    expect(lasting!.years.expected).toBe(told(offload).years.expected);
    expect(isLife(life) && life.allowed).toBeNull();
    expect(documentOf(job)).not.toContain('The rating allows');
  });
});

test('what was paid, by the year: as long as it is wanted, or as long as it lasts where that is less', () => {
  const paid = { amount: 126, currency: 'EUR' };
  const lasting = (expected: number) => ({ years: { expected } }) as never;
  const told = (lasts: number | null, wanted: number | null) =>
    costSaid('d', paid, lasts === null ? null : lasting(lasts), wanted).cost?.words;
  expect(told(14, 6)).toBe('126 EUR paid: 21 EUR a year over the 6 years it is wanted for.');
  expect(told(2.5, 6)).toBe('126 EUR paid: 50.40 EUR a year over the 2.5 years its rated writes last.');
  expect(told(null, 6)).toContain('21 EUR a year');
  // Nobody knows for how long: what was paid is told all the same.
  expect(told(null, null)).toBe('126 EUR paid.');
  const fittings = [{ device: 'device-1', steps: [], paid }];
  expect(documentOf({ ...offload, fittings })).toContain('126 EUR paid');
});

describe('a full format that goes on', () => {
  const archive = demoJobs()[3]!;
  const [device] = archive.devices as [Job['devices'][number]];
  const started = '2026-11-20T18:00:00.000Z';
  const passing = (format: object): Job => ({
    ...archive,
    devices: [{ ...device, needs: { ...device.needs, formatFirst: true } }, ...archive.devices.slice(1)],
    fittings: [{ device: device.id, steps: [], format: { started, checkpoints: [], ...format } }],
  });
  const sheet = (job: Job) => sheetOf(situationAt(job, placesOf(job)[0]!)!)!;

  test('ends by its checkpoints everywhere: what follows begins then', () => {
    const [plain, seen] = [
      sheet(passing({})),
      sheet(passing({ checkpoints: [{ at: '2026-11-20T20:00:00.000Z', share: 0.31 }] })),
    ];
    expect(plain.format!.expected).not.toBeCloseTo(seen.format!.expected, -2);
    expect(seen.tasks[0]).toMatchObject({ activity: null, takes: { expected: seen.format!.expected } });
    expect(seen.tasks[1]!.done.expected).toBeCloseTo(
      seen.format!.expected + seen.tasks[1]!.takes.expected,
      6,
    );
  });

  test('over, it took what it took', () => {
    const { format, tasks } = sheet(passing({ ended: '2026-11-21T03:36:00.000Z' }));
    expect([format!.low, format!.expected, format!.high]).toEqual([34_560, 34_560, 34_560]);
    expect(tasks[0]!.done.expected).toBe(34_560);
  });
});

test('contents that are moved over are the files that the brief tells of: the same copy, the same time', () => {
  const situation = situationAt(offload, placesOf(offload)[0]!)!;
  const [copy] = situation.activities;
  const told = forecast(caseOf(situation, copy!.id)).figure;
  expect(contentsOn(situation, 214e9, false)!.expected).toBeCloseTo(told.expected, 6);
  expect(contentsOn(situation, 107e9, false)!.because.inputs?.length).toBeGreaterThan(0);
});

describe('a step of the checklist', () => {
  const situation = situationAt(offload, placesOf(offload)[0]!)!;
  const noTrim = {
    ...situation,
    build: { ...situation.build, bridge: { ...situation.build.bridge!, trim: false } },
  };
  const step = (of: typeof situation, id: string) => checklist(of).find((s) => s.id === id)!;

  test('ticked for one file system is not ticked for another: it says what it said', () => {
    const then = step({ ...situation, needs: { ...situation.needs, fileSystem: 'exFAT' } }, 'file-system');
    const now = step({ ...situation, needs: { ...situation.needs, fileSystem: 'NTFS' } }, 'file-system');
    const fitting = { device: 'd', steps: [{ id: then.id, at: offload.changed, said: then.title }] };
    expect(tickOf(then, fitting)).toMatchObject({ mark: { id: 'file-system' }, fell: null });
    expect(tickOf(now, fitting)).toEqual({ mark: undefined, fell: then.title });
    expect(nextStep([now], fitting)).toBe(now);
    // What was ticked before anybody kept what it said stays ticked.
    expect(tickOf(now, { device: 'd', steps: [{ id: then.id, at: offload.changed }] }).mark).toBeDefined();
  });

  test('leaves as much unpartitioned as the finding asks for', () => {
    const fix = findings(settingOf(noTrim, 'write')).find(({ id }) => id === 'no-trim')!.fix;
    expect(fix).toContain('a fifth');
    expect(step(noTrim, 'partition').how).toContain('over four fifths of it');
    expect(step(situation, 'partition').how).toContain('over all of it');
    expect(
      checklist(noTrim)
        .map(({ title }) => title)
        .join(),
    ).not.toMatch(/tenth/);
  });
});

test('path and choice reckon with one need of room: that at the end of the service life', () => {
  const [keep] = offload.activities.filter((a) => a.kind === 'keep');
  const growing: Job = {
    ...offload,
    activities: offload.activities.map((a) =>
      a === keep ? { ...keep, growth: { value: 9e9, source: { kind: 'entered' } } } : a,
    ),
  };
  const situation = situationAt(growing, placesOf(growing)[0]!)!;
  const needed = roomFor(growing.activities, growing.serviceYears);
  const said = findings(settingOf(situation, 'write')).find(({ id }) => id === 'full-too-soon')!.reason;
  expect(said).toContain(format(needed, 'B'));
});

test('a verdict that meets its targets names what nobody measured', () => {
  const [copy] = offload.activities;
  const stream = {
    id: 'live',
    name: 'Recording live',
    kind: 'stream' as const,
    perDay: copy!.perDay,
    target: null,
    direction: 'write' as const,
    rate: { value: 50e6, source: { kind: 'entered' as const } },
    streams: 1,
    lasts: { value: 3600, source: { kind: 'entered' as const } },
    buffer: { value: 1, source: { kind: 'entered' as const } },
  };
  const { answer, words } = verdict({ ...offload, activities: [...offload.activities, stream] });
  expect(answer).toBe('meets');
  expect(words).toContain('Not measured: Recording live.');
});

describe('the protocol', () => {
  const test_ = (job: Job, id: string) => protocolOf(job).tests.find((t) => t.id.startsWith(id))!;
  const [copy] = offload.activities as [Move];
  const bare = { ...offload, runs: [] };

  test('tells the time of what it moves: the largest that the brief names', () => {
    const ranged = {
      ...copy,
      bytes: { ...copy.bytes, value: [194e9, 214e9, 235.4e9] as [number, number, number] },
    };
    const [one, most] = [bare, { ...bare, activities: [ranged, ...offload.activities.slice(1)] }].map((job) =>
      test_(job, `real ${copy.id}`),
    );
    expect(most!.bytes).toBe(235.4e9);
    expect((most!.seconds! - 180) / (one!.seconds! - 180)).toBeCloseTo(1.1, 6);
  });

  test('plans what is left by the runs there are', () => {
    const runs = second.runs
      .slice(0, 1)
      .map((run) => ({ ...run, measure: { ...run.measure, seconds: 1500 } as Run['measure'] }));
    expect(test_({ ...second, runs }, `real ${copy.id}`).seconds).toBe(1500 + 180);
  });

  test('says beyond the cache only of what is beyond it', () => {
    const [device] = offload.devices as [Job['devices'][number]];
    const minds = (cache: Fact) => {
      const parts = { ...device.parts!, drive: { ...device.parts!.drive, cache } };
      return test_({ ...bare, devices: [{ ...device, parts }] }, 'synthetic write').minds.map(({ id }) => id);
    };
    const source = { kind: 'entered' as const };
    expect(minds({ value: 20e9, source })).toContain('above cache and memory');
    expect(minds({ value: [150e9, 240e9, 330e9], source })).toContain('maybe within cache');
    expect(minds({ value: null, source: { kind: 'unknown' } })).toContain('maybe within cache');
  });
});

test('the verdict holds nothing against a forecast that the causes call healthy', () => {
  const forecast = { low: 90, expected: 100, high: 110 };
  const answer = (s: number) =>
    heldAgainst({ low: s * 0.999, expected: s, high: s * 1.001 }, forecast, 's').answer;
  // The range ends at 110; what no model knows reaches to 114.
  expect([105, 112, 116, 88, 84].map(answer)).toEqual([
    'as forecast',
    'as forecast',
    'short',
    'as forecast',
    'better',
  ]);
});

describe('a health page', () => {
  const page = [
    'Data Units Written: 1,953,125,000',
    'Percentage Used: 83%',
    'Power On Hours: 700',
    'Unsafe Shutdowns: 64',
    'Media and Data Integrity Errors: 2',
  ].join('\n');
  const [device] = offload.devices as [Job['devices'][number]];
  const read: Job = {
    ...offload,
    fittings: [
      {
        device: device.id,
        steps: [],
        baseline: { at: '2026-11-03T08:00:00.000Z', text: page, written: 1e15 },
      },
    ],
  };

  test('read once, counts in the life as a reading of its counter does', () => {
    const lasts = sheetOf(situationAt(read, placesOf(read)[0]!)!)!.lasting!;
    expect(lasts.before).toMatch(/^Of the rated writes/);
    expect(documentOf(read)).toContain(lastingWords(lasts));
  });

  test('stands in the handover as it was read, with what is to be said of it', () => {
    const said = documentOf(read);
    for (const line of ['Percentage used: 83 %', 'Power-on hours: 700', 'Unsafe shutdowns: 64'])
      expect(said).toContain(line);
    expect(said).toMatch(/Media errors: 2\. Do not buy it/);
    expect(said).toMatch(/64 unsafe shutdowns in 700 hours/);
    expect(documentOf(offload)).not.toMatch(/day zero/);
  });
});

describe('a checkpoint is typed as the display and the clock say it', () => {
  const began = new Date(2026, 10, 20, 18, 0);
  const read = (typed: string) => readCheckpoint(typed, began.toISOString(), new Date(2026, 10, 21, 12, 0));
  const after = (typed: string) => {
    const found = read(typed);
    return found.ok
      ? [found.checkpoint.share, (Date.parse(found.checkpoint.at) - began.getTime()) / 3600_000]
      : found.problem;
  };
  test.each([
    ['31 %', [0.31, 18]],
    ['31 % after 6 h 40 min', [0.31, 6 + 2 / 3]],
    ['62 % at 9:20', [0.62, 15 + 1 / 3]],
    ['7,5 at 20.30', [0.075, 2.5]],
  ])('%s', (typed, [share, hours]) => {
    expect(after(typed)).toEqual([expect.closeTo(share!, 9), expect.closeTo(hours!, 6)]);
  });
  test('what is shown finer is known finer, and as it turns it is known best', () => {
    expect(read('31.4 % at 9:20')).toMatchObject({ checkpoint: { share: 0.314, grain: 0.0005 } });
    expect(read('turned to 31 % at 9:20')).toMatchObject({ checkpoint: { share: 0.31, turned: true } });
    expect(read('31 %')).toEqual({ ok: true, checkpoint: { at: expect.any(String), share: 0.31 } });
  });
  test.each([
    ['plenty', /31 %/],
    ['131 %', /31 %/],
    ['31 % at 25:70', /no time of day/],
    ['31 % after 3 parsecs', /./],
    ['31 % after 30 h', /still to come/],
  ])('%s is refused', (typed, words) => expect(after(typed)).toMatch(words));
});

test('who timed, looked and decided stands with it, in the handover and in what is known', () => {
  const by = 'The evening shift';
  const at = '2026-12-01T12:00:00.000Z';
  const job: Job = {
    ...offload,
    runs: offload.runs.map((r) => ({ ...r, by })),
    looks: [{ look: 'look at its space', seen: 'nearly full', at, by }],
    decision: { kind: 'accept', words: '', at, by },
  };
  const text = toMarkdown(handover(job, verdict(job)), 'shop');
  expect(text).toContain('Accepted on 2026-12-01 by The evening shift.');
  expect(text).toContain('stopwatch by The evening shift');
  expect(text).toMatch(/2026-12-01 by The evening shift: .*: nearly full/);
  const known = observationsOf(job, verdict(job));
  expect(known.filter((o) => ['run', 'look'].includes(o.kind)).every((o) => o.by.includes(by))).toBe(true);
  expect(toMarkdown(handover(offload, verdict(offload)), 'shop')).not.toContain('stopwatch by');
});

describe('what it takes today', () => {
  const [copy] = offload.activities as [Move];
  const told = (today?: number): Job => ({
    ...offload,
    activities: [{ ...copy, ...(today === undefined ? {} : { today }) }, ...offload.activities.slice(1)],
  });

  test('stands beside forecast, measurement and handover in one kind of words; what is frozen stays as frozen', () => {
    const job = told(25 * 60);
    const sheet = sheetOf(situationAt(job, placesOf(job)[0]!)!)!;
    expect(sheet.activities[0]!.today).toBe('20 min 13 s sooner than today’s 25 min 00 s.');
    const claim = verdict(job).claims.find((c) => c.activity?.id === copy.id)!;
    expect(claim.today).toMatch(/^20 min \d\d s sooner than today’s 25 min 00 s\.$/);
    expect(documentOf(job)).toContain(claim.today);
    const fine = { blocked: false, unmet: false };
    expect(stages(job, fine)[3]).toEqual(stages(offload, fine)[3]);
    expect(sheetOf(situationAt(told(), placesOf(job)[0]!)!)!.activities[0]!.today).toBeNull();
  });

  test('stands beside a build in Choice, as it does in its forecast', () => {
    const job = told(25 * 60);
    const wanted = wantedOf(job, placesOf(job)[0]!.device, { owned: [], currency: null, shopRanges: {} })!;
    const [same] = searchAll(wanted, {
      ...SHOP,
      drives: SHOP.drives.filter(({ media }) => media === 'flash'),
    }).candidates;
    const [said, none] = new Finalists(wanted).besideToday(same!);
    expect(said).toMatch(/(sooner|later) than today’s 25 min 00 s\.$/);
    expect(none).toBeNull();
  });

  test('of a load it says whether that is felt', () => {
    const load = { kind: 'open', today: 19 } as unknown as Activity;
    const about = (expected: number) =>
      besideToday(load, { low: expected - 0.2, expected, high: expected + 0.2 });
    expect(about(16.4)).toBe('2.6 s sooner than today’s 19 s, not felt.');
    expect(about(15.2)).toMatch(/at the edge of what is felt/);
    expect(about(12)).toMatch(/, felt\./);
    expect(about(25)).toMatch(/6 s later than today’s 19 s, felt\./);
    expect(about(19)).toBe('As long as today: 19 s, not felt.');
  });
});

test('the document is the same by a verdict that came from a worker, a copy of its own', () => {
  for (const job of demoJobs() as Job[]) {
    const found = verdict(job);
    expect(handover(job, structuredClone(found))).toEqual(handover(job, found));
  }
});

import * as z from 'zod';
import { registerLink, linkById, type Link } from '../catalog/links';
import { HOSTS, SHOP } from '../catalog/stock';
import { searchAll, wantedOf, compareBuilds } from '../choice';
import { buildPath } from '../assembly';
import {
  openIn,
  registerOpening,
  type OpenQuestions,
  settingOf,
  caseOf,
  forecast,
  forecastAll,
  forecastDays,
  kindOf,
  registerKind,
  screen,
  type KindModel,
} from '../forecast';
import { registerEffect, run, type Effect, type Flow } from '../models';
import { demoJobs } from '../demo';
import { explaining, middle } from '../evidence';
import { demoBriefs, onJob } from '../fixtures/forecast';
import { timedRun } from '../fixtures/runs';
import { findings, registerRule, type Rule } from '../fit';
import { handover, toMarkdown } from '../handover';
import { registerTraits, stagesOf, traitsOf, type Job, type Move } from '../job';
import { protocolOf, registerWay, runsOfReal, type EndEvent, type KeptRun } from '../measure';
import { askedFor, askedOf, asks, format } from '../units';
import { verdict } from '../verdict';
import { CAUSES, LOOKS, nextTests, score, type Evidence, type Hypothesis } from '.';
import { logsOf } from './evidence';
import type { Look } from './look';

/*
 * A new variant is one file and its registration. Here each is made up outside the folders, and works everywhere it must.
 */
const [offload] = demoBriefs();
const situation = onJob(offload!);

describe('a kind of activity', () => {
  // Mirrors a folder: a move that happens twice.
  const twice: KindModel<Move> = {
    ...kindOf(offload!.activities[0] as Move),
    bytesPerDay: (record, activity, direction) =>
      direction === 'write' ? record.given(activity.name, 2e12, 'B/day', { kind: 'entered' }) : null,
    apart: (one, two) => `${one.name} or ${two.name}`,
  };
  const plain = offload!.activities[0]! as Move;
  const mirror = { ...plain, id: 'mirror', name: 'Mirror the folder', kind: 'mirror' } as unknown as Move;
  const with_ = { ...situation, activities: [mirror] };
  const [demo] = demoJobs() as [Job];
  const job: Job = { ...demo, activities: [mirror], forecasts: [], runs: [], looks: [], decision: null };
  const drawnAs: OpenQuestions = { of: { inputs: {} }, tell: () => ({ figure: 1, met: true }), tests: [] };
  let forget: (() => void)[] = [];
  beforeAll(() => {
    forget = [
      registerTraits('mirror', { ...traitsOf(plain), words: { answer: 'time twice', compare: '' } }),
      registerKind('mirror', twice),
      registerOpening('mirror', () => drawnAs),
    ];
  });
  afterAll(() => {
    forget.forEach((out) => out());
    expect(() => forecastAll(with_)).toThrow(/mirror/);
  });

  test('is forecast, wears, is lived through day by day and compared', () => {
    const found = forecastAll(with_)!;
    expect(found.activities[0]!.figure.expected).toBe(forecast(caseOf(situation, 'offload')).figure.expected);
    expect(screen(caseOf(with_, 'mirror'))).toBe(screen(caseOf(situation, 'offload')));
    expect('dwpd' in found.life && found.life.fromNew!.expected).toBeCloseTo(1200e12 / 2e12 / 365, 6);
    expect(forecastDays(with_, { years: 0.1, ranges: false })!.activities).toEqual([mirror]);
    const builds = [offload!.build!, offload!.build!].map((build, i) => ({ name: 'AB'[i]!, build }));
    expect(compareBuilds(with_, 'mirror', builds).pairs[0]!.first).toBe(0.5);
  });

  test('has its tests in the protocol, and a run of it is held against forecast and target', () => {
    expect(protocolOf(job).tests.map(({ id }) => id)).toContain('real mirror');
    const [bytes, files] = [middle(mirror.bytes)!, middle(mirror.files)!];
    const seconds = forecast(caseOf(with_, 'mirror')).figure.expected;
    const run = timedRun(
      { bytes, files, seconds },
      { id: 'r', activity: 'mirror', direction: mirror.direction },
    );
    const [claim] = verdict({ ...job, runs: [run, { ...run, id: 's' }] }).claims;
    expect(claim).toMatchObject({ title: 'Mirror the folder', target: { answer: 'yes' } });
    expect(claim!.forecast!.time!.expected).toBeCloseTo(seconds, 6);
    expect(protocolOf({ ...job, runs: [run] }).tests.find(({ id }) => id === 'real mirror')!.done).toBe(1);
  });

  test('stands in the handover with its size and target', () => {
    const text = toMarkdown(handover(job, verdict(job)), 'customer');
    expect(text).toContain('Mirror the folder');
    expect(text).toContain(format(mirror.target!, 's'));
  });

  test('is searched for, and what is worth finding out of it is drawn', () => {
    const wanted = wantedOf(job, undefined, { owned: [], currency: null, shopRanges: {} })!;
    const { candidates } = searchAll(wanted, { ...SHOP, drives: SHOP.drives.slice(0, 8) });
    expect(candidates.length).toBeGreaterThan(5);
    expect(candidates.every(({ figures: [figure] }) => figure! > 0)).toBe(true);
    expect(candidates.some(({ misses }) => misses[0]?.activity === 'mirror')).toBe(true);
    expect(openIn(caseOf(with_, 'mirror'))).toBe(drawnAs);
  });
});

test('an engine effect: a medium that stands still for a minute after each ten gigabytes', () => {
  const flow: Flow = {
    bytes: 35e9,
    files: 0,
    perFile: 0,
    buffer: 0,
    from: { store: { role: 'other', read: 1e9, write: 1e9, sustained: Infinity, cache: Infinity } },
    to: { store: { role: 'drive', read: 1e9, write: 1e9, sustained: Infinity, cache: Infinity } },
  };
  const before = run([flow]).seconds;
  let until = 0;
  let next = 10e9;
  const pause: Effect = {
    id: 'pause',
    limit: ({ bodies, time }) => {
      for (const body of bodies) body.time.limit = time < until - 1e-9 ? 1e-9 : 1;
    },
    next: ({ active, time }) =>
      Math.min(
        time < until - 1e-9 ? until - time : Infinity,
        ...active.map((c) => Math.max(1e-9, (next - c.taken) / c.out)),
      ),
    arrive: (state) => {
      for (const c of state.active)
        if (c.taken >= next - 1e-3) {
          until = state.time + 60;
          next += 10e9;
        }
    },
  };
  const forget = registerEffect(pause);
  expect(run([flow]).seconds).toBeCloseTo(before + 3 * 60, 3);
  forget();
  expect(run([flow]).seconds).toBe(before);
});

test('a link: negotiated, with its ceiling and its practical rate', () => {
  const twin: Link = { ...linkById('usb-10'), id: 'twin-link', name: 'Twin link', implies: ['usb-10'] };
  const forget = registerLink(twin);
  const { drive, bridge, cable } = offload!.build!;
  const modes = ['twin-link'];
  const host = HOSTS.find((h) => h.id === 'field-laptop')!;
  const port = { ...host.ports[0]!, modes };
  const path = buildPath({
    drive,
    bridge: { ...bridge!, outer: modes },
    cable: { ...cable!, modes },
    host,
    port,
  });
  expect(path.outer.mode).toBe(twin);
  expect(path.constraints.find((c) => c.id === 'outer')!.explain('write').ceiling).toBeCloseTo(1212.1e6, -5);
  forget();
  expect(() => linkById('twin-link')).toThrow(RangeError);
});

test('a rule: found with the others, in its rank', () => {
  const rule: Rule = {
    id: 'made-up',
    severity: 'blocks',
    segment: 'drive',
    title: 'Made up',
    when: (f) => f.drive.maker === 'Larkmoor',
    reason: 'It is made up.',
    fix: 'Take it out.',
  };
  const forget = registerRule(rule);
  expect(findings(settingOf(situation, 'write'))[0]).toMatchObject({ id: 'made-up', severity: 'blocks' });
  forget();
  expect(findings(settingOf(situation, 'write')).some((f) => f.id === 'made-up')).toBe(false);
});

test('a cause: nothing but a change of the case; it stands in the diagnosis and in the next test', () => {
  const small: Hypothesis = {
    id: 'tiny files',
    site: 'machine',
    prior: 3,
    title: 'Each file takes a fortieth of a second',
    fix: 'Pack them.',
    applies: ({ activity }) => activity.kind === 'move',
    change: (of) => ({
      ...of,
      overrides: {
        ...of.overrides,
        perFile: explaining.given('per-file overhead', 0.025, 's', { kind: 'entered' }),
      },
    }),
  };
  const of = caseOf(situation, 'offload');
  const logs = Array.from(logsOf(small.change(of), false)!).sort((a, b) => a - b);
  const log = logs[Math.floor(logs.length / 2)]!;
  expect(Math.exp(log)).toBeGreaterThan(38_400 * 0.025);
  const told: Omit<Evidence, 'time'> = {
    title: 'Offload',
    of,
    toBar: false,
    seen: null,
    off: 1,
    samples: [],
  };
  const evidence: Evidence[] = [{ ...told, time: { log, sigma: 0.05 } }];
  const scored = score(evidence, { causes: [...CAUSES, small] });
  expect(scored.find(({ id }) => id === 'tiny files')!.probability).toBeGreaterThan(0.1);
  const [first] = nextTests(evidence, scored);
  expect(first!.outcomes.map(({ id }) => id)).toContain('tiny files');
  // What it does not apply to it does not touch.
  const activity = offload!.activities[2]!;
  const load: Evidence = { ...told, of: { ...of, activity }, time: { log: 3, sigma: 0.05 } };
  expect(score([load], { causes: [small] }).map(({ id }) => id)).not.toContain('tiny files');
});

test('a look: it is weighed with the others, and what it ends is gone where it was made', () => {
  const packed: Look = {
    id: 'packed',
    title: 'Pack them into one archive and time that',
    replaces: ['machine'],
    applies: ({ activity }) => activity.kind === 'move',
  };
  const of = caseOf(situation, 'offload');
  const log = Math.log(38_400 * 0.025);
  const evidence: Evidence[] = [
    { title: 'Offload', of, toBar: false, seen: null, off: 1, samples: [], time: { log, sigma: 0.05 } },
  ];
  const scored = score(evidence, { causes: CAUSES });
  const all = nextTests(evidence, scored, [...LOOKS, packed]);
  const found = all.find(({ id }) => id === 'packed')!;
  expect(all.map(({ id }) => id)).toEqual(
    expect.arrayContaining(nextTests(evidence, scored).map(({ id }) => id)),
  );
  // A cause at the machine would be gone: it then takes what it takes where all is well.
  const after = (id: string) => found.outcomes.find((o) => o.id === id)!.seconds!.expected;
  const machine = scored.find(({ cause }) => cause?.site === 'machine' && cause.applies(of))!;
  expect(after(machine.id)).toBeLessThan(0.9 * Math.exp(log));
  expect(nextTests(evidence, scored, [{ ...packed, applies: () => false }])).toEqual([]);
});

test('a stage: it stands with what is to be done next, in its order', () => {
  const [job] = demoJobs() as [Job];
  const weighed = stagesOf(
    {
      weighing: ({ built }) => (built ? ['done', 'Weigh it again'] : ['open', 'Weigh the drive']),
      packing: ({ timed }) => ['attention', timed ? 'Pack it' : 'Time it first'],
    },
    job,
    { blocked: false, unmet: false },
  );
  expect(weighed).toEqual([
    { stage: 'weighing', state: 'done', next: 'Weigh it again' },
    { stage: 'packing', state: 'attention', next: 'Pack it' },
  ]);
  // @ts-expect-error a stage stands in one of three ways
  stagesOf({ weighing: () => ['perhaps', ''] }, job, { blocked: false, unmet: false });
});

test('a way to measure: what the server tells of it comes to runs of the job', () => {
  const [
    {
      runs: [like],
    },
  ] = demoJobs() as [Job];
  const forget = registerWay('thrice', {
    ends: 'done',
    runs: ({ kept }: { kept: { id: string } }) => [1, 2, 3].map((n) => ({ ...like!, id: `${kept.id}-${n}` })),
  } as never);
  const kept = { id: 'r', at: '2026-11-02T08:15:00.000Z', request: { kind: 'thrice' } } as unknown as KeptRun;
  const purpose = { job: 'j', place: null, note: '', temperature: null };
  const came = (end: object) => runsOfReal(kept, end as EndEvent, purpose, { path: null, activity: null });
  expect(came({ type: 'done' }).map(({ id }) => id)).toEqual(['r-1', 'r-2', 'r-3']);
  // An end that is another way's comes to nothing.
  expect(came({ type: 'copied' })).toEqual([]);
  forget();
});

test('a property: its schema says what form, table and published schema make of it', () => {
  const part = askedFor({
    id: asks('Id', z.string()),
    weight: asks('Weight', z.number().min(1).max(9000).optional(), { of: 'g' }),
    finish: asks('Finish', z.enum(['matt', 'gloss'])),
  });
  expect(askedOf(part).slice(1)).toEqual([
    {
      key: 'weight',
      label: 'Weight',
      of: 'g',
      holds: { type: 'number', whole: false },
      optional: true,
      nullable: false,
    },
    {
      key: 'finish',
      label: 'Finish',
      holds: { type: 'choice', options: ['matt', 'gloss'] },
      optional: false,
      nullable: false,
    },
  ]);
  expect(z.toJSONSchema(part).properties).toMatchObject({ weight: { title: 'Weight', maximum: 9000 } });
  // @ts-expect-error a number without what it is measured in does not compile
  asks('Depth', z.number());
});

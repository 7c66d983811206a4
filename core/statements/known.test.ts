import { demoJobs } from '../demo';
import { diagnose, withEntered } from '../diagnosis';
import { handover, toMarkdown } from '../handover';
import { sheetOf, situationAt } from '../forecast';
import { middle } from '../evidence';
import { sampled } from '../fixtures/draws';
import { timedRun } from '../fixtures/runs';
import { placesOf, type Fitting, type Job } from '../job';
import { learnedFrom, protocolOf, withLearned } from '../measure';
import { verdict } from '../verdict';
import { befallenSaid, costSaid, forecastSaid, lifeSaid, observationsOf, CONCERNS, type Concern } from '.';

/*
 * The table of observations: where it says that something has an effect, it moves what is told there; where it says none, nothing moves, and why
 * stands there in words.
 */
const [offload] = demoJobs() as [Job];
const place = placesOf(offload)[0]!;
const run = (id: string, more: object = {}, work: object = {}) => {
  const made = timedRun(
    { bytes: 214e9, files: 38_400, seconds: 640, ...work },
    { id, activity: 'offload', direction: 'write', at: `2026-12-01T10:${id.padStart(2, '0')}:00.000Z` },
  );
  return { ...made, conditions: { ...made.conditions, ...more } };
};
const disk = (job: Job): Job => {
  const [device] = job.devices as [Job['devices'][0]];
  const drive = { ...device.parts!.drive, media: 'disk' as const, form: '2.5-inch' };
  return { ...job, devices: [{ ...device, parts: { ...device.parts!, drive } }] };
};
// Without its chain: that something was put in from outside would be told of every run here.
const { chain: _, ...unchained } = offload;
const bare: Job = { ...unchained, forecasts: [], runs: [] };
const timed: Job = { ...bare, runs: [run('1')] };
const fitted = (job: Job, more: Partial<Fitting>): Job => ({
  ...job,
  fittings: [{ device: 'device-1', steps: [], ...job.fittings?.[0], ...more }],
});
const needs = (job: Job, more: object): Job => ({
  ...job,
  devices: job.devices.map((d) => ({ ...d, needs: { ...d.needs, ...more } })),
});

/** What stands in each room, as text. */
const ROOM: Record<Concern, (job: Job) => unknown> = {
  forecast(job) {
    // What runs teach is taken over with a press.
    const taught = learnedFrom(job).reduce((at, learned) => withLearned(at, learned), job);
    const sheet = sheetOf(situationAt(taught, place)!)!;
    return [sheet.activities.map(forecastSaid), sheet.tasks];
  },
  life: (job) => [
    lifeSaid(place, sheetOf(situationAt(job, place)!)!),
    costSaid('device-1', job.fittings?.[0]?.paid, null, middle(job.serviceYears)),
    befallenSaid('device-1', job.fittings?.[0] ?? {}).risk,
  ],
  verdict: (job) =>
    verdict(job).claims.map(({ right, target, today, measured }) => [
      right,
      target,
      today,
      measured?.runs.length,
    ]),
  causes: (job) => diagnose(job)?.causes.map(({ id, probability }) => [id, probability.toFixed(6)]),
  protocol: (job) =>
    protocolOf(job).tests.map((test) => [
      [test.id, test.done, test.wanted, test.seconds],
      // What is minded of cable and port is said of what is built.
      test.minds.filter(({ id }) => id === 'look first'),
    ]),
  handover: (job) => toMarkdown(handover(job, verdict(job)), 'shop'),
};
/** {@link ROOM} as text; most rows begin with the same job. */
const stood = new WeakMap<Job, Map<Concern, string>>();
function standsIn(room: Concern, job: Job): string {
  const had = stood.get(job) ?? new Map<Concern, string>();
  stood.set(job, had);
  const text = had.get(room) ?? JSON.stringify(ROOM[room](job) ?? null);
  had.set(room, text);
  return text;
}
const page = 'Percentage Used: 3%\nData Units Written: 31250000\nMedia and Data Integrity Errors: 0';

interface Row {
  kind: string;
  before: Job;
  after: Job;
  moves: Concern[];
}
const withLook = { look: 'look at its space', seen: 'nearly full', at: '2026-12-01T12:00:00.000Z' };
/** The job with a look that was noted and taken into the forecast. */
function enteredAs(seen: { look: string; seen: string }, values = {}): Job {
  const noted = { ...seen, at: '2026-12-01T12:00:00.000Z' };
  const job = { ...timed, looks: [noted] };
  return withEntered(job, noted, 'offload', values, '2026-12-01T12:05:00.000Z')!;
}
const TABLE: Row[] = [
  {
    kind: 'run',
    before: timed,
    after: {
      ...timed,
      runs: [
        ...timed.runs,
        run('2', {}, { bytes: 40e9, files: 60_000, seconds: 400 }),
        run('3', {}, { bytes: 214e9, seconds: 655 }),
      ],
    },
    moves: ['forecast', 'verdict', 'causes', 'protocol', 'handover'],
  },
  {
    kind: 'run',
    before: timed,
    after: { ...timed, runs: [...timed.runs, { ...run('2'), ended: 'aborted' }] },
    moves: [],
  },
  {
    kind: 'run',
    before: timed,
    after: {
      ...timed,
      runs: [
        ...timed.runs,
        { ...run('2'), excluded: { at: '2026-12-01T11:00:00.000Z', reason: 'Somebody else was at it' } },
      ],
    },
    moves: ['handover'],
  },
  {
    kind: 'figure',
    before: bare,
    after: {
      ...bare,
      runs: [
        {
          ...run('2'),
          measure: {
            kind: 'rate',
            rate: 210e6,
            shown: '210 MB/s',
            grain: 5e5,
            block: null,
            depth: null,
            bytes: null,
          },
        },
      ],
    },
    moves: ['verdict', 'causes', 'handover'],
  },
  {
    kind: 'temperature',
    before: timed,
    after: { ...timed, runs: [run('1', { hottest: 84 })] },
    moves: ['causes', 'handover'],
  },
  {
    kind: 'temperature',
    before: disk(timed),
    after: disk({ ...timed, runs: [run('1', { hottest: 58 })] }),
    moves: ['handover'],
  },
  { kind: 'look', before: timed, after: { ...timed, looks: [withLook] }, moves: ['causes', 'handover'] },
  {
    kind: 'look',
    before: timed,
    after: enteredAs({ look: 'count again', seen: 'another size' }, { bytes: 171e9, files: 31_000 }),
    moves: ['forecast', 'life', 'verdict', 'causes', 'handover'],
  },
  {
    kind: 'look',
    before: timed,
    after: enteredAs({ look: 'look at its space', seen: 'nearly full' }, { fill: 0.93 }),
    moves: ['forecast', 'verdict', 'causes', 'handover'],
  },
  {
    kind: 'look',
    before: timed,
    after: enteredAs({ look: 'look at the link', seen: 'usb-5' }),
    moves: ['forecast', 'verdict', 'causes', 'protocol', 'handover'],
  },
  {
    kind: 'link',
    before: timed,
    after: {
      ...timed,
      connections: timed.connections.map((c) => ({
        ...c,
        seen: { link: 'usb-5', device: 'Bridge', at: '2026-12-01T09:00:00.000Z' },
      })),
    },
    moves: ['forecast', 'verdict', 'causes', 'protocol', 'handover'],
  },
  {
    kind: 'health',
    before: timed,
    after: fitted(timed, { baseline: { at: '2026-11-30T09:00:00.000Z', text: page, written: 16e12 } }),
    moves: ['life', 'handover'],
  },
  {
    kind: 'health',
    before: timed,
    after: fitted(timed, {
      baseline: { at: '2026-11-30T09:00:00.000Z', text: 'Percentage Used: 40%', written: null, wear: 0.4 },
    }),
    moves: ['life', 'handover'],
  },
  {
    kind: 'used',
    before: timed,
    after: { ...timed, used: [{ drive: 'old', at: '2026-11-30T09:00:00.000Z', text: page }] },
    moves: [],
  },
  {
    kind: 'counter',
    before: needs(timed, { inUseSince: '2026-01-01' }),
    after: needs(timed, { inUseSince: '2026-01-01', counters: [{ on: '2026-11-30', written: 16e12 }] }),
    moves: ['life', 'handover'],
  },
  {
    kind: 'checkpoint',
    before: fitted(disk(bare), { format: { started: '2026-12-01T08:00:00.000Z', checkpoints: [] } }),
    after: fitted(disk(bare), {
      format: {
        started: '2026-12-01T08:00:00.000Z',
        checkpoints: [{ at: '2026-12-01T12:00:00.000Z', share: 0.3 }],
      },
    }),
    moves: ['forecast'],
  },
  {
    kind: 'today',
    before: timed,
    after: {
      ...timed,
      activities: timed.activities.map((a) => (a.id === 'offload' ? { ...a, today: 1500 } : a)),
    },
    moves: ['forecast', 'verdict', 'handover'],
  },
  {
    kind: 'put right',
    before: timed,
    after: {
      ...timed,
      runs: [{ ...run('1'), excluded: { at: '2026-12-01T11:00:00.000Z', reason: 'Put right since' } }],
      found: [
        {
          cause: 'contact',
          title: 'A loose lead',
          fix: 'Changed.',
          probability: 0.9,
          at: '2026-12-01T11:00:00.000Z',
        },
      ],
    },
    moves: ['verdict', 'causes', 'protocol', 'handover'],
  },
  {
    kind: 'befallen',
    before: fitted({ ...timed, runs: [run('1', {}, { seconds: 900 })] }, {}),
    after: fitted(
      { ...timed, runs: [run('1', {}, { seconds: 900 })] },
      { befallen: [{ on: '2026-11-30', what: 'dropped', note: 'off the bench' }] },
    ),
    moves: ['life', 'causes', 'protocol', 'handover'],
  },
  {
    kind: 'bought',
    before: fitted(timed, {}),
    after: fitted(timed, { bought: '2026-11-20' }),
    moves: ['handover'],
  },
  {
    kind: 'bought',
    before: fitted(timed, {}),
    after: fitted(timed, { warrantyUntil: '2029-11-20' }),
    moves: ['handover'],
  },
  {
    kind: 'bought',
    before: fitted(timed, {}),
    after: fitted(timed, { bought: '2026-11-20', paid: { amount: 131, currency: 'EUR' } }),
    moves: ['life', 'handover'],
  },
];

// Each row is worked out in every room, before and after.
test.each(sampled(TABLE, 10))(
  '$kind moves what it says it does, and nothing else',
  ({ kind, before, after, moves }) => {
    const list = observationsOf(after, verdict(after)).filter((o) => o.kind === kind);
    expect(list.length).toBeGreaterThan(0);
    const [{ effects }] = list as [(typeof list)[0]];
    for (const room of CONCERNS) {
      const isMoved = standsIn(room, before) !== standsIn(room, after);
      expect([room, isMoved]).toEqual([room, moves.includes(room)]);
      expect(effects[room].words.length).toBeGreaterThan(5);
      // What is said to do something does it; the protocol of a run is that of all like it.
      if (isMoved) expect([room, effects[room].does]).toEqual([room, true]);
      else if (room === 'causes' || room === 'handover')
        expect([room, effects[room].does]).toEqual([room, false]);
    }
  },
);

test('what is set aside, unfinished or of another kind is told why it does nothing', () => {
  const job: Job = {
    ...timed,
    runs: [
      { ...run('1'), excluded: { at: '2026-12-01T11:00:00.000Z', reason: 'Somebody else was at it' } },
      { ...run('2'), ended: 'aborted' },
      run('3', { look: 'swap cable' }),
    ],
  };
  const effects = (id: string) =>
    observationsOf(job, verdict(job)).find((o) => o.id === `run ${id}`)!.effects;
  expect(effects('1').verdict).toEqual({ does: false, words: 'Set aside: Somebody else was at it.' });
  expect(effects('2').verdict).toEqual({ does: false, words: 'It did not finish.' });
  expect(effects('3').protocol).toEqual({ does: false, words: 'Made to find a cause, not as it is built.' });
});

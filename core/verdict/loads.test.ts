import { demoJobs } from '../demo';
import { freeze, forecastAll, situationOf } from '../forecast';
import { briefAt, placeOf, Run, type Job } from '../job';
import { handover, toMarkdown } from '../handover';
import { compareLoadTimes, feltSaid, judgedSaid, processingWords } from '../statements';
import { quickVerdict, verdict } from '.';

const of = demoJobs().find((j) => j.activities.some((a) => a.kind === 'open'))!;
const load = of.activities.find((a) => a.kind === 'open')!;
const place = placeOf(of, load)!;
const job: Job = { ...of, runs: [], forecasts: [freeze(of, 'f', '2031-03-01T09:00:00.000Z')] };
const figure = forecastAll(situationOf(briefAt(job, place)!)!)!.activities.find(
  (a) => a.activity.id === load.id,
)!.figure;
let count = 0;
const timed = (seconds: number): Run =>
  Run.parse({
    id: `load-${count++}`,
    at: '2031-03-02T09:00:00.000Z',
    activity: load.id,
    direction: 'read',
    otherEnd: 'memory',
    source: 'stopwatch',
    measure: { kind: 'timed', bytes: null, files: null, seconds, error: 0.14 },
    path: place,
    conditions: {},
    ended: 'done',
  });
const claim = (...runs: Run[]) => verdict({ ...job, runs }).claims[0]!;

test('a load is timed as a load: held against the frozen time, with no bytes and no rate', () => {
  const { expected } = figure;
  const found = claim(timed(expected * 0.99), timed(expected), timed(expected * 1.01));
  expect(found.measured).toMatchObject({ rate: null, time: { expected: expect.closeTo(expected, 6) } });
  expect(found.forecast).toMatchObject({ rate: null, time: { expected }, frozen: { id: 'f' } });
  expect(found.right.answer).toBe('as forecast');
  expect(found.target!.answer).toBe('yes');
  expect(found.carries).toBe('Measured on the customer’s machine as built.');
});

test('longer than its range is short of the forecast, quicker is better', () => {
  const long = figure.high * 1.3;
  expect(claim(timed(long), timed(long * 1.001), timed(long * 0.999)).right).toMatchObject({
    answer: 'short',
    words: expect.stringMatching(/^Longer by/),
  });
  const quick = figure.low * 0.8;
  expect(claim(timed(quick), timed(quick * 1.001), timed(quick * 0.999)).right.answer).toBe('better');
});

test('without anything frozen the model answers; with it the quick verdict does', () => {
  const runs = [timed(20)];
  expect(quickVerdict({ ...job, runs })).toEqual(verdict({ ...job, runs }));
  const bare = { ...job, runs, forecasts: [] };
  expect(quickVerdict(bare)).toBeNull();
  expect(verdict(bare).claims[0]!.forecast!.time!.expected).toBeCloseTo(figure.expected, 6);
});

test('a limit on a load is one on its time', () => {
  const under = {
    ...timed(1),
    measure: { kind: 'bound' as const, bytes: null, files: null, atMost: 30, atLeast: null },
  };
  expect(claim(under)).toMatchObject({
    measured: { rate: null, time: { low: 0, high: 30 } },
    target: { answer: 'yes' },
  });
});

test('it stands in the handover by its time', () => {
  const runs = [timed(20)];
  const text = JSON.stringify(handover({ ...job, runs }, verdict({ ...job, runs })));
  expect(text).toContain('"20 s"');
});

describe('what a person notices', () => {
  const { host, build } = briefAt(job, place)!;
  const at = (path: Run['path'], seconds: number): Run[] =>
    [0.995, 1, 1.005].map((factor) => ({ ...timed(seconds * factor), path }));
  const other = { host, build: { ...build!, drive: { ...build!.drive, model: 'Another' } } };
  const away = { host: { ...host, name: 'Another host' }, build: other.build };
  const felt = (...runs: Run[]) => {
    const found = { ...job, runs };
    return compareLoadTimes(found, verdict(found).claims);
  };

  test('two drives on one path: told apart above a fifth of the slower, not below', () => {
    expect(felt(...at(place, 20), ...at(other, 30))).toMatchObject([{ noticed: 'yes', differs: 'drive' }]);
    expect(felt(...at(place, 20), ...at(other, 21))).toMatchObject([{ noticed: 'no', differs: 'drive' }]);
  });

  test('drive and machine changed at once: nobody can tell which', () =>
    expect(felt(...at(place, 20), ...at(away, 60))).toMatchObject([{ noticed: 'yes', differs: 'several' }]));

  test('it stands in verdict and handover, with what no drive shortens', () => {
    const slow = { ...load, processing: { value: 18.2, source: { kind: 'entered' as const } } };
    const told = {
      ...job,
      forecasts: [],
      activities: job.activities.map((a) => (a.id === load.id ? (slow as typeof a) : a)),
      runs: [...at(place, 20), ...at(other, 30)],
    };
    const found = verdict(told);
    expect(judgedSaid(found.claims[0]!).processing!.words).toBe(
      '18.2 s of it are processing: no drive shortens that.',
    );
    const text = toMarkdown(handover(told, found), 'customer');
    expect(text).toContain('18.2 s of it are processing: no drive shortens that.');
    expect(text).toMatch(/20 s and 30 s, a difference a person notices\./);
    expect(
      processingWords({ ...slow, processing: { ...slow.processing, value: null } } as never, 20),
    ).toBeNull();
  });

  test('two devices with a choice on record: what the quicker cost more, for each second gained', () => {
    const [first] = job.devices;
    const [hung] = job.connections;
    const second = { ...first!, id: 'device-2', parts: { ...first!.parts!, drive: other.build.drive } };
    const bought = (device: string, cost: number) => ({
      ...{ id: `choice-${device}`, at: '2031-03-01T10:00:00.000Z', device, taken: { words: device, cost } },
      ...{ reason: '', currency: 'EUR', beside: [], works: 2, meets: 1, fallen: [], prices: [] },
    });
    const two: Job = {
      ...job,
      devices: [first!, second],
      connections: [hung!, { ...hung!, device: 'device-2' }],
      choices: [bought('device-1', 190), bought('device-2', 145)],
      runs: [...at(place, 20), ...at({ ...place, device: 'device-2' }, 29)],
    };
    const by = (told: Job) => {
      const [one] = compareLoadTimes(told, verdict(told).claims);
      return feltSaid(one!, 0).by!.words;
    };
    expect(by(two)).toMatch(/The quicker cost 45 EUR more, 5 EUR for each second gained\.$/);
    expect(by({ ...two, choices: [bought('device-1', 145), bought('device-2', 190)] })).not.toMatch(/cost/);
    expect(by({ ...two, choices: [bought('device-1', 190)] })).not.toMatch(/cost/);
  });

  test('one place, rehearsals, limits and tests of a cause tell nothing', () => {
    const swapped = (r: Run): Run => ({ ...r, conditions: { ...r.conditions, look: 'other device' } });
    expect(felt(...at(place, 20), ...at(other, 30).map(swapped))).toEqual([]);
    expect(felt(...at(place, 20))).toEqual([]);
    expect(felt(...at(place, 20), ...at(other, 30).map((r): Run => ({ ...r, source: 'simulated' })))).toEqual(
      [],
    );
  });
});

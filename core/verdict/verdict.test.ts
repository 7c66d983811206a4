import { firstOf, forecastJob, rebuilt } from '../fixtures/forecast';
import fc from 'fast-check';
import { Run } from '../job';
import { demoJobs } from '../demo';
import { FIRST_PLACE, type Job } from '../job';
import { quickVerdict, heldAgainst, verdict } from '.';
import { runs } from '../fixtures/draws';

const offload = demoJobs()[0]!;
const { host, build } = firstOf(offload);
let count = 0;
const run = (seconds: number, more: Partial<Run> = {}): Run =>
  Run.parse({
    id: `x${count++}`,
    at: '2026-11-05T10:00:00.000Z',
    activity: 'offload',
    direction: 'write',
    otherEnd: 'storage',
    source: 'stopwatch',
    measure: { kind: 'timed', bytes: 214e9, files: 38_400, seconds, error: 0.14 },
    path: FIRST_PLACE,
    conditions: {},
    ended: 'done',
    ...more,
  });
const withRuns = (...runs: Run[]): Job => ({ ...offload, runs });
const claims = (job: Job) => verdict(job).claims;
const claim = (...runs: Run[]) => claims(withRuns(...runs))[0]!;
const range = fc
  .tuple(
    fc.integer({ min: 1, max: 1000 }),
    fc.integer({ min: 0, max: 500 }),
    fc.integer({ min: 0, max: 500 }),
  )
  .map(([a, b, c]) => ({ low: a, expected: a + b, high: a + b + c }));

describe('was the forecast right?', () => {
  test.each([
    [[100, 110, 120], 'as forecast'],
    [[60, 70, 79], 'short'],
    [[171, 180, 190], 'better'],
    [[70, 80, 90], 'not proven'],
    [[10, 100, 300], 'not proven'],
  ] as const)('measured %j against 80 to 160: %s', ([low, expected, high], answer) =>
    expect(heldAgainst({ low, expected, high }, { low: 80, expected: 120, high: 160 }).answer).toBe(answer),
  );

  test('exactly one answer, in the right order', () => {
    fc.assert(
      fc.property(range, range, (measured, forecast) => {
        const { answer, by } = heldAgainst(measured, forecast);
        // What no model knows, 6 % one sigma, in quadrature with the range, of logarithms.
        const reach = (end: number) => Math.exp(Math.hypot(Math.log(end / forecast.expected), 1.645 * 0.06));
        const [low, high] = [
          forecast.expected / reach(forecast.low),
          forecast.expected * reach(forecast.high),
        ];
        if (answer === 'short') return measured.high < low && low < forecast.low && by! < 0;
        if (answer === 'better') return measured.low > high && high > forecast.high && by! > 0;
        if (answer === 'as forecast') return measured.low >= low && measured.high <= high;
        return answer === 'not proven' && measured.high >= low && measured.low <= high;
      }),
      runs(100),
    );
  });

  test('held against the frozen figures themselves when size and path agree', () => {
    const { forecast } = claim(run(298), run(300));
    expect(forecast!.frozen).toBe(offload.forecasts[0]);
    expect(forecast!.time).toBe(offload.forecasts[0]!.results[0]!.time);
  });

  describe('what the clock was stopped at', () => {
    const timed = (seconds: number, until: 'bar' | 'written' | undefined, bytes = 214e9, files = 38_400) =>
      run(seconds, {
        measure: {
          kind: 'timed',
          bytes,
          files,
          seconds,
          error: 0.14,
          correction: 0,
          laps: [],
          block: null,
          depth: null,
          ...(until ? { until } : {}),
        },
      });
    const { time, bar } = offload.forecasts[0]!.results[0]!;

    test('the progress bar is held against the bar, and told what is still to be written', () => {
      const held = claim(timed(278, 'bar'), timed(276, 'bar'));
      expect(held.forecast!.time).toBe(bar);
      expect(held.forecast!.later).toBeCloseTo(time!.expected - bar!.expected, 9);
      expect(held.carries).toMatch(
        /Timed until the progress bar was full; all is written about [\d.]+ s later\./,
      );
      expect(claim(timed(278, 'written')).forecast).toMatchObject({ time, later: 0 });
      expect(claim(timed(278, undefined)).forecast!.time).toBe(time);
    });

    test('bar and written are two claims, never one mean', () =>
      expect(
        claims(withRuns(timed(278, 'bar'), timed(281, 'written'))).map((c) => c.measured!.runs.length),
      ).toEqual([1, 1]));

    test('a copy that fits into memory: the bar alone would look better than any drive', () => {
      const small = (until: 'bar' | 'written') => claim(timed(2.2, until, 3e9, 1)).forecast!;
      expect(small('bar').time!.expected).toBeLessThan(small('written').time!.expected * 0.75);
      expect(small('bar').rate!.expected).toBeCloseTo(3e9 / small('bar').time!.expected, 0);
    });

    test('of an older frozen forecast, which has no bar, the models make it anew', () => {
      const older = {
        ...offload,
        forecasts: offload.forecasts.map((f) => ({ ...f, results: f.results.map(({ bar: _, ...r }) => r) })),
        runs: [timed(278, 'bar')],
      };
      expect(claims(older)[0]!.forecast!.time!.expected).toBeCloseTo(bar!.expected, 6);
    });
  });

  test('reading back counts for time and rate alike; a copy onto itself is held against one', () => {
    const as = (part: object) =>
      ({
        ...withRuns(run(500), run(505)),
        forecasts: [],
        activities: [{ ...offload.activities[0]!, ...part }, ...offload.activities.slice(1)],
      }) as Job;
    for (const part of [{ verify: true }, { itself: true }]) {
      const { forecast } = claims(as(part))[0]!;
      const own = forecastJob(firstOf(as(part)))!.activities[0]!.figure;
      expect(forecast!.time!.expected).toBeCloseTo(own.expected, 6);
      expect(forecast!.rate!.expected).toBeCloseTo(214e9 / own.expected, 0);
    }
  });

  test('a forecast frozen after the run does not count as one', () => {
    expect(claim(run(298, { at: '2026-11-01T10:00:00.000Z' })).forecast!.frozen).toBeNull();
  });

  test('a forecast frozen for other parts does not count for runs on these', () => {
    const changed = {
      ...rebuilt(offload, { build: { ...build!, port: 'left-front' } }),
      runs: [run(540), run(545), run(538)],
    };
    expect(claims(changed)[0]!.forecast!.frozen).toBeNull();
    expect(claims(changed)[0]!.right.answer).toBe('as forecast');
  });

  test('a run on another port is held against that port', () => {
    const elsewhere = { host, build: { ...build!, port: 'left-front' } };
    const slow = claim(
      run(540, { path: elsewhere }),
      run(545, { path: elsewhere }),
      run(538, { path: elsewhere }),
    );
    expect(slow.right.answer).toBe('as forecast');
    expect(slow.target!.answer).toBe('not proven');
    expect(slow.carries).toMatch(/Left side, front.*not tested/);
    expect(claim(run(540), run(545), run(538)).right).toMatchObject({
      answer: 'short',
      by: expect.closeTo(-0.49, 1),
    });
  });

  test('an undescribed path has nothing to hold it against', () => {
    expect(claim(run(300, { path: null }))).toMatchObject({
      right: { answer: 'no forecast' },
      forecast: null,
    });
  });

  test('a rate read off another program is held against drive and links, not the other end', () => {
    const measure = {
      kind: 'rate' as const,
      rate: 960e6,
      shown: '960 MB/s',
      grain: 0.5e6,
      block: 1048576,
      depth: 8,
      bytes: null,
    };
    const read = claim(run(1, { activity: null, source: 'program', otherEnd: 'memory', measure }));
    expect(read.right.answer).toBe('as forecast');
    expect(JSON.stringify(read.forecast!.rate!.because)).toContain('other end: memory');
    expect(read.target).toBeNull();
  });
});

test('a run one request at a time is held against what one request at a time can do', () => {
  const at = (block: number, depth: number) =>
    claim(
      run(60, {
        activity: null,
        otherEnd: 'memory',
        source: 'real',
        measure: {
          kind: 'timed',
          bytes: 50e9,
          files: 1,
          seconds: 60,
          error: 0.001,
          correction: 0,
          laps: [],
          block,
          depth,
        },
      }),
    ).forecast!.rate!;
  const deep = at(2 ** 20, 32);
  expect(at(2 ** 20, 1).expected).toBeLessThan(deep.expected * 0.92);
  expect(at(2 ** 17, 1).expected).toBeLessThan(at(2 ** 20, 1).expected * 0.7);
  expect(at(2 ** 22, 1).expected).toBeGreaterThan(at(2 ** 20, 1).expected);
  expect(JSON.stringify(at(2 ** 20, 1).because)).toContain('depth × block ÷ (latency + block ÷ links)');
});

describe('impossible', () => {
  test('above the hard ceiling of the path: kept, named, never used', () => {
    const found = claim(run(60), run(298), run(300));
    expect(found.impossible).toHaveLength(1);
    expect(found.impossible[0]!.words).toMatch(/cannot pass more than 1,212 MB\/s/);
    expect(found.measured!.runs).toHaveLength(2);
  });
  test('better than stated yet under the ceiling is only better', () => {
    expect(claim(run(190), run(190.5), run(191)).right.answer).toBe('better');
    expect(claim(run(190)).impossible).toEqual([]);
  });
  test('the error of reading is allowed for', () => {
    const seconds = 214e9 / 1212.2e6;
    expect(claim(run(seconds)).impossible).toEqual([]);
  });
  test('nothing but impossible runs is no verdict', () => {
    const job = withRuns(run(60));
    expect(claims(job)[0]!.right.answer).toBe('impossible');
    expect(verdict(job).answer).toBe('not proven');
  });
  test('a memory-backed folder is never used', () => {
    const memory = { ...run(298).conditions, memoryBacked: true };
    expect(claim(run(298, { conditions: memory })).measured).toBeNull();
  });
});

describe('is the target met?', () => {
  const readback = offload.runs.filter((r) => r.activity === 'readback');
  test('the demo meets both', () =>
    expect(verdict(offload)).toMatchObject({ answer: 'meets', words: 'Both targets are met.' }));
  test('yes and no need the whole interval', () => {
    const target = (...s: number[]) => claim(...s.map((x) => run(x))).target!.answer;
    expect([target(298, 300, 302), target(800, 805, 810), target(600, 800)]).toEqual([
      'yes',
      'no',
      'not proven',
    ]);
  });
  test('one missed target decides', () => {
    expect(verdict(withRuns(...readback, run(800), run(805), run(810)))).toMatchObject({
      answer: 'falls short',
      words: expect.stringMatching(/1 target of 2 not met/),
    });
  });
  test('an unmeasured activity leaves it open', () =>
    expect(verdict(withRuns(...readback)).answer).toBe('not proven'));
  test('a smaller copy, or other files, do not prove the whole', () => {
    const part = run(30, { measure: { ...run(30).measure, bytes: 20e9 } as Run['measure'] });
    expect(claim(part).target).toMatchObject({
      answer: 'not proven',
      words: expect.stringMatching(/20 GB were moved/),
    });
  });
  test('a run over more than the activity can prove the target but not disprove it', () => {
    const more = (seconds: number) =>
      run(seconds, { measure: { ...run(seconds).measure, bytes: 300e9 } as Run['measure'] });
    expect(claim(more(600), more(602), more(604)).target!.answer).toBe('yes');
    expect(claim(more(800), more(805), more(810)).target).toMatchObject({
      answer: 'not proven',
      words: expect.stringMatching(/More was moved/),
    });
  });
  test('an activity that may grow is proven at its largest', () => {
    const ranged = offload.activities.map((a) =>
      a.id === 'offload' && a.kind === 'move'
        ? { ...a, bytes: { ...a.bytes, value: [100e9, 200e9, 214e9] as [number, number, number] } }
        : a,
    );
    const at = (bytes: number) =>
      claims({
        ...withRuns(run(298, { measure: { ...run(298).measure, bytes } as Run['measure'] })),
        activities: ranged,
      })[0]!.target!;
    expect(at(214e9).answer).toBe('yes');
    expect(at(200e9).words).toMatch(/may reach 214 GB/);
  });
  test('files nobody counted widen what the run is held against', () => {
    const uncounted = claim(run(298, { measure: { ...run(298).measure, files: null } as Run['measure'] }));
    const counted = claim(run(298));
    expect(uncounted.target!.answer).toBe('yes');
    expect(uncounted.forecast!.time!.high - uncounted.forecast!.time!.low).toBeGreaterThan(
      counted.forecast!.time!.high - counted.forecast!.time!.low,
    );
  });
  test('simulated runs are shown, kept apart, and never decide', () => {
    const job = withRuns(
      ...readback,
      run(298, { source: 'simulated' }),
      run(299, { source: 'simulated' }),
      run(300, { source: 'simulated' }),
    );
    expect(claims(job)).toHaveLength(2);
    expect(verdict(job).answer).toBe('not proven');
    expect(claims(withRuns(run(300), run(300, { source: 'simulated' })))).toHaveLength(2);
  });
  test('aborted runs count for nothing', () =>
    expect(claims(withRuns(run(100, { ended: 'aborted' })))).toEqual([]));
});

describe('laws of the verdict', () => {
  const times = fc.array(fc.double({ min: 200, max: 900, noNaN: true }), { minLength: 1, maxLength: 6 });
  test('an impossible run never changes what the others say', () => {
    fc.assert(
      fc.property(times, (seconds) => {
        const runs = seconds.map((s) => run(s));
        expect(claim(...runs, run(20)).measured!.rate).toEqual(claim(...runs).measured!.rate);
      }),
      runs(25),
    );
  });
  test('the order of runs does not matter', () => {
    fc.assert(
      fc.property(times, (seconds) => {
        const runs = seconds.map((s) => run(s));
        const [a, b] = [claim(...runs), claim(...[...runs].reverse())];
        expect(b.measured!.rate!.expected).toBeCloseTo(a.measured!.rate!.expected, 0);
        expect([b.right.answer, b.target!.answer]).toEqual([a.right.answer, a.target!.answer]);
      }),
      runs(25),
    );
  });
  test('a longer target is never harder to meet', () => {
    const rank = { no: 0, 'not proven': 1, yes: 2 };
    fc.assert(
      fc.property(
        times,
        fc.integer({ min: 100, max: 1000 }),
        fc.integer({ min: 0, max: 500 }),
        (seconds, target, more) => {
          const at = (w: number) =>
            claims({
              ...withRuns(...seconds.map((s) => run(s))),
              activities: offload.activities.map((a) => ({ ...a, target: w })),
            })[0]!.target!.answer;
          return rank[at(target + more)] >= rank[at(target)];
        },
      ),
      runs(25),
    );
  });
});

test('where frozen figures answer everything, no model is asked, and the verdict is the same; else there is none without', () => {
  const job = withRuns(run(300), run(310));
  expect(quickVerdict(job)).toEqual(verdict(job));
  expect(quickVerdict({ ...job, forecasts: [] })).toBeNull();
  expect(quickVerdict({ ...job, runs: [] })).toEqual(verdict({ ...job, runs: [] }));
});

describe('questioned: above what the same path did out of memory', () => {
  const bare = (seconds: number) =>
    run(seconds, {
      activity: null,
      otherEnd: 'memory',
      measure: { kind: 'timed', bytes: 40e9, files: 1, seconds, error: 0.05 } as Run['measure'],
    });
  const slow = [bare(58), bare(57.6), bare(58.3)];
  const timed = (seconds: number, until: 'bar' | 'written', bytes = 12e9): Run =>
    run(seconds, {
      measure: { kind: 'timed', bytes, files: 20, seconds, error: 0.05, until } as Run['measure'],
    });
  const of = (...runs: Run[]) => claims(withRuns(...runs)).find((c) => c.activity?.id === 'offload')!;

  test('it proves no target until it is repeated with more than memory holds, or until all is written', () => {
    const quick = [timed(13.2, 'bar'), timed(13.1, 'bar'), timed(13.3, 'bar')];
    expect(of(...slow, ...quick).right).toMatchObject({ answer: 'questioned' });
    expect(of(...slow, ...quick).target).toMatchObject({ answer: 'not proven' });
    expect(
      of(...slow, ...quick.map((r) => timed((r.measure as { seconds: number }).seconds, 'written'))).right
        .answer,
    ).not.toBe('questioned');
    // More than twice the laptop's 16 GB.
    expect(of(...slow, timed(48, 'bar', 44e9), timed(48.2, 'bar', 44e9)).right.answer).not.toBe('questioned');
  });

  test('below it, within its error, on another path or of small requests: nothing to question', () => {
    const like = [timed(17.5, 'bar'), timed(17.4, 'bar')];
    expect(of(...slow, ...like).right.answer).not.toBe('questioned');
    const quick = [timed(13.2, 'bar'), timed(13.1, 'bar')];
    const small = slow.map((r) => ({
      ...r,
      measure: { ...r.measure, block: 4096, depth: 1 } as Run['measure'],
    }));
    expect(of(...small, ...quick).right.answer).not.toBe('questioned');
    const away = slow.map((r): Run => ({ ...r, path: null }));
    expect(of(...away, ...quick).right.answer).not.toBe('questioned');
  });

  test('measured, and none of it usable, is not the same as not measured', () => {
    const { advice } = verdict(withRuns(run(5), run(5.1)));
    expect(advice).toMatch(/no run so far can have measured the drive/);
    expect(verdict(withRuns()).advice).toBe('');
  });
});

test('a run made to find a cause is a claim of its own, proves no target and counts as no miss', () => {
  const look = { look: 'swap cable' };
  const tested = run(900, { conditions: look as Run['conditions'] });
  const found = verdict(withRuns(run(298), run(300), tested));
  expect(found.claims).toHaveLength(2);
  const own = found.claims.find(({ title }) => title.endsWith('(swap cable)'))!;
  expect(own.target).toMatchObject({ answer: 'not proven' });
  expect(found.advice).toBe('');
});

import { readFileSync } from 'node:fs';
import { firstOf } from '../fixtures/forecast';
import { situationOf, forecastAll } from '../forecast';
import { verdict } from '../verdict';
import { doubtsOf, FIRST_PLACE, isUntouched, readJob, setupOf, witness, writeJob, type Job } from '.';

const text = (version: number) => readFileSync(`docs/samples/job-v${version}.kymar.json`, 'utf8');
const opened = (data: string): Job => {
  const read = readJob(data);
  if (!read.ok) throw new Error(read.problems.join('\n'));
  return read.value;
};

describe('older files', () => {
  test.each([1, 2, 3])(
    'version %i: one machine, one device, runs at that place, the frozen forecast byte for byte',
    (v) => {
      const raw = JSON.parse(text(v));
      const job = opened(text(v));
      expect(job.machines.map(({ id, use, host }) => [id, use, host])).toEqual([
        ['machine-1', 'customer', raw.host],
      ]);
      expect(job.devices).toHaveLength(1);
      expect(firstOf(job).build).toEqual(raw.build);
      expect(job.runs.map((run) => run.path)).toEqual(raw.runs.map(() => FIRST_PLACE));
      expect(job.forecasts).toEqual(raw.forecasts);
      expect(isUntouched(job.forecasts[0]!)).toBe(true);
      expect(job.activities.map((a) => a.target)).toEqual(
        raw.activities.map((a: { wish: number }) => a.wish),
      );
      // What was frozen is what the runs are held against, as in its own days.
      const { claims, doubts } = verdict(job);
      expect([doubts, claims.map((c) => c.forecast!.frozen?.id)]).toEqual([[], ['forecast-1', 'forecast-1']]);
    },
  );

  test('once opened a file stays as it is: written and read again nothing changes', () => {
    for (const version of [1, 2, 3]) {
      const job = opened(text(version));
      expect(opened(writeJob(job))).toEqual(job);
    }
  });

  test('what a frozen forecast was made from is told in today’s words, and forecasts the same', () => {
    const job = opened(text(3));
    const setup = setupOf(job.forecasts[0]!);
    expect(setup.machines).toEqual(job.machines.map(({ ambient: _, ...m }) => m));
    const now = forecastAll(situationOf(firstOf({ ...job, ...setup }))!)!;
    expect(now.activities[0]!.figure.unit).toBe('s');
  });

  test('needs and policies find their new homes', () => {
    const raw = JSON.parse(text(3));
    raw.needs = {
      role: 'system',
      starts: true,
      travels: false,
      ambient: 31,
      schools: { heatsink: 'always' },
    };
    raw.activities = [
      {
        id: 'load',
        kind: 'open',
        name: 'Load',
        perDay: { value: 3, source: { kind: 'entered' } },
        wish: 20,
        own: { value: 8, source: { kind: 'entered' } },
        bytes: { value: 2e9, source: { kind: 'entered' } },
        requests: { value: 900, source: { kind: 'entered' } },
      },
    ];
    const job = opened(JSON.stringify(raw));
    expect(job.devices[0]!.needs).toEqual({ role: 'system', bootDrive: true, portable: false });
    expect([job.machines[0]!.ambient, job.policies]).toEqual([31, { heatsink: 'always' }]);
    expect(job.activities[0]).toMatchObject({
      target: 20,
      processing: { value: 8 },
      dependentReads: { value: 900 },
    });
  });

  test('nothing built: no device where nothing was asked of one; its runs are on no described path', () => {
    const { needs: _, ...raw } = JSON.parse(text(3));
    const job = opened(JSON.stringify({ ...raw, build: null }));
    expect([job.devices, job.connections]).toEqual([[], []]);
    expect(job.runs.every((run) => run.path === null)).toBe(true);
  });
});

describe('the chain of evidence over a change of version', () => {
  const chained = (): Record<string, unknown> & { runs: { path: unknown }[] } => {
    const raw = JSON.parse(text(3));
    // As version 3 kept it: the chain tells of runs "as built".
    const job = { ...raw, chain: undefined };
    delete job.chain;
    return { ...job, chain: witness(null, job, '2026-11-05T08:00:00.000Z').chain };
  };

  test('runs as they were kept are carried over, and nothing is in doubt', () => {
    const job = opened(JSON.stringify(chained()));
    expect(doubtsOf(job)).toEqual([]);
    const carried = job.chain!.filter((entry) => entry.did === 'carried over');
    expect(carried.map((e) => e.id)).toEqual(job.runs.map((run) => run.id));
    // And what changes from now on is told as ever.
    const runs = job.runs.map((run, i) => (i === 0 ? { ...run, direction: 'read' as const } : run));
    expect(doubtsOf({ ...job, runs }).map((d) => d.id)).toEqual(['run-1']);
  });

  test('a run that was changed outside before stays in doubt', () => {
    const raw = chained() as unknown as { runs: { measure: { seconds: number } }[] };
    raw.runs[2]!.measure.seconds = 150;
    const job = opened(JSON.stringify(raw));
    expect(doubtsOf(job).map((d) => [d.what, d.id])).toEqual([['run', 'run-3']]);
  });
});

test('a file of a next Kymar is refused in clear words', () => {
  const read = readJob(JSON.stringify({ ...JSON.parse(text(4)), kymarVersion: 5 }));
  expect(read).toEqual({
    ok: false,
    problems: ['The file is of version 5; this Kymar reads up to 4. Update Kymar, then import it again.'],
  });
});

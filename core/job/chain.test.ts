import fc from 'fast-check';
import { demoJobs } from '../demo';
import { verdict } from '../verdict';
import { firstOf, rebuilt } from '../fixtures/forecast';
import {
  checkJob,
  doubtsOf,
  mergeJobs,
  nameOfChange,
  sha,
  wasFrozenBefore,
  witness,
  writeJob,
  readJob,
  type Job,
} from '.';
import { runs } from '../fixtures/draws';

const [offload] = demoJobs() as [Job];
const at = '2026-11-10T10:00:00.000Z';
const change = (job: Job, to: (job: Job) => Job) => witness(job, to(job), at);
const words = (job: Job) =>
  doubtsOf(job)
    .map((d) => d.words)
    .join('\n');
const cut = (job: Job): Job => ({
  ...job,
  runs: job.runs.map((run, i) =>
    i === 0 && run.measure.kind === 'timed'
      ? { ...run, measure: { ...run.measure, seconds: run.measure.seconds / 3 } }
      : run,
  ),
});
const reread = (job: Job): Job => {
  const read = readJob(writeJob(job));
  if (!read.ok) throw new Error(read.problems.join());
  return read.value;
};

describe('the chain of evidence', () => {
  test('what Kymar itself did leaves no doubt, through the file and back', () => {
    const [first] = offload.runs as [Job['runs'][0]];
    const steps = [
      (j: Job): Job => ({ ...j, runs: [...j.runs, { ...first, id: 'new' }] }),
      (j: Job): Job => ({
        ...j,
        runs: j.runs.map((r) => (r.id === 'new' ? { ...r, excluded: { at, reason: 'lid was open' } } : r)),
      }),
      (j: Job): Job => ({ ...j, decision: { kind: 'accept', words: 'fine', at } }),
      (j: Job): Job => ({ ...j, runs: j.runs.filter((r) => r.id !== 'run-2'), title: 'Renamed' }),
      (j: Job): Job => ({ ...j, forecasts: [] }),
      (j: Job): Job => ({ ...j, decision: null }),
    ];
    const job = steps.reduce(change, offload);
    expect(job.chain).toHaveLength(offload.chain!.length + 6);
    expect(doubtsOf(reread(job))).toEqual([]);
  });

  test('a change of anything else leaves the chain alone', () =>
    expect(change(offload, (j) => ({ ...j, title: 'x' })).chain).toBe(offload.chain));

  test('seconds cut to a third are named, in the verdict and in every claim that uses them', () => {
    const job = reread(cut(offload));
    expect(words(job)).toMatch(/The run of 2026-11-04 10:05 UTC was changed after it was kept/);
    const found = verdict(job);
    expect(found.doubts).toHaveLength(1);
    expect(found.claims[0]!.doubts).toEqual(found.doubts);
    expect(found.claims[1]!.doubts).toEqual([]);
    expect(words(change(job, (j) => ({ ...j, title: 'x', runs: j.runs.slice(0, -1) })))).toMatch(
      /changed after it was kept/,
    );
  });

  test('a forecast hashed anew after a change is named', () => {
    const [frozen] = offload.forecasts as [Job['forecasts'][0]];
    const {
      id,
      hash: _,
      ...body
    } = { ...frozen, results: frozen.results.map((r) => ({ ...r, probability: 1 })) };
    const canonical = (v: unknown): string =>
      JSON.stringify(v, (_k, p: unknown) =>
        p && typeof p === 'object' && !Array.isArray(p)
          ? Object.fromEntries(
              Object.entries(p)
                .filter(([, x]) => x !== undefined)
                .sort(([a], [b]) => (a < b ? -1 : 1)),
            )
          : p,
      );
    const forged = { ...offload, forecasts: [{ id, ...body, hash: sha(canonical(body)) }] } as Job;
    expect(words(reread(forged))).toMatch(
      /frozen forecast of 2026-11-03 09:30 UTC was changed after it was kept/,
    );
    expect(verdict(forged).claims[0]!.doubts).toHaveLength(1);
    expect(words({ ...offload, forecasts: [{ ...frozen, at: '2026-11-01T00:00:00.000Z' }] })).toMatch(
      /no longer fits its own hash/,
    );
  });

  test.each<[string, (job: Job) => Job, RegExp]>([
    ['a run taken out', (j) => ({ ...j, runs: j.runs.slice(1) }), /run kept on .* was taken out of the file/],
    [
      'a run slipped in',
      (j) => ({ ...j, runs: [...j.runs, { ...j.runs[0]!, id: 'slipped' }] }),
      /put into the file outside of Kymar/,
    ],
    [
      'a decision slipped in',
      (j) => ({ ...j, decision: { kind: 'accept', words: '', at } }),
      /decision of .* was put into the file/,
    ],
    [
      'an entry taken out of the middle',
      (j) => ({ ...j, chain: j.chain!.filter((_, i) => i !== 2) }),
      /broken at entry 3 of 7/,
    ],
    [
      'two entries swapped',
      (j) => ({ ...j, chain: [j.chain![1]!, j.chain![0]!, ...j.chain!.slice(2)] }),
      /broken at entry 1/,
    ],
    [
      'an entry’s content changed with the run',
      (j) => ({ ...j, chain: j.chain!.map((e, i) => (i === 1 ? { ...e, content: e.hash } : e)) }),
      /broken at entry 2/,
    ],
  ])('%s is named', (_, forged, message) => expect(words(reread(forged(offload)))).toMatch(message));

  test('a file without a chain cannot be told about; what it holds is entered as found', () => {
    const { chain: _, ...before } = offload;
    expect(doubtsOf(before as Job)).toEqual([]);
    const taken = witness(null, before as Job, at);
    expect(taken.chain!.map((e) => e.did)).toEqual(Array(8).fill('found'));
    expect(words(cut(taken))).toMatch(/changed after/);
  });

  test('whatever single place of the evidence is changed, it is found', () => {
    const leaves = (data: unknown, path: (string | number)[] = []): (string | number)[][] =>
      typeof data !== 'object' || data === null
        ? [path]
        : Object.entries(data).flatMap(([k, v]) => leaves(v, [...path, Array.isArray(data) ? Number(k) : k]));
    const places = leaves({ runs: offload.runs, chain: offload.chain });
    fc.assert(
      fc.property(fc.nat(places.length - 1), (n) => {
        const data = structuredClone(offload) as unknown as Record<string, unknown>;
        const path = places[n]!;
        let parent = data as Record<string | number, unknown>;
        for (const key of path.slice(0, -1)) parent = parent[key] as Record<string | number, unknown>;
        const key = path.at(-1)!;
        const old = parent[key];
        parent[key] =
          typeof old === 'number'
            ? old + 1
            : typeof old === 'boolean'
              ? !old
              : old === null
                ? 25
                : /^[0-9a-f]{64}$/.test(String(old))
                  ? 'a'.repeat(64)
                  : old === 'written'
                    ? 'bar'
                    : `${String(old)}x`;
        const read = checkJob(data);
        return !read.ok || doubtsOf(read.value).length > 0;
      }),
      runs(300),
    );
  });
});

describe('two tabs at one job', () => {
  const run = (id: string) => ({ ...offload.runs[0]!, id });
  const added = (id: string) =>
    change(offload, (j) => ({ ...j, runs: [...j.runs, run(id)], revision: j.revision + 1 }));

  test('each adds a run: both stand, and the joined chain tells of both', () => {
    const { value, conflicts } = mergeJobs(offload, added('mine'), added('theirs'));
    expect(conflicts).toEqual([]);
    expect(value.runs.map((r) => r.id).slice(-2)).toEqual(['theirs', 'mine']);
    expect(value.revision).toBe(offload.revision + 2);
    expect(doubtsOf(value)).toEqual([]);
    expect(checkJob(value).ok).toBe(true);
  });
  test('one removes a run the other sets aside: it stays, and no doubt is raised', () => {
    const without = change(offload, (j) => ({ ...j, runs: j.runs.slice(1) }));
    const aside = change(offload, (j) => ({
      ...j,
      runs: j.runs.map((r, i) => (i === 0 ? { ...r, excluded: { at, reason: 'x' } } : r)),
    }));
    for (const [mine, theirs] of [
      [without, aside],
      [aside, without],
    ] as const) {
      const { value } = mergeJobs(offload, mine, theirs);
      expect(value.runs[0]!.excluded ?? value.runs.at(-1)!.excluded).toBeDefined();
      expect(doubtsOf(value)).toEqual([]);
    }
  });
  test('what was forged stays named after a merge', () => {
    const forged = cut(offload);
    expect(
      words(
        mergeJobs(
          forged,
          change(forged, (j) => ({ ...j, title: 'x' })),
          change(forged, (j) => ({ ...j, runs: [...j.runs, run('y')] })),
        ).value,
      ),
    ).toMatch(/changed after it was kept/);
  });
  test('one renames, the other sets the date: both', () =>
    expect(
      mergeJobs(offload, { ...offload, title: 'x' }, { ...offload, due: '2027-01-01' }).value,
    ).toMatchObject({ title: 'x', due: '2027-01-01' }));
});

test.each<[string, Job | undefined, Job | undefined]>([
  ['new job “x”', undefined, { ...offload, title: 'x' }],
  [`job “${offload.title}” removed`, offload, undefined],
  ['title', offload, { ...offload, title: 'x', revision: 9 }],
  ['run added', offload, { ...offload, runs: [...offload.runs, offload.runs[0]!] }],
  ['2 runs removed', offload, { ...offload, runs: offload.runs.slice(2) }],
  [
    'run set aside',
    offload,
    { ...offload, runs: offload.runs.map((r, i) => (i === 0 ? { ...r, excluded: { at, reason: 'x' } } : r)) },
  ],
  ['forecast frozen', { ...offload, forecasts: [] }, offload],
  [
    `activity “${offload.activities[0]!.name}”`,
    offload,
    { ...offload, activities: offload.activities.map((a, i) => (i === 0 ? { ...a, target: 5 } : a)) },
  ],
  ['connection', offload, rebuilt(offload, { build: { ...firstOf(offload).build!, cable: null } })],
  ['decision', offload, { ...offload, decision: { kind: 'accept', words: '', at } }],
])('%s is what that change is called', (name, before, after) =>
  expect(nameOfChange(before, after)).toBe(name),
);

describe('whether a forecast was frozen before a run', () => {
  const [frozen] = offload.forecasts as [Job['forecasts'][0]];
  const [first] = offload.runs as [Job['runs'][0]];
  const empty: Job = { ...offload, forecasts: [], runs: [], decision: null, chain: undefined };
  const kept = (...steps: [when: string, to: (job: Job) => Job][]) =>
    steps.reduce(
      (job, [when, to]) => witness(job, to(job), when),
      witness(null, empty, '2026-11-01T08:00:00.000Z'),
    );
  const freeze =
    (when: string) =>
    (job: Job): Job => ({ ...job, forecasts: [{ ...frozen, at: when }] });
  const time =
    (when: string) =>
    (job: Job): Job => ({ ...job, runs: [{ ...first, at: when }] });
  const is = (job: Job) => wasFrozenBefore(job, job.forecasts[0]!, job.runs[0]!);
  const [ten, noon] = ['2026-11-10T10:00:00.000Z', '2026-11-10T12:00:00.000Z'];

  test('by the order in which they were kept, whatever the clock said', () => {
    expect(is(kept([ten, freeze(ten)], [noon, time(noon)]))).toBe(true);
    expect(is(kept([ten, time(ten)], [noon, freeze(noon)]))).toBe(false);
    // The clock was set back between: the run bears the earlier time, and was made later all the same.
    expect(is(kept([noon, freeze(noon)], [ten, time(ten)]))).toBe(true);
    // Set back so that the forecast looks earlier: it was not.
    expect(is(kept([noon, time(noon)], [ten, freeze(ten)]))).toBe(false);
  });

  test('what came from elsewhere, or without a chain, goes by its times', () => {
    const at = (f: string, r: string): Job => ({
      ...empty,
      forecasts: [{ ...frozen, at: f }],
      runs: [{ ...first, at: r }],
    });
    expect(is(at(ten, noon))).toBe(true);
    expect(is(at(noon, ten))).toBe(false);
    // A run measured elsewhere before, and brought in afterwards.
    expect(is(kept([noon, freeze(noon)], ['2026-11-10T13:00:00.000Z', time(ten)]))).toBe(false);
  });
});

import { demoBriefs, onJob } from '../../fixtures/forecast';
import fc from 'fast-check';
import type { Build } from '../../assembly';
import { run, type Flow } from '../../models';
import { withDrives } from '../whatif/options';
import { cacheFromTotals, curveOf, inWords, leads, secondsAt, type Curve } from './curve';
import { compareBuilds } from './builds';
import { DRIVES, SHOP } from '../../catalog/stock';
import type { Brief } from '../../job';
import { runs } from '../../fixtures/draws';

const flow = (fast: number, sustained: number, cache: number, bytes = 1e12): Flow => ({
  bytes,
  files: 0,
  perFile: 0,
  buffer: 0,
  from: { store: { role: 'other', read: 5e9, write: 5e9, sustained: Infinity, cache: Infinity } },
  to: { store: { role: 'drive', read: fast, write: fast, sustained, cache } },
});
const rising = fc
  .array(
    fc.tuple(fc.double({ min: 1, max: 100, noNaN: true }), fc.double({ min: 0.1, max: 100, noNaN: true })),
    { minLength: 1, maxLength: 6 },
  )
  .map((steps): Curve => {
    const points = [{ bytes: 0, seconds: 0 }];
    for (const [b, s] of steps)
      points.push({ bytes: points.at(-1)!.bytes + b, seconds: points.at(-1)!.seconds + s });
    return points;
  });

describe('crossings', () => {
  test('worked by hand: fast with little cache against slow but steady', () => {
    // 100 GB at 1,000 then 200 MB/s; against 500 MB/s throughout: equal where 100 + (b − 100)/0.2 = b/0.5, at 133.3 GB.
    const [a, b] = [curveOf([flow(1e9, 200e6, 100e9)]), curveOf([flow(500e6, 500e6, 0)])];
    expect(leads(a, b)).toEqual([
      { from: 0, ahead: 0 },
      { from: expect.closeTo(133.333e9, -7), ahead: 1 },
    ]);
    expect(inWords(leads(a, b), ['Reed', 'Slate'])).toBe('Up to 133 GB in one go Reed is ahead, then Slate.');
  });

  test('alike until one’s cache ends', () => {
    const list = leads(curveOf([flow(1e9, 400e6, 200e9)]), curveOf([flow(1e9, 400e6, 80e9)]));
    expect(list.map((l) => [Math.round(l.from / 1e9), l.ahead])).toEqual([
      [0, null],
      [80, 0],
    ]);
    expect(inWords(list, ['A', 'B'])).toBe('Up to 80 GB in one go both take the same, then A.');
    expect(inWords(leads(curveOf([flow(1e9, 4e8, 2e11)]), curveOf([flow(1e9, 4e8, 2e11)])), ['A', 'B'])).toBe(
      'Both take the same whatever the size.',
    );
  });

  test('every crossing of any two curves, and none else: by looking at very many sizes', () => {
    fc.assert(
      fc.property(rising, rising, (a, b) => {
        const list = leads(a, b);
        const end = Math.min(a.at(-1)!.bytes, b.at(-1)!.bytes);
        for (let i = 1; i < 400; i++) {
          const bytes = (end * i) / 400;
          const d = secondsAt(a, bytes) - secondsAt(b, bytes);
          if (Math.abs(d) < 1e-6 * secondsAt(a, bytes)) continue;
          expect(list.findLast((l) => l.from <= bytes)!.ahead).toBe(d < 0 ? 0 : 1);
        }
        expect(
          list.every(
            (l, i) => i === 0 || (l.from > list[i - 1]!.from - 1e-9 && l.ahead !== list[i - 1]!.ahead),
          ),
        ).toBe(true);
        expect(leads(b, a).map((l) => l.ahead)).toEqual(
          list.map((l) => (l.ahead === null ? null : 1 - l.ahead)),
        );
      }),
      runs(60),
    );
  });

  test('a curve is the time of each size by itself', () => {
    const curve = curveOf([flow(1.2e9, 300e6, 150e9)]);
    for (const bytes of [1e9, 149e9, 151e9, 700e9])
      expect(secondsAt(curve, bytes)).toBeCloseTo(run([flow(1.2e9, 300e6, 150e9, bytes)]).seconds, 6);
  });

  test('reading back counts for each size by itself', () => {
    const verified = (bytes: number): Flow[] => {
      const copy = flow(1.2e9, 300e6, 150e9, bytes);
      return [
        copy,
        {
          ...copy,
          from: copy.to,
          to: { store: { role: 'other', read: 5e9, write: 5e9, sustained: Infinity, cache: Infinity } },
          after: 0,
        },
      ];
    };
    const curve = curveOf(verified(1e12));
    for (const bytes of [1e9, 149e9, 151e9, 700e9])
      expect(secondsAt(curve, bytes)).toBeCloseTo(run(verified(bytes)).seconds, 6);
  });
});

test('cache from totals: what the model made of a cache is found again', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5e8, max: 5e9, noNaN: true }),
      fc.double({ min: 0.1, max: 0.8, noNaN: true }),
      fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      (fast, share, part) => {
        const [rest, bytes] = [fast * share, 8e11];
        const seconds = run([flow(fast, rest, bytes * part, bytes)]).seconds;
        expect(cacheFromTotals({ bytes, seconds, fast, slow: rest }) / (bytes * part)).toBeCloseTo(1, 6);
      },
    ),
    runs(50),
  );
});

describe('builds against each other', () => {
  const [job] = demoBriefs();
  const build = (id: string) => ({
    name: id,
    build: { ...job!.build!, drive: DRIVES.find((d) => d.id === id)! },
  });

  test('the path hides what drives differ in until a cache ends; chances add up', () => {
    const found = compareBuilds(onJob(job!), 'offload', [
      build('larkmoor-reed-2t'),
      build('oystral-merlin-2t'),
      build('larkmoor-sedge-2t'),
    ]);
    expect(found.pairs).toHaveLength(3);
    const [reedMerlin] = found.pairs;
    expect(reedMerlin!.leads[0]!.ahead).toBeNull();
    expect(reedMerlin!.leads.at(-1)!.ahead).toBe(1);
    expect(reedMerlin!.words).toMatch(
      /^Up to [\d.]+ GB in one go both take the same, then oystral-merlin-2t\.$/,
    );
    for (const p of found.pairs) expect(p.first).toBeGreaterThanOrEqual(0);
    // QLC of 2 TB takes it into a large cache; of what goes on longer TLC is the quicker.
    const reedSedge = found.pairs.find((p) => p.a === 0 && p.b === 2)!;
    expect(reedSedge.leads.at(-1)!.ahead).toBe(0);
    const same = compareBuilds(onJob(job!), 'offload', [build('larkmoor-reed-2t'), build('larkmoor-reed-2t')])
      .pairs[0]!;
    expect([same.first, same.leads]).toEqual([0.5, [{ from: 0, ahead: null }]]);
  });

  test('what does not go in is told, and too few or too many are refused', () => {
    const found = compareBuilds(onJob(job!), 'offload', [
      build('larkmoor-reed-2t'),
      build('venndale-slate-1t'),
    ]);
    expect(found.builds[1]!.blocked.length).toBeGreaterThan(0);
    expect(found.pairs).toEqual([]);
    expect(() => compareBuilds(onJob(job!), 'offload', [build('larkmoor-reed-2t')])).toThrow(/Two to four/);
    expect(() =>
      compareBuilds(onJob(job!), 'none', [build('larkmoor-reed-2t'), build('larkmoor-reed-1t')]),
    ).toThrow(/no activity/);
  });

  test('curves go no further than the smallest drive holds', () => {
    expect(
      compareBuilds(onJob(job!), 'offload', [build('larkmoor-reed-2t'), build('larkmoor-reed-1t')]),
    ).toMatchObject({ own: 214e9, upTo: 4 * 214e9 });
    const large = {
      ...job!,
      activities: [{ ...job!.activities[0]!, bytes: { value: 800e9, source: { kind: 'entered' as const } } }],
    } as typeof job & object;
    expect(
      compareBuilds(onJob(large), 'offload', [build('larkmoor-reed-2t'), build('larkmoor-reed-1t')]),
    ).toMatchObject({ own: 800e9, upTo: 1e12 });
  });

  test('two drives nobody measured are two unknowns: nearly alike on paper neither is surely ahead', () => {
    const open = (id: string, rest: number) => {
      const { drive } = build('larkmoor-reed-2t').build;
      const unknown = { value: null, source: { kind: 'unknown' as const } };
      return {
        name: id,
        build: {
          ...job!.build!,
          drive: {
            ...drive,
            id,
            revisions: [],
            cache: unknown,
            rest: {
              value: [0.5 * rest, rest, 2 * rest] as [number, number, number],
              source: { kind: 'sheet' as const },
            },
          },
        },
      };
    };
    const huge = {
      ...job!,
      activities: [{ ...job!.activities[0]!, bytes: { value: 900e9, source: { kind: 'entered' as const } } }],
    } as typeof job & object;
    const [pair] = compareBuilds(onJob(huge), 'offload', [open('one', 400e6), open('two', 404e6)]).pairs;
    expect(pair!.first).toBeGreaterThan(0.4);
    expect(pair!.first).toBeLessThan(0.6);
    // The same drive twice is one unknown.
    expect(
      compareBuilds(onJob(huge), 'offload', [open('one', 400e6), open('one', 404e6)]).pairs[0]!.first,
    ).toBeLessThan(0.2);
  });
});

describe('what is no move', () => {
  const [offload, scans, bay] = demoBriefs() as [Brief, Brief, Brief];
  const streams = scans.activities.find((activity) => activity.kind === 'stream')!;
  const on = (job: Brief, build: Build, ...ids: string[]) =>
    withDrives(
      onJob({ ...job, build }),
      SHOP,
      ids.map((id) => DRIVES.find((d) => d.id === id)!),
      job.activities[0]!.id,
      [],
    );
  const pairOf = (job: Brief, activity: string, builds: ReturnType<typeof on>) =>
    compareBuilds(onJob(job), activity, builds).pairs[0]!;

  test('a load whose time the processor takes: the faster drive is not felt [common practice, no source]', () => {
    const pair = pairOf(bay, 'load', on(bay, bay.build!, 'oystral-kestrel-2t'));
    expect(pair).toMatchObject({
      leads: [],
      first: null,
      words: expect.stringMatching(
        /^Opened .* s sooner with .*: not felt \(above the greater of 0\.3 s and 20 %, common practice\)\.$/,
      ),
    });
    const slow = {
      ...bay.build!,
      drive: {
        ...bay.build!.drive,
        id: 'slow',
        model: 'Slow',
        read: { value: 90e6, source: { kind: 'sheet' as const } },
      },
    };
    expect(
      compareBuilds(onJob(bay), 'load', [
        { name: 'Kestrel', build: bay.build! },
        { name: 'Slow', build: slow },
      ]).pairs[0]!.words,
    ).toMatch(/sooner with Kestrel .*: felt/);
  });

  test('streams by their stalls, scratch by the wait, what is kept by the date', () => {
    const source = { kind: 'entered' as const };
    const scratch = {
      id: 'scratch',
      kind: 'scratch' as const,
      name: 'Index',
      perDay: { value: 1, source },
      target: null,
      operations: { value: 2e6, source },
      reads: 0.7,
      block: 4096,
      depth: 4,
      span: { value: 40e9, source },
      synchronous: false,
    };
    const all: Brief = {
      ...offload,
      activities: [...offload.activities, { ...streams, id: 'live' }, scratch],
    };
    const builds = on(all, offload.build!, 'larkmoor-sedge-2t', 'venndale-slate-1t');
    expect(compareBuilds(onJob(all), 'live', builds).pairs[0]!.words).toMatch(
      /^Stalls: .* in [\d.]+ %, .* in [\d.]+ % of all cases\.$/,
    );
    expect(
      compareBuilds(onJob(all), 'scratch', builds)
        .pairs.map((p) => p.words)
        .join(' '),
    ).toMatch(/waits .* a day less/);
    const [same, less] = compareBuilds(onJob(all), 'season', builds).pairs;
    expect(same!.words).toBe('Both are full at the same time.');
    expect(less!.words).toMatch(new RegExp(`^${builds[0]!.name} is full .* later\\.`));
  });

  test('with another drive as little else is changed as it takes: the box too where it must', () => {
    const [own, same, sata] = on(offload, offload.build!, 'larkmoor-sedge-2t', 'venndale-slate-1t');
    expect(own!.build).toEqual(offload.build);
    expect(same!.build).toEqual({ ...offload.build!, drive: same!.build.drive });
    expect(sata!.build.bridge!.id).not.toBe(offload.build!.bridge!.id);
    expect(compareBuilds(onJob(offload), 'offload', [own!, sata!]).builds[1]!.blocked).toEqual([]);
  });
});

test('a drive that does not go on its port is held against it on a free one that takes it, and not on one in use', () => {
  const [offload, scans] = demoBriefs() as [Brief, Brief];
  const situation = onJob({ ...scans, build: offload.build });
  const { host, build } = situation;
  const straight = (port: string, taken: readonly string[]) => {
    const drive = DRIVES.find((d) => d.plug === 'SATA' && d.form === '2.5-inch, 7 mm')!;
    const nvme = DRIVES.find(
      (d) => d.form.startsWith('M.2') && d.plug === 'M.2' && d.modes[0]!.startsWith('pcie'),
    )!;
    const on = { ...situation, build: { ...build, drive, bridge: null, cable: null, port } };
    return withDrives(on, SHOP, [nvme], scans.activities[0]!.id, taken)[1]!;
  };
  const board = host.ports.find(({ connector }) => connector === 'SATA')!;
  const others = host.ports.filter(({ id }) => id !== board.id);
  const free = straight(board.id, []);
  expect(others.map(({ id }) => id)).toContain(free.build.port);
  expect(free.name).toContain(` on ${others.find(({ id }) => id === free.build.port)!.position}`);
  expect(
    straight(
      board.id,
      others.map(({ id }) => id),
    ).build.port,
  ).toBe(board.id);
});

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoBriefs, forecastJob, onJob, pathOn } from '../../fixtures/forecast';
import fc from 'fast-check';
import { EstimateSchema, type Fact } from '../../evidence';
import { blocksOf } from '../../fit';
import { ceilingOf, linkById } from '../links';
import { readLibrary } from '../library';
import type { Hop } from '../parts';
import { life } from '../../models';
import { buildPath } from '../../assembly';
import type { Activity } from '../../job';
import { settingOf } from '../../forecast';
import { DEMO_IDS, demoJobs } from '../../demo';
import { BRIDGES, CABLES, DRIVES, HOSTS, HUBS, SHOP } from '.';
import { runs, whole } from '../../fixtures/draws';

describe('the shop of the demo', () => {
  test('is a library that the ordinary reader takes; each part has an id of its own', () => {
    const read = readLibrary(readFileSync(join(__dirname, 'library.json'), 'utf8'));
    expect(read).toEqual({ ok: true, value: SHOP });
    const { prices: _, ...kinds } = SHOP;
    const all = Object.values(kinds).flat();
    expect(new Set(all.map((p) => p.id)).size).toBe(all.length);
    for (const host of HOSTS) expect(new Set(host.ports.map((p) => p.id)).size).toBe(host.ports.length);
  });

  test('it is as wide as a shop: 12 hosts, 40 drives, 25 boxes, 15 cables', () => {
    expect(
      [HOSTS.length, DRIVES.length, BRIDGES.length + HUBS.length, CABLES.length].map(
        (n, i) => n >= [12, 40, 25, 15][i]!,
      ),
    ).toEqual([true, true, true, true]);
    expect(new Set(HOSTS.map((h) => h.kind)).size).toBeGreaterThanOrEqual(9);
  });

  test('data sheets are plausible: a cache below the capacity, rest below cached writing, a rating of 150 to 2,000 times the capacity', () => {
    for (const { capacity, cache, rest, write, tbw, read, modes, media } of DRIVES) {
      const top = (v: number | [number, number, number] | null) => (Array.isArray(v) ? v[2] : (v ?? 0));
      expect(top(cache.value)).toBeLessThan(capacity.value as number);
      expect(top(rest.value)).toBeLessThanOrEqual(write.value as number);
      expect(top(write.value)).toBeLessThanOrEqual(read.value as number);
      for (const mode of modes) expect(read.value as number).toBeLessThanOrEqual(ceilingOf(linkById(mode)));
      if (media === 'disk' || tbw.value === null) continue;
      expect((tbw.value as number) / (capacity.value as number)).toBeGreaterThanOrEqual(150);
      expect((tbw.value as number) / (capacity.value as number)).toBeLessThanOrEqual(2000);
    }
  });

  whole('every drive, enclosure, hub and cable works somewhere, and every port takes something', () => {
    const works = new Set<string>();
    for (const host of HOSTS)
      for (const port of host.ports)
        for (const bridge of [null, ...BRIDGES])
          for (const drive of DRIVES.filter((d) => !bridge || d.plug === bridge.socket)) {
            const plug = bridge?.plug ?? drive.plug;
            const through = HUBS.flatMap((hub) =>
              CABLES.filter((c) => c.ends.includes(hub.plug)).map((cable): Hop => ({
                hub,
                port: hub.ports[0]!.id,
                cable,
              })),
            );
            for (const cable of [null, ...CABLES.filter((c) => c.ends.includes(plug))])
              for (const hops of [[], ...(cable && drive === DRIVES[2] ? through.map((hop) => [hop]) : [])]) {
                const ids = [
                  drive.id,
                  bridge?.id,
                  cable?.id,
                  hops[0]?.hub.id,
                  hops[0]?.cable.id,
                  `${host.id}/${port.id}`,
                ].filter((id) => id !== undefined);
                if (ids.every((id) => works.has(id))) continue;
                if (
                  blocksOf({ path: buildPath({ drive, bridge, cable, port, host, hops }), direction: 'read' })
                    .length === 0
                )
                  ids.forEach((id) => works.add(id));
              }
          }
    expect(
      [...DRIVES, ...BRIDGES, ...HUBS, ...CABLES].map((p) => p.id).filter((id) => !works.has(id)),
    ).toEqual([]);
    expect(
      HOSTS.flatMap((h) => h.ports.map((p) => `${h.id}/${p.id}`)).filter((id) => !works.has(id)),
    ).toEqual([]);
  });

  test('every drive has a life', () => {
    for (const drive of DRIVES.filter((d) => d.tbw.value !== null)) {
      const { allowed, dwpd } = life({ ...drive, writesPerDay: null, readings: [] });
      expect(allowed!.expected).toBeGreaterThan(0);
      expect(dwpd!.expected).toBeLessThan(2);
    }
  });
});

describe('the jobs of the demo', () => {
  test('are the same every time', () => {
    expect(demoJobs()).toEqual(demoJobs());
    expect(demoJobs().map((j) => j.id)).toEqual([...DEMO_IDS]);
  });
  test('any parts that let data flow give a sound forecast of any kind of work, whatever is not known', () => {
    const unknown: Fact = { value: null, source: { kind: 'unknown' } };
    const common = { perDay: unknown, target: 100 };
    const activities: Activity[] = [
      {
        ...common,
        id: 'a',
        name: 'a',
        kind: 'move',
        direction: 'write',
        bytes: unknown,
        files: unknown,
        verify: true,
      },
      {
        ...common,
        id: 'b',
        name: 'b',
        kind: 'move',
        direction: 'write',
        bytes: { value: 0, source: { kind: 'entered' } },
        files: unknown,
        itself: true,
      },
      {
        ...common,
        id: 'c',
        name: 'c',
        kind: 'stream',
        direction: 'read',
        rate: unknown,
        streams: 12,
        lasts: unknown,
        buffer: unknown,
      },
      {
        ...common,
        id: 'd',
        name: 'd',
        kind: 'open',
        processing: unknown,
        bytes: unknown,
        dependentReads: unknown,
      },
      {
        ...common,
        id: 'e',
        name: 'e',
        kind: 'scratch',
        operations: unknown,
        reads: 0.5,
        block: 65_536,
        depth: 1024,
        span: unknown,
        synchronous: true,
      },
      {
        ...common,
        id: 'f',
        name: 'f',
        kind: 'keep',
        now: unknown,
        growth: { value: 0, source: { kind: 'entered' } },
      },
      {
        ...common,
        id: 'g',
        name: 'g',
        kind: 'move',
        direction: 'read',
        bytes: { value: [1, 5e10, 1e12], source: { kind: 'entered' } },
        files: { value: 10, source: { kind: 'entered' } },
        besides: ['a'],
      },
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...HOSTS),
        fc.constantFrom(...DRIVES),
        fc.constantFrom(null, ...BRIDGES),
        fc.nat(),
        (host, drive, bridge, pick) => {
          const port = host.ports[pick % host.ports.length]!;
          const cable = [null, ...CABLES].find(
            (c) => buildPath({ drive, bridge, cable: c, host, port }).blocked.length === 0,
          );
          fc.pre(cable !== undefined);
          const together = Math.min(4, bridge?.bays ?? 1);
          const job = {
            ...demoBriefs()[0]!,
            host,
            activities,
            build: {
              drive,
              bridge,
              cable: cable!,
              port: port.id,
              ...(together > 2
                ? { together, array: { mode: 'parity' as const, by: 'system' as const } }
                : {}),
            },
          };
          const found = forecastJob(job)!;
          for (const { figure, probability, course } of found.activities) {
            // Sound enough to be frozen into a job file.
            expect(EstimateSchema.safeParse(JSON.parse(JSON.stringify(figure))).success).toBe(true);
            expect(figure.low).toBeLessThanOrEqual(figure.expected);
            expect(figure.expected).toBeLessThanOrEqual(figure.high);
            if (probability !== null) expect(probability >= 0 && probability <= 1).toBe(true);
            if (course) expect(course.causes.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 6);
          }
        },
      ),
      runs(6, { endOnFailure: true }),
    );
  });

  test('one is finished up to the verdict on a path that flows, one is at the brief, one hangs on the school it follows', () => {
    const [offload, scans] = demoJobs();
    const [first, second, third] = demoBriefs();
    expect(pathOn(first!.host, first!.build!).blocked).toEqual([]);
    expect([offload!.forecasts.length, offload!.runs.length, offload!.decision]).toEqual([1, 7, null]);
    expect([second!.build, scans!.forecasts.length, scans!.runs.length]).toEqual([null, 0, 0]);
    expect(scans!.activities.some((a) => a.kind === 'move' && a.files.value === null)).toBe(true);
    const blocked = (minimum: 'strict' | 'outcome-first') =>
      blocksOf(settingOf(onJob({ ...third!, needs: { ...third!.needs, policies: { minimum } } }), 'read'));
    expect([blocked('strict'), blocked('outcome-first')]).toEqual([['bay-reading'], []]);
  });
});

import { Bridge, Cable, Drive, Host } from '../parts';
import { life } from '../endurance';
import { pathOf } from '../forecast';
import { buildPath } from '../path';
import { DEMO_IDS, demoJobs, BRIDGES, CABLES, DRIVES, HOSTS } from '.';

describe('the shop of the demo', () => {
  test('every part is sound and its id its own', () => {
    const all = [...DRIVES.map((d) => Drive.parse(d)), ...BRIDGES.map((b) => Bridge.parse(b)), ...CABLES.map((c) => Cable.parse(c)), ...HOSTS.map((h) => Host.parse(h))];
    expect(new Set(all.map((p) => p.id)).size).toBe(all.length);
    for (const host of HOSTS) expect(new Set(host.ports.map((p) => p.id)).size).toBe(host.ports.length);
  });

  test('data sheets are plausible: a cache below the capacity, rest below cached writing, a rating of 150 to 1,000 times the capacity', () => {
    for (const { capacity, cache, rest, write, tbw, read, modes } of DRIVES) {
      const top = (v: number | [number, number, number] | null) => (Array.isArray(v) ? v[2] : (v ?? 0));
      expect(top(cache.value)).toBeLessThan(capacity.value as number);
      expect(top(rest.value)).toBeLessThanOrEqual(write.value as number);
      expect(top(write.value)).toBeLessThanOrEqual(read.value as number);
      expect((tbw.value as number) / (capacity.value as number)).toBeGreaterThanOrEqual(150);
      expect((tbw.value as number) / (capacity.value as number)).toBeLessThanOrEqual(1000);
      expect(modes).toHaveLength(1);
    }
  });

  test('every drive, enclosure and cable works somewhere, and every port but the odd one takes something', () => {
    const works = new Set<string>();
    for (const host of HOSTS)
      for (const port of host.ports)
        for (const drive of DRIVES)
          for (const bridge of [null, ...BRIDGES])
            for (const cable of [null, ...CABLES]) if (buildPath({ drive, bridge, cable, port, host }).flow) [drive.id, bridge?.id, cable?.id, `${host.id}/${port.id}`].forEach((id) => id && works.add(id));
    for (const part of [...DRIVES, ...BRIDGES, ...CABLES]) expect(works).toContain(part.id);
    for (const host of HOSTS) for (const port of host.ports) expect(works).toContain(`${host.id}/${port.id}`);
  });

  test('every drive has a life', () => {
    for (const drive of DRIVES) {
      const { allowed, dwpd } = life({ ...drive, writesPerDay: null, readings: [] });
      expect(allowed.expected).toBeGreaterThan(0);
      expect(dwpd.expected).toBeLessThan(2);
    }
  });
});

describe('the jobs of the demo', () => {
  test('are the same every time', () => {
    expect(demoJobs()).toEqual(demoJobs());
    expect(demoJobs().map((j) => j.id)).toEqual([...DEMO_IDS]);
  });
  test('one is finished up to the verdict on a path that flows, one is at the brief', () => {
    const [offload, scans] = demoJobs();
    expect(pathOf(offload!.host, offload!.build!).blocked).toEqual([]);
    expect([offload!.forecasts.length, offload!.runs.length, offload!.decision]).toEqual([1, 7, null]);
    expect([scans!.build, scans!.forecasts.length, scans!.runs.length]).toEqual([null, 0, 0]);
    expect(scans!.activities.some((a) => a.files.value === null)).toBe(true);
  });
});

import { demoJobs } from '../demo';
import { exactFact } from '../evidence';
import { briefAt, placesOf, type Job } from '../job';
import { protocolOf, syntheticSize } from '.';

const [offload, scans, bay] = demoJobs() as [Job, Job, Job];
const build = briefAt(offload, placesOf(offload)[0]!)!.build!;

describe('the protocol', () => {
  test('drive and path alone, then each of the customer’s copies and loads, on the port the forecast is of', () => {
    const { tests } = protocolOf(offload);
    expect(tests.map(({ practice }) => practice).slice(0, 2)).toEqual(['synthetic', 'synthetic']);
    const moves = offload.activities.filter((a) => a.kind === 'move' || a.kind === 'open');
    expect(tests.filter((t) => t.practice !== 'synthetic').map((t) => t.activity!.id)).toEqual(
      moves.map((a) => a.id),
    );
    for (const { minds } of tests)
      expect(minds[0]).toMatchObject({ id: 'port', position: 'Left side, by the hinge' });
  });

  test('runs that are there count; what is done takes no time and wears nothing', () => {
    const { tests, seconds, wear } = protocolOf(offload);
    const nightly = tests.find((t) => t.activity?.id === offload.runs[0]!.activity)!;
    expect([nightly.done, nightly.wanted]).toEqual([4, 4]);
    expect(nightly.wear).toBe(0);
    const fresh = protocolOf({ ...offload, runs: [] });
    expect(fresh.tests.every((t) => t.done === 0)).toBe(true);
    expect(fresh.seconds!).toBeGreaterThan(seconds!);
    expect(fresh.wear).toBeGreaterThan(wear);
    expect(fresh.share).toBeCloseTo(fresh.wear / (build.drive.tbw.value as number), 9);
    // Set aside, simulated or made elsewhere it proves nothing here.
    const aside = offload.runs.map((r) => ({ ...r, excluded: { at: r.at, reason: 'lid closed' } }));
    expect(protocolOf({ ...offload, runs: aside }).tests.every((t) => t.done === 0)).toBe(true);
    const rigged = offload.runs.map((r) => ({ ...r, source: 'simulated' as const }));
    expect(protocolOf({ ...offload, runs: rigged }).tests.every((t) => t.done === 0)).toBe(true);
  });

  test('a synthetic run takes what the path carries, not what the box says', () => {
    const [write] = protocolOf({ ...offload, runs: [] }).tests;
    const bare = write!.seconds! - 180;
    expect(write!.bytes! / bare).toBeLessThan(1000e6);
    expect(write!.bytes! / bare).toBeGreaterThan(300e6);
  });

  test('scattered runs ask for more of them', () => {
    const runs = offload.runs.map((r, i) =>
      r.measure.kind === 'timed'
        ? { ...r, measure: { ...r.measure, seconds: r.measure.seconds * (1 + 0.1 * (i % 3)) } }
        : r,
    );
    const test = protocolOf({ ...offload, runs }).tests.find(
      (t) => t.activity?.id === offload.runs[0]!.activity,
    )!;
    expect(test.wanted).toBeGreaterThan(test.done);
  });

  test('a synthetic run is larger than cache and memory, and wears no more than a tenth of the drive', () => {
    const drive = { ...build.drive, capacity: exactFact(2e12), cache: exactFact(40e9) };
    expect(syntheticSize({ drive }, 8e9)).toBe(52e9);
    expect(syntheticSize({ drive }, 64e9)).toBe(128e9);
    expect(syntheticSize({ drive: { ...drive, cache: exactFact(3e9) } }, 4e9)).toBe(20e9);
    expect(syntheticSize({ drive: { ...drive, capacity: exactFact(128e9) } }, 64e9)).toBe(12.8e9);
    expect(syntheticSize({ drive: { ...drive, capacity: exactFact(8e12) } }, 512e9)).toBe(200e9);
  });

  test('nothing built, nothing to test; what is frozen says how long', () => {
    expect(protocolOf({ ...scans, devices: scans.devices.map((d) => ({ ...d, parts: null })) })).toEqual({
      tests: [],
      seconds: 0,
      wear: 0,
      share: null,
    });
    const loads = protocolOf(bay).tests.filter((t) => t.practice === 'load');
    expect(loads.length).toBeGreaterThan(0);
    for (const { minds } of loads) expect(minds.map((m) => m.id)).toContain('cold');
    const unfrozen = protocolOf({ ...offload, forecasts: [], runs: [] });
    expect(unfrozen.seconds).toBeNull();
  });
});

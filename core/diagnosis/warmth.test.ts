import { BRIDGES, DRIVES, HOSTS } from '../catalog/stock';
import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import { handover, toMarkdown } from '../handover';
import { edited, warmthWords } from '../measure';
import { placesOf, withBuild, withHost, type Job, type Run } from '../job';
import { verdict } from '../verdict';
import { diagnose } from '.';

/*
 * How hot a drive got is evidence: of heat where it is far above what is forecast, and against it where it is not.
 */
const [offload] = demoJobs() as [Job];
const [place] = placesOf(offload) as [ReturnType<typeof placesOf>[0]];
const part = <T extends { id: string }>(list: readonly T[], id: string): T => list.find((p) => p.id === id)!;
const bare = { ...offload, forecasts: [], runs: [] };
/** A flash drive in a small closed enclosure: forecast to get as warm as 65 °C. */
const closed = withBuild(withHost(bare, place.machine, part(HOSTS, 'thin-laptop')), place, {
  drive: part(DRIVES, 'larkmoor-reed-2t'),
  bridge: part(BRIDGES, 'hollin-clip-10'),
  cable: offload.connections[0]!.cable,
  port: 'left-1',
});
const run = (hottest?: number, seconds = 640): Run => {
  const made = timedRun(
    { bytes: 214e9, files: 38_400, seconds },
    { id: 'r', activity: 'offload', direction: 'write' },
  );
  return { ...made, conditions: { ...made.conditions, ...(hottest === undefined ? {} : { hottest }) } };
};
const chance = (id: string, hottest?: number): number =>
  diagnose({ ...closed, runs: [run(hottest, 530)] })!.causes.find((c) => c.id === id)?.probability ?? 0;

test('a slow copy that got far hotter than forecast points at heat, one that stayed cool away from it', () => {
  const [unread, hot, cool] = [chance('throttling'), chance('throttling', 88), chance('throttling', 41)];
  expect(hot).toBeGreaterThan(4 * unread);
  expect(cool).toBeLessThan(unread / 2);
});

test('it is told beside each cause, in °C, and is no time that a cause is looked for of', () => {
  const found = diagnose({ ...bare, runs: [run(88)] })!;
  const i = found.shown.evidence.findIndex(({ unit }) => unit === '°C');
  expect(found.shown.evidence[i]!.figure!.expected).toBeCloseTo(88, 6);
  const healthy = found.shown.causes.find(({ id }) => id === 'healthy')!;
  expect(healthy.by[i]).toMatchObject({ fits: false });
  expect(healthy.by[i]!.figure!.high).toBeLessThan(85);
  expect(found.gain!.took).toBeCloseTo(640, 6);
});

test('of a disk nobody models the heat: it says nothing there', () => {
  const device = offload.devices[0]!;
  const { parts } = device;
  const disk = { ...parts!, drive: { ...parts!.drive, media: 'disk' as const } };
  const job = { ...bare, devices: [{ ...device, parts: disk }], runs: [run(60)] };
  expect(diagnose(job)!.shown.evidence.every(({ unit }) => unit === 's')).toBe(true);
});

test('it is kept, edited and handed over', () => {
  expect(warmthWords(run(88))).toEqual(['88 °C at its hottest']);
  const { target: _t, memoryBacked: _m, look: _l, ...stated } = run(88).conditions;
  const next = edited(
    run(88),
    { conditions: { ...stated, hottest: 79 } },
    'read again',
    '2026-12-01T11:00:00.000Z',
  );
  expect(next.conditions.hottest).toBe(79);
  expect(next.edited![0]!.was).toContain('88 °C at its hottest');
  const { hottest: _h, ...without } = stated;
  expect(
    edited(run(88), { conditions: without }, 'nobody read it', next.at).conditions.hottest,
  ).toBeUndefined();
  const job = { ...bare, runs: [run(88)] };
  expect(toMarkdown(handover(job, verdict(job)), 'shop')).toContain('88 °C at its hottest');
});

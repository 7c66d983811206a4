import { SHOP } from '../catalog/stock';
import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import type { Job, Run } from '../job';
import { diagnose } from '.';

/*
 * The cases of docs/worked/diagnosis.md, by their numbers there. Each was told otherwise before runs were weighed one by one and a cause could be there
 * in several ways.
 */
const [offload] = demoJobs() as [Job];
const { chain: _, ...unchained } = offload;
const bare: Job = { ...unchained, forecasts: [], runs: [] };
const SIZE = { bytes: 214e9, files: 38_400 };
/** Runs of the offload, one after another, of so many s each. */
const offloads = (times: readonly number[], of: object = {}): Run[] =>
  times.map((seconds, i) => ({
    ...timedRun(
      { ...SIZE, ...of, seconds },
      { id: `w${i}`, activity: 'offload', direction: 'write', at: `2026-12-02T1${i}:00:00.000Z` },
    ),
  }));
const readback = (times: readonly number[], of: object = {}): Run[] =>
  times.map((seconds, i) =>
    timedRun(
      { bytes: 36e9, files: 6400, ...of, seconds },
      { id: `r${i}`, activity: 'readback', direction: 'read', at: `2026-12-03T1${i}:00:00.000Z` },
    ),
  );
const diagnosed = new WeakMap<Run[], Map<Job, NonNullable<ReturnType<typeof diagnose>>>>();
/** What is found of these runs; worked out once, however often it is asked. */
function found(runs: Run[], job: Job = bare) {
  const had = diagnosed.get(runs) ?? new Map<Job, NonNullable<ReturnType<typeof diagnose>>>();
  diagnosed.set(runs, had);
  if (!had.has(job)) had.set(job, diagnose({ ...job, runs })!);
  return had.get(job)!;
}
const first = (runs: Run[], job?: Job) => found(runs, job).groups[0]!.ids;
const share = (id: string, runs: Run[], job?: Job): number =>
  found(runs, job).causes.find((c) => c.id === id)?.probability ?? 0;

test('1: one of three runs was stopped late; the drive is as it should be', () => {
  const [late, even] = [readback([48, 66, 49]), readback([48, 48.5, 49])];
  expect(share('thumb', late)).toBeGreaterThan(5 * share('thumb', even));
  // Two of three are as they should be: the drive is believed, and the thumb is the next thought.
  expect(first(late)).toContain('healthy');
  expect(found(late).groups[1]!.ids).toContain('thumb');
});

test('2: two runs a tenth apart, both twice too slow, are no reason for silence', () => {
  const runs = offloads([560, 618]);
  expect(first(runs)).not.toContain('healthy');
  expect(share('healthy', runs)).toBeLessThan(0.05);
});

test('3: one size of three was typed ten times too small', () => {
  const [a, b, c] = offloads([294, 297, 292]) as [Run, Run, Run];
  const slip = { ...b, measure: { ...b.measure, bytes: 21.4e9 } } as Run;
  const runs = [a, slip, c];
  expect(first(runs)).toContain('another size');
  expect(share('memory', runs)).toBeLessThan(0.2);
});

test('4: what is read comes out of memory, what is written goes to the drive', () => {
  const runs = [...offloads([293, 296]), ...readback([2.6, 2.5], { bytes: 9e9, files: 1600 })];
  const [lead] = found(runs).groups;
  expect(lead!.ids).toContain('memory');
  expect(lead!.probability).toBeGreaterThan(0.5);
  // Nothing is wrong with what writes.
  expect(lead!.ids.join()).not.toMatch(/write cache off|source slower/);
});

test('5: a port of 40 Gb/s that fell to 10, not to 20', () => {
  const box = SHOP.bridges.find(({ id }) => id === 'tesselin-vault-40')!;
  const host = SHOP.hosts.find(({ name }) => name === 'Mini PC')!;
  const cable = SHOP.cables.find(({ modes }) => modes.some((m) => m.startsWith('usb4-40')))!;
  const port = host.ports.find(({ modes }) => modes.some((m) => m.startsWith('usb4-40')))!;
  const [device] = bare.devices as [Job['devices'][0]];
  const known = (value: number) => ({ value, source: { kind: 'entered' as const } });
  const storage = { ...host.storage, read: known(3.1e9), write: known(2.6e9), rest: known(2.4e9) };
  const job: Job = {
    ...bare,
    machines: [{ ...bare.machines[0]!, host: { ...host, storage } }],
    devices: [{ ...device, parts: { ...device.parts!, bridge: box } }],
    connections: [{ ...bare.connections[0]!, cable, port: port.id }],
  };
  const read = readback([214, 217], { bytes: 200e9, files: 20 });
  const built = found(read, job);
  expect(built.groups[0]!.ids).not.toContain('healthy');
  expect(share('slower port', read, job)).toBeGreaterThan(0.15);
  const sights = built.next.find(({ id }) => id === 'look at the link')?.sights ?? [];
  expect(sights).toEqual(expect.arrayContaining(['usb-10', 'usb-5', 'usb-2']));
});

const loadJob = demoJobs().find((j) => j.activities.some(({ kind }) => kind === 'open'))!;

test('6: two loads of a sound machine, one twice as long as the other: nothing wrong', () => {
  const load = loadJob.activities.find(({ kind }) => kind === 'open')!;
  const unknown = { value: null, source: { kind: 'unknown' as const } };
  const each = ['cad', 'map'].map((id) => ({
    ...load,
    id,
    name: id,
    processing: unknown,
    bytes: unknown,
    dependentReads: unknown,
  }));
  const { chain: __, ...rest } = loadJob;
  const path = { machine: rest.connections[0]!.machine, device: rest.connections[0]!.device };
  const timed = (activity: string, seconds: number): Run =>
    timedRun(
      { bytes: 1, files: 1, seconds },
      { id: activity, activity, direction: 'read', otherEnd: 'memory', path },
    );
  const asLoad = (run: Run) => ({ ...run, measure: { ...run.measure, bytes: null, files: null } }) as Run;
  const job = { ...rest, activities: each, forecasts: [], runs: [] } as Job;
  const [lead] = found([timed('cad', 11.4), timed('map', 21.8)].map(asLoad), job).groups;
  expect(lead!.ids).toContain('healthy');
});

/** A rate that a program showed of the offload. */
const shownAt = (rate: number, of: object = {}): Run =>
  ({
    ...offloads([300])[0]!,
    source: 'program',
    measure: {
      kind: 'rate',
      rate,
      shown: `${rate / 1e6} MB/s`,
      grain: 5e4,
      block: null,
      depth: null,
      bytes: 214e9,
    },
    ...of,
  }) as Run;

test('7: a rate that a program showed of a copy of many small files is that of its files too', () => {
  const many = {
    ...bare,
    activities: bare.activities.map((a) =>
      a.id === 'offload' ? { ...a, files: { value: 190_000, source: { kind: 'entered' as const } } } : a,
    ),
  } as Job;
  // 190,000 files at some 1.7 ms each beside 294 s: about 350 MB/s.
  const [lead] = found([shownAt(352e6)], many).groups;
  expect(lead!.ids).toContain('healthy');
});

test('8: a unit that was mixed up is not refuted by counting the size again', () => {
  const runs = [shownAt(5.82e9), ...readback([48, 48.6])];
  const looks = [{ look: 'count again', seen: 'as entered', at: '2026-12-04T10:00:00.000Z' }];
  expect(share('units mixed up', runs)).toBeGreaterThan(0.5);
  expect(share('units mixed up', runs, { ...bare, looks })).toBeGreaterThan(0.5);
  const next = found(runs).next.map(({ id }) => id);
  expect(next).toContain('read again');
  const again = [{ look: 'read again', seen: 'as entered', at: '2026-12-04T10:00:00.000Z' }];
  const before = share('units mixed up', runs);
  expect(share('units mixed up', runs, { ...bare, looks: again })).toBeLessThan(before / 2);
});

test('9: one large file is one file, whether somebody typed that or not', () => {
  const large = offloads([292], { files: null }).map((run) => ({
    ...run,
    id: 'large',
    conditions: { ...run.conditions, look: 'one file' },
  }));
  const unknown = bare.activities.map((a) =>
    a.id === 'offload' ? { ...a, files: { value: null, source: { kind: 'unknown' as const } } } : a,
  );
  const job = { ...bare, activities: unknown } as Job;
  // Many small files took three times as long: that is what files cost, or a size nobody counted; nothing is beyond all causes.
  const runs = [...offloads([900, 909], { files: null }), ...large];
  expect(first(runs, job)).not.toContain('none of these');
  expect(share('none of these', runs, job)).toBeLessThan(0.1);
});

test('10: four disks in a box that makes RAID 5 write at half of what their links carry: nothing wrong', () => {
  const box = SHOP.bridges.find(({ bays, arrays }) => (bays ?? 1) >= 4 && arrays?.includes('parity'))!;
  const drive = SHOP.drives.find(({ media, form }) => media === 'disk' && form === '3.5-inch')!;
  const { systems: _s, ...host } = bare.machines[0]!.host;
  const mode = box.outer[0]!;
  const port = { ...host.ports[0]!, connector: box.plug, modes: [mode] };
  const cable = SHOP.cables.find(({ modes }) => modes.includes(mode))!;
  const [device] = bare.devices as [Job['devices'][0]];
  const parts = { drive, bridge: box, together: 4, array: { mode: 'parity', by: 'firmware' } };
  const job = {
    ...bare,
    machines: [{ ...bare.machines[0]!, host: { ...host, ports: [port] } }],
    devices: [{ ...device, needs: {}, parts }],
    connections: [{ ...bare.connections[0]!, cable, port: port.id }],
  } as unknown as Job;
  const built = diagnose({ ...job, runs: offloads([720, 709], { files: 40 }) });
  expect(built!.groups[0]!.ids).toContain('healthy');
});

test('11: 15,000 files written out of memory cost what files cost: nothing wrong', () => {
  const made = timedRun(
    { bytes: 24e9, files: 15_000, seconds: 60 },
    { id: 'made', activity: null, direction: 'write', otherEnd: 'memory', source: 'real' },
  );
  const [lead] = found([...offloads([296, 294]), made]).groups;
  expect(lead!.ids).toContain('healthy');
  expect(lead!.probability).toBeGreaterThan(0.8);
});

test('12: a link of USB 2.0 is the cable’s or the port’s; the port’s marking tells which', () => {
  const runs = [...offloads([5200, 5230]), ...readback([900, 906])];
  const seen = (...looks: [look: string, seen: string][]): Job => ({
    ...bare,
    looks: looks.map(([look, seen]) => ({ look, seen, at: '2026-12-04T10:00:00.000Z' })),
  });
  const link = seen(['look at the link', 'usb-2']);
  expect(first(runs, link)).toEqual(expect.arrayContaining(['usb-2 cable', 'slower port']));
  expect(share('slower port', runs, link)).toBeGreaterThan(0.15);
  const marked = seen(['look at the link', 'usb-2'], ['look at the port', 'usb-10']);
  expect(share('usb-2 cable', runs, marked)).toBeGreaterThan(0.9);
  const old = seen(['look at the link', 'usb-2'], ['look at the port', 'usb-2']);
  expect(share('slower port', runs, old)).toBeGreaterThan(0.9);
});

test('13: what is read cannot be put down past the other end’s cache either: that is slow as a whole', () => {
  const far = readback([3650, 3660], { bytes: 420e9, files: 75_000 });
  const known = (value: number) => ({ value, source: { kind: 'entered' as const } });
  const [machine] = bare.machines as [Job['machines'][0]];
  const storage = { ...machine.host.storage, write: known(1.1e9), rest: known(0.9e9) };
  const job = { ...bare, machines: [{ ...machine, host: { ...machine.host, storage } }] };
  expect(first(far, job)).toContain('destination slower');
});

test('a course that is drawn of a cause ends when the cause says it would', () => {
  const { shown } = found(offloads([560, 566]));
  for (const { by, course } of shown.causes) {
    const end = course.at(-1)!.t;
    const { low, high } = by[0]!.figure!;
    expect(end).toBeGreaterThan(low * 0.9);
    expect(end).toBeLessThan(high * 1.1);
  }
});

test('14: each run is slower than the one before, and that is told from the same runs in another order', () => {
  const [climbing, mixed] = [offloads([300, 390, 500]), offloads([500, 300, 390])];
  const builtUp = (runs: Run[]) =>
    ['cache used up', 'throttling', 'nearly full'].reduce((sum, id) => sum + share(id, runs), 0);
  expect(first(climbing)).toContain('cache used up');
  expect(builtUp(climbing)).toBeGreaterThan(0.5);
  expect(builtUp(mixed)).toBeLessThan(0.15);
});

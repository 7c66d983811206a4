import fc from 'fast-check';
import { firstOf, rebuilt } from '../fixtures/forecast';
import { demoJobs } from '../demo';
import { SHOP } from '../catalog/stock';
import {
  addDevice,
  addMachine,
  briefAt,
  checkJob,
  deviceName,
  FIRST_PLACE,
  isAt,
  nameOfChange,
  placeOf,
  placesOf,
  removeDevice,
  removeMachine,
  samePlace,
  stages,
  withActivity,
  withBuild,
  withHost,
  type Job,
} from '.';
import { runs } from '../fixtures/draws';

const [offload, scans, , archive] = demoJobs() as [Job, Job, Job, Job];
const office = { machine: 'machine-2', device: 'device-1' };
const host = (id: string) => SHOP.hosts.find((h) => h.id === id)!;
const empty: Job = {
  ...scans,
  machines: [],
  devices: [],
  connections: [],
  activities: [],
  policies: undefined,
};

describe('the places of a job', () => {
  test('where a device is connected or has work, by device and machine; the first where it has neither', () => {
    expect(placesOf(offload)).toEqual([FIRST_PLACE]);
    expect(placesOf(archive)).toEqual([FIRST_PLACE, office]);
    expect(placesOf(scans)).toEqual([FIRST_PLACE, { machine: 'machine-1', device: 'device-2' }]);
    expect(placesOf(empty)).toEqual([]);
    expect(placesOf(addMachine(empty, host('field-laptop')))).toEqual([FIRST_PLACE]);
    const idle = addDevice(archive);
    expect(placesOf(idle).at(-1)).toEqual({ machine: 'machine-1', device: 'device-2' });
    expect(briefAt(idle, placesOf(idle).at(-1)!)!.build).toBeNull();
  });

  test('a place has its own machine, connection and work; what the device does elsewhere comes beside', () => {
    const [field, desk] = [briefAt(archive, FIRST_PLACE)!, briefAt(archive, office)!];
    expect([field.host.id, desk.host.id]).toEqual(['field-laptop', 'office-desktop']);
    expect([field.build!.port, desk.build!.port]).toEqual(['left-back', 'front-a']);
    expect(field.build!.drive).toEqual(desk.build!.drive);
    expect([field.activities.map((a) => a.id), field.elsewhere!.map((a) => a.id)]).toEqual([
      ['week'],
      ['transect'],
    ]);
    expect([field.needs!.ambient, desk.needs!.ambient]).toEqual([14, undefined]);
    expect(briefAt(archive, { machine: 'none', device: 'device-1' })).toBeNull();
  });

  test('on two machines it must work with the systems of both, on one with what was asked', () => {
    expect(briefAt(archive, office)!.needs!.systems).toEqual(['Linux', 'Windows']);
    expect(firstOf(scans).needs!.systems).toEqual(['Windows']);
    expect(firstOf(removeMachine(archive, 'machine-2')).needs!.systems).toBeUndefined();
  });

  test('every activity is at exactly one place of its job', () => {
    for (const job of [offload, scans, archive])
      for (const activity of job.activities) {
        expect(placesOf(job).filter((place) => isAt(job, activity, place))).toEqual([placeOf(job, activity)]);
      }
    expect(placeOf(empty, offload.activities[0]!)).toBeNull();
  });
});

describe('machines and devices come and go', () => {
  const sound = (job: Job) => expect(checkJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });

  test('what was on a machine that is removed happens on the first; runs made there keep where, by value', () => {
    const on = { ...archive, runs: [{ ...offload.runs[0]!, activity: 'transect', path: office }] };
    const left = removeMachine(on, 'machine-2');
    expect(left.activities.map((a) => placeOf(left, a))).toEqual([FIRST_PLACE, FIRST_PLACE]);
    expect(left.connections).toHaveLength(1);
    expect(left.runs[0]!.path).toMatchObject({ host: { id: 'office-desktop' }, build: { port: 'front-a' } });
    sound(left);
  });

  test('when the first goes, what did not say where goes with the next', () => {
    const left = removeMachine(archive, 'machine-1');
    expect(left.activities.map((a) => placeOf(left, a)!.machine)).toEqual(['machine-2', 'machine-2']);
    sound(left);
    const one = removeDevice(scans, 'device-1');
    expect(one.activities.map((a) => placeOf(one, a)!.device)).toEqual(['device-2', 'device-2', 'device-2']);
    sound(one);
    sound(removeDevice(one, 'device-2'));
  });

  test('a place where a run was made and nothing was ever built keeps no run to it', () => {
    const run = { ...offload.runs[0]!, activity: null, path: FIRST_PLACE };
    const { runs } = removeDevice({ ...scans, runs: [run] }, 'device-1');
    expect(runs[0]!.path).toBeNull();
  });

  test('ids are free ones, whatever came and went', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('machine', 'device', 'less'), { maxLength: 12 }), (steps) => {
        let job = empty;
        for (const step of steps) {
          if (step === 'machine') job = addMachine(job, host('office-desktop'));
          else if (step === 'device') job = addDevice(job);
          else job = removeDevice(removeMachine(job, 'machine-1'), 'device-1');
        }
        expect(new Set(job.machines.map((m) => m.id)).size).toBe(job.machines.length);
        expect(new Set(job.devices.map((d) => d.id)).size).toBe(job.devices.length);
        expect(job.machines.filter((m) => m.use === 'customer').length).toBeLessThanOrEqual(
          job.machines.length,
        );
      }),
      runs(100),
    );
  });

  test('a device that is connected to a second machine is the same device', () => {
    const two = addMachine(offload, host('office-desktop'));
    const there = { machine: 'machine-2', device: 'device-1' };
    const { cable, ...build } = firstOf(offload).build!;
    const job = withBuild(two, there, { ...build, cable, port: 'front-c' });
    expect(job.devices).toHaveLength(1);
    expect(job.connections.map((c) => [c.machine, c.port])).toEqual([
      ['machine-1', 'left-back'],
      ['machine-2', 'front-c'],
    ]);
    expect(job.runs).toBe(offload.runs);
    // Other parts are others on both.
    const changed = withBuild(job, there, { ...build, cable, port: 'front-c', bridge: null });
    expect(briefAt(changed, FIRST_PLACE)!.build!.bridge).toBeNull();
    expect(changed.runs.every((r) => r.path && 'build' in r.path)).toBe(true);
    // Taken off it again: it must still work there, unless that is the shop's bench.
    const off = withBuild(job, there, null);
    expect(placesOf(off)).toEqual([FIRST_PLACE, there]);
    expect(briefAt(off, FIRST_PLACE)!.goesAround).toBe(true);
    expect(briefAt(offload, FIRST_PLACE)!.goesAround).toBeUndefined();
    const machines = off.machines.map(
      (m) => ({ ...m, use: m.id === there.machine ? 'bench' : m.use }) as const,
    );
    expect(placesOf({ ...off, machines })).toEqual([FIRST_PLACE]);
  });

  test('another host in the place of a machine: what has no such port hangs on its first', () => {
    const moved = withHost(offload, 'machine-1', host('office-desktop'));
    expect(moved.connections[0]!.port).toBe(host('office-desktop').ports[0]!.id);
    sound(moved);
  });

  test('an activity that moves to another place no longer goes on while those at the old one do', () => {
    const [week, transect] = archive.activities as [Job['activities'][0], Job['activities'][0]];
    const here = { ...transect, machine: undefined };
    const together = withActivity(withActivity(archive, here), { ...week, besides: ['transect'] });
    expect(together.activities[0]!.besides).toEqual(['transect']);
    expect(withActivity(together, transect).activities[0]!.besides).toBeUndefined();
  });

  test('what is not there is named with its place', () => {
    const problems = (part: object) => {
      const read = checkJob({ ...archive, ...part });
      return read.ok ? '' : read.problems.join('\n');
    };
    const [first] = archive.connections;
    expect(problems({ connections: [{ ...first, device: 'device-9' }] })).toMatch(
      /connections\.0\.device: "device-9" is no device/,
    );
    expect(problems({ connections: [first, first] })).toMatch(/connections\.1\.device: .*twice/);
    expect(problems({ activities: [{ ...archive.activities[0], machine: 'machine-9' }] })).toMatch(
      /activities\.0\.machine: "machine-9" is no machine/,
    );
    expect(problems({ runs: [{ ...offload.runs[0], path: { ...FIRST_PLACE, machine: 'm' } }] })).toMatch(
      /runs\.0\.path: .*no place of this job/,
    );
    expect(problems({ budget: { amount: 5, currency: 'euro' } })).toMatch(/is no currency/);
    const shares = [{ bytes: { value: 1e9, source: { kind: 'entered' } }, endpoint: 'attic' }];
    expect(problems({ activities: [{ ...archive.activities[0], shares: [...shares, ...shares] }] })).toMatch(
      /"attic" is no endpoint of Field laptop/,
    );
  });
});

test('a device is called by its name, its drive, its number among several, or that it is still open', () => {
  const [device] = offload.devices as [Job['devices'][0]];
  const bare = { ...device, name: '' };
  const open = { ...bare, id: 'device-2', parts: null };
  const called = (...list: Job['devices']) => list.map(({ id }) => deviceName(list, id));
  expect(called(device)).toEqual(['Project disk']);
  expect(called(bare, open)).toEqual(['Larkmoor Reed 2 TB', 'Device 2']);
  expect(called(open)).toEqual(['Device to be chosen']);
  // Two of one drive are told apart.
  expect(called(bare, { ...bare, id: 'device-2' }, { ...device, id: 'device-3' })).toEqual([
    'Larkmoor Reed 2 TB, number 1',
    'Larkmoor Reed 2 TB, number 2',
    'Project disk',
  ]);
  expect(deviceName([device, open], 'gone')).toBe('Device to be chosen');
});

test.each<[string, Job, Job]>([
  ['machine added', offload, addMachine(offload, host('office-desktop'))],
  ['device removed', scans, removeDevice(scans, 'device-2')],
  ['parts', empty, { ...empty, devices: offload.devices }],
  ['parts', offload, rebuilt(offload, { build: { ...firstOf(offload).build!, accessories: [] } })],
  ['budget', offload, { ...offload, budget: { amount: 300, currency: 'EUR' } }],
  ['job archived', offload, { ...offload, archived: '2026-11-26T09:00:00.000Z' }],
])('%s is what that change is called', (name, before, after) =>
  expect(nameOfChange(before, after)).toBe(name),
);

test('stages: without a machine the brief is open; one device still to be chosen leaves the path open', () => {
  const at = (job: Job) =>
    stages(job, { blocked: false, unmet: false })
      .slice(0, 3)
      .map((s) => [s.state, s.next]);
  expect(at(empty)[0]).toEqual(['open', 'Choose the machine']);
  expect(at(scans)[1]).toEqual(['open', 'See what to buy']);
  expect(at(scans)[2]).toEqual(['open', 'Choose and connect what is still open']);
  expect(at(archive)[2]![0]).toBe('done');
  expect(samePlace(FIRST_PLACE, office)).toBe(false);
});

test('a drive whose health page says only what share of its wear is used has written that share of its rating', () => {
  const { drive } = offload.devices[0]!.parts!;
  const rated = drive.media === 'flash' ? (drive.tbw.value as number) : NaN;
  const at = '2031-05-06T10:00:00.000Z';
  const with_ = (baseline: object): Job => ({
    ...offload,
    fittings: [{ device: 'device-1', steps: [], baseline: { at, text: '', written: null, ...baseline } }],
  });
  const counters = (job: Job) => briefAt(job, FIRST_PLACE)!.needs!.counters;
  expect(counters(with_({ wear: 0.83 }))).toEqual([{ on: '2031-05-06', written: 0.83 * rated }]);
  expect(counters(with_({ wear: 0.83, written: 5e12 }))).toEqual([{ on: '2031-05-06', written: 5e12 }]);
  expect(counters(with_({}))).toBeUndefined();
});

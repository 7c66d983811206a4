import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import { checkJob, isMove, type Job } from '../job';
import { entering, withEntered } from '.';

const [demo] = demoJobs() as [Job];
const { chain: _, ...offload } = demo;
const AT = '2026-12-01T12:05:00.000Z';
const brief = offload.activities.find(({ id }) => id === 'offload')!;
if (!isMove(brief)) throw new Error();
const noted = (look: string, seen: string) => ({ look, seen, at: '2026-12-01T12:00:00.000Z' });
const withLook = (look: string, seen: string, more: Partial<Job> = {}): [Job, ReturnType<typeof noted>] => {
  const one = noted(look, seen);
  return [{ ...offload, ...more, looks: [one] }, one];
};
const [place] = offload.connections;

test('a link that was read is the link of the path; read again it changes nothing', () => {
  const [job, look] = withLook('look at the link', 'usb-5');
  const now = withEntered(job, look, 'offload', {}, AT)!;
  expect(now.connections[0]).toEqual({
    ...place,
    seen: { link: 'usb-5', device: expect.any(String), at: AT },
  });
  expect(now.looks).toEqual([{ ...look, entered: AT }]);
  expect(checkJob(now).ok).toBe(true);
  expect(entering(now.looks![0]!)).toBeNull();
  expect(withEntered(now, look, 'offload', {}, AT)).toBeNull();
  expect(withEntered(...[job, noted('look at the link', 'no such link')], 'offload', {}, AT)).toBeNull();
});

test('what was counted again goes into the brief, and into runs by hand that had the brief’s figures', () => {
  const of = { bytes: brief.bytes.value as number, files: brief.files.value as number, seconds: 600 };
  const run = (id: string, more: object) => ({
    ...timedRun({ ...of, ...more }, { id, activity: 'offload', direction: 'write' }),
  });
  const runs = [
    { ...run('same', {}), source: 'stopwatch' as const },
    { ...run('other', { bytes: 90e9, files: 12 }), source: 'stopwatch' as const },
    { ...run('counted', {}), source: 'real' as const },
  ];
  const [job, look] = withLook('count again', 'another size', { runs });
  expect(entering(look)!.asks.map(({ key }) => key)).toEqual(['bytes', 'files']);
  expect(withEntered(job, look, 'offload', {}, AT)).toBeNull();
  const now = withEntered(job, look, 'offload', { bytes: 171e9, files: null }, AT)!;
  expect(now.activities.find(({ id }) => id === 'offload')).toMatchObject({
    bytes: { value: 171e9, source: { kind: 'entered' } },
    files: brief.files,
  });
  expect(now.runs.map(({ measure }) => measure.kind === 'timed' && measure.bytes)).toEqual([
    171e9,
    90e9,
    of.bytes,
  ]);
  expect(now.runs[0]!.edited).toEqual([
    { at: AT, reason: 'Counted again.', was: expect.stringMatching(/GB/) },
  ]);
  expect(now.runs.slice(1)).toEqual(runs.slice(1));
});

test('a device’s counters count no files: of a watched run they are those of the brief, and counted again with it', () => {
  const of = { bytes: brief.bytes.value as number, files: brief.files.value as number, seconds: 600 };
  const run = (id: string, source: 'watched' | 'real') => ({
    ...timedRun(of, { id, activity: 'offload', direction: 'write' }),
    source,
  });
  const runs = [run('watched', 'watched'), run('own', 'real')];
  const [job, look] = withLook('count again', 'another size and another number of files', { runs });
  const now = withEntered(job, look, 'offload', { bytes: 171e9, files: 5 }, AT)!;
  expect(now.runs.map(({ measure }) => measure.kind === 'timed' && [measure.bytes, measure.files])).toEqual([
    [of.bytes, 5],
    [of.bytes, of.files],
  ]);
});

test('a port that was found is the path’s; a hub, or a port the machine has not, is no port of it', () => {
  const host = offload.machines[0]!.host;
  const other = host.ports.find(({ id }) => id !== place!.port)!;
  const lone = { ...host, ports: host.ports.map((p) => (p === other ? { ...p, modes: ['usb-5'] } : p)) };
  const machines = [{ ...offload.machines[0]!, host: lone }];
  const [job, look] = withLook('look at the port', 'usb-5', { machines });
  expect(withEntered(job, look, 'offload', {}, AT)!.connections[0]!.port).toBe(other.id);
  for (const seen of ['a hub or dock', 'sata-150'])
    expect(withEntered(job, { ...look, seen }, 'offload', {}, AT)).toBeNull();
});

test('how full it is, once typed, is what the forecast keeps it at; room left needs no entry', () => {
  const [job, look] = withLook('look at its space', 'nearly full');
  expect(withEntered(job, look, 'offload', {}, AT)).toBeNull();
  const now = withEntered(job, look, 'offload', { fill: 0.93 }, AT)!;
  expect(now.devices[0]!.needs!.fill).toEqual({ value: 0.93, source: { kind: 'entered' } });
  expect(entering({ ...look, seen: 'room left' })).toBeNull();
  expect(entering(noted('swap cable', 'x'))).toBeNull();
});

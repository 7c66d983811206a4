import { demoJobs } from '../demo';
import { checkJob, repairJob, VERSION, type Job } from '.';

const [offload] = demoJobs() as [Job];
const repaired = (raw: unknown) => {
  const found = repairJob(raw);
  if (!found.ok) throw new Error(found.problems.join());
  expect(checkJob(found.value.job).ok).toBe(true);
  return found.value;
};

describe('a damaged record, repaired as far as the rest can be kept', () => {
  test('a sound one stays as it is', () => expect(repaired(offload)).toEqual({ job: offload, did: [] }));

  test('a figure that cannot be is not known any more', () => {
    const { job, did } = repaired({
      ...offload,
      machines: offload.machines.map((m) => ({
        ...m,
        host: { ...m.host, storage: { ...m.host.storage, read: { value: 0, source: { kind: 'entered' } } } },
      })),
    });
    expect(job.machines[0]!.host.storage.read.value).toBeNull();
    expect(did).toEqual(['machines.0.host.storage.read is not known any more (it said 0)']);
    expect(job.runs).toEqual(offload.runs);
  });

  test('a run that cannot be read is left out, the others stay; an optional thing goes', () => {
    const runs = offload.runs.map((run, i) => (i === 2 ? { ...run, measure: { kind: 'nonsense' } } : run));
    const { job, did } = repaired({
      ...offload,
      runs,
      machines: [{ ...offload.machines[0], ambient: 'warm' }],
    });
    expect(job.runs).toHaveLength(offload.runs.length - 1);
    expect(job.machines[0]!.ambient).toBeUndefined();
    expect(did).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/runs entry 3 is left out/),
        'machines.0.ambient is left out',
      ]),
    );
  });

  test('the record itself is not changed', () => {
    const raw = { ...offload, serviceYears: { value: -1, source: { kind: 'entered' } } };
    const before = JSON.stringify(raw);
    repaired(raw);
    expect(JSON.stringify(raw)).toBe(before);
  });

  test('a version in quotes is put right', () =>
    expect(repaired({ ...offload, kymarVersion: '4' }).job.kymarVersion).toBe(VERSION));

  test.each<[string, unknown]>([
    ['nothing', null],
    ['a text', 'x'],
    ['a newer one', { ...offload, kymarVersion: VERSION + 1 }],
    ['a hull', { kymarVersion: 1, id: 'x' }],
  ])('%s cannot be repaired, and that is said', (_, raw) =>
    expect(repairJob(raw)).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([expect.any(String)]),
    }),
  );
});

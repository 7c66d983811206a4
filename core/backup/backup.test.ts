import { demoJobs } from '../demo';
import type { Job } from '../job';
import type { Part } from '../catalog/parts';
import { SHOP } from '../catalog/stock';
import { compareBackup, readBackup, writeBackup, type Backup } from '.';

const [offload, scans] = demoJobs() as [Job, Job];
const drive = { ...SHOP.drives[0]!, id: 'own' };
const at = '2026-11-20T10:00:00.000Z';
const backup: Backup = {
  kymarBackup: 1,
  at,
  jobs: [offload, scans],
  parts: { 'drives/own': drive, 'hubs/gone': null },
  bin: [{ kind: 'jobs', key: 'old', title: 'Old', at, raw: { any: 'thing' } }],
  aside: [{ store: 'jobs', key: 'torn', raw: { kymarVersion: 1 } }],
};

describe('everything in one file', () => {
  test('what is written is read back the same', () =>
    expect(readBackup(writeBackup(backup))).toEqual({ ok: true, value: { ...backup, problems: [] } }));

  test('one unsound record keeps no other from coming back, and is named', () => {
    const broken = {
      ...backup,
      jobs: [{ ...offload, title: '' }, scans, 5],
      parts: { ...backup.parts, 'drives/bad': { id: 'bad' }, 'constructor/x': {}, nonsense: 1 },
    };
    const read = readBackup(JSON.stringify(broken));
    expect(read).toMatchObject({ ok: true, value: { jobs: [{ id: scans.id }], parts: backup.parts } });
    expect(read.ok && read.value.problems).toEqual([
      expect.stringMatching(/^Job 1: title/),
      expect.stringMatching(/^Job 3: /),
      expect.stringMatching(/^Part drives\/bad/),
      expect.stringMatching(/constructor\/x.*no kind/),
      expect.stringMatching(/nonsense.*no kind/),
    ]);
  });

  test.each([
    ['', /no JSON/],
    ['{}', /no back-up of Kymar/],
    ['{"kymarBackup": 9}', /another version/],
    [JSON.stringify({ ...backup, jobs: 5 }), /jobs/],
    ['['.repeat(5000), /nested deeper/],
  ])('%.20s is refused', (text, words) =>
    expect(readBackup(text)).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([expect.stringMatching(words)]),
    }),
  );

  test('what restoring would do, record by record', () => {
    const changed = { ...offload, title: 'Renamed here', changed: '2026-11-25T00:00:00.000Z' };
    const here = {
      jobs: { [offload.id]: changed, [scans.id]: { ...scans, revision: 9 } },
      parts: { 'drives/own': { ...drive, model: 'Mine' } as Part },
    };
    expect(compareBackup(backup, here)).toEqual([
      { store: 'jobs', key: offload.id, title: offload.title, state: 'older', places: ['title'], doubts: [] },
      { store: 'jobs', key: scans.id, title: scans.title, state: 'same', places: [], doubts: [] },
      {
        store: 'parts',
        key: 'drives/own',
        title: expect.any(String),
        state: 'older',
        places: ['model'],
        doubts: [],
      },
      { store: 'parts', key: 'hubs/gone', title: 'hubs/gone, removed', state: 'new', places: [], doubts: [] },
    ]);
    expect(
      compareBackup(backup, {
        jobs: { [offload.id]: { ...changed, changed: '2026-01-01T00:00:00.000Z' } },
        parts: {},
      })[0]!.state,
    ).toBe('newer');
  });

  test('evidence that was changed is named before it is restored', () => {
    const cut = { ...offload, runs: offload.runs.slice(1) };
    expect(compareBackup({ jobs: [cut], parts: {} }, { jobs: {}, parts: {} })[0]!.doubts).toEqual([
      expect.stringMatching(/taken out of the file/),
    ]);
  });
});

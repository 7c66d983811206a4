import { asked, freshBrowser, listeners, refuse, settled, tab, type Tab } from './fixtures/tabs';
import { demoJobs } from '@kymar/core/demo';
import { VERSION, type Job } from '@kymar/core/job';
import { disks } from './disk';

const [offload, scans] = demoJobs() as [Job, Job];
const titles = (one: Tab) =>
  Object.values(one.useJobs.getState().jobs)
    .map((j) => j.title)
    .sort();
const retitle = (one: Tab, title: string, id = offload.id) => one.changeJob(id, (j) => ({ ...j, title }));
const onDisk = async (id = offload.id) => (await disks.jobs.getItem<Job>(id))!;
const said = (one: Tab) => one.savedState(one.useStatus.getState());
const trouble = (one: Tab) => one.troubleOf(one.useStatus.getState());
const notes = (one: Tab) => Object.values(one.useStatus.getState().stores).flatMap((s) => s.notes);
beforeEach(freshBrowser);
afterEach(() => jest.restoreAllMocks());

describe('keeping jobs', () => {
  test('a first visit gets the demo, a later one only what is stored', async () => {
    const first = await tab(() => [offload]);
    expect(first.useStatus.getState()).toMatchObject({ loaded: true, fresh: offload.id });
    await settled(first);
    const second = await tab(() => [offload, scans]);
    expect(second.useStatus.getState().fresh).toBeNull();
    expect(titles(second)).toEqual([offload.title]);
  });

  test('a first visit that was cut off before all was stored brings the rest the next time, and leaves what is there', async () => {
    await disks.jobs.setItem(offload.id, { ...offload, title: 'Changed at once' });
    const second = await tab(() => [offload, scans]);
    expect(second.useStatus.getState().fresh).toBe(offload.id);
    expect(titles(second)).toEqual(['Changed at once', scans.title].sort());
    await settled(second);
    expect((await onDisk()).title).toBe('Changed at once');
    expect(await onDisk(scans.id)).toMatchObject({ title: scans.title });
    expect(await disks.settings.getItem('seen')).not.toBeNull();
  });

  test('a change is written whole, with a higher revision; “saved” is said when it is, and leaving asks until then', async () => {
    const one = await tab(() => [offload]);
    retitle(one, 'Changed');
    expect(said(one)).toBe('saving');
    expect(listeners.get('beforeunload')).toHaveLength(1);
    await settled(one);
    expect(said(one)).toBe('saved');
    expect(listeners.get('beforeunload')).toHaveLength(0);
    expect(await onDisk()).toMatchObject({ title: 'Changed', revision: offload.revision + 1 });
    expect((await onDisk()).changed > offload.changed).toBe(true);
  });

  test('the browser is asked once to keep what is stored, as soon as there is something to lose', async () => {
    asked.persist = 0;
    const one = await tab(() => [offload]);
    await settled(one);
    expect(asked.persist).toBe(0);
    retitle(one, 'Mine now');
    await settled(one);
    expect(asked.persist).toBe(1);
    retitle(one, 'Mine still');
    await settled(one);
    expect(asked.persist).toBe(1);
    expect(await disks.settings.getItem('persisted')).toBe(true);
  });

  test('a change that changes nothing is no change; an unknown job is left alone', async () => {
    const one = await tab(() => [offload]);
    const before = one.useJobs.getState();
    one.changeJob(offload.id, (j) => j);
    one.changeJob('nobody', (j) => ({ ...j, title: 'x' }));
    expect(one.useJobs.getState().jobs).toBe(before.jobs);
  });

  test('removed goes to the bin, which survives a reload; undo brings it back and takes it out of the bin', async () => {
    const one = await tab(() => [offload, scans]);
    await settled(one);
    one.dropJobs([scans.id]);
    await settled(one);
    expect(await disks.jobs.keys()).toEqual([offload.id]);
    const later = await tab();
    expect(await later.bin.all()).toMatchObject([
      { kind: 'jobs', key: scans.id, title: scans.title, raw: { title: scans.title } },
    ]);
    one.undo();
    await settled(one);
    expect((await disks.jobs.keys()).sort()).toEqual([offload.id, scans.id].sort());
    expect(await one.bin.all()).toEqual([]);
  });

  test('the page being left writes at once', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    retitle(one, 'Leaving');
    listeners.get('pagehide')!.forEach((listen) => listen({}));
    await settled(one);
    expect((await onDisk()).title).toBe('Leaving');
  });
});

describe('undo', () => {
  test('steps through edits, each named; what comes back is a newer revision', async () => {
    const one = await tab(() => [offload]);
    retitle(one, 'One');
    one.changeJob(offload.id, (j) => ({ ...j, due: '2027-01-01' }));
    expect(one.nextSteps()).toEqual({ undo: 'due date', redo: null });
    await settled(one);
    const high = (await onDisk()).revision;
    one.undo();
    expect(one.useStatus.getState().undone).toBe('Undone: due date');
    expect(one.useJobs.getState().jobs[offload.id]).toMatchObject({ title: 'One', due: offload.due });
    one.undo();
    expect(titles(one)).toEqual([offload.title]);
    one.redo();
    one.redo();
    expect(one.useJobs.getState().jobs[offload.id]).toMatchObject({ title: 'One', due: '2027-01-01' });
    await settled(one);
    expect((await onDisk()).revision).toBeGreaterThan(high);
    one.undo();
    one.undo();
    one.undo();
    expect(titles(one)).toEqual([offload.title]);
    expect(one.useStatus.getState().undone).toBe('Nothing to undo');
  });

  test('letters typed in one go are one step; after a pause, or in another field, a new one begins', async () => {
    const one = await tab(() => [offload]);
    let now = 1e12;
    jest.spyOn(Date, 'now').mockImplementation(() => now);
    for (const title of ['N', 'Ni', 'Nig', 'Night']) {
      now += 200;
      retitle(one, title);
    }
    now += 5000;
    retitle(one, 'Night shift');
    one.changeJob(offload.id, (j) => ({ ...j, customer: 'A' }));
    one.undo();
    one.undo();
    expect(titles(one)).toEqual(['Night']);
    one.undo();
    expect(titles(one)).toEqual([offload.title]);
  });

  test('two runs added quickly are two steps', async () => {
    const one = await tab(() => [offload]);
    const add = (id: string) =>
      one.changeJob(offload.id, (j) => ({ ...j, runs: [...j.runs, { ...offload.runs[0]!, id }] }));
    add('a');
    add('b');
    one.undo();
    expect(one.useJobs.getState().jobs[offload.id]!.runs.at(-1)!.id).toBe('a');
  });
});

describe('what can go wrong', () => {
  test('a damaged record is named and left untouched, the others load', async () => {
    await disks.settings.setItem('seen', 'long ago');
    await disks.jobs.setItem(offload.id, offload);
    await disks.jobs.setItem('torn', { kymarVersion: 1, id: 'torn' });
    await disks.jobs.setItem('future', { ...offload, id: 'future', kymarVersion: VERSION + 1 });
    const one = await tab();
    expect(titles(one)).toEqual([offload.title]);
    expect(one.useStatus.getState().stores.jobs!.aside).toMatchObject([
      { key: 'future', newer: true },
      { key: 'torn', newer: false },
    ]);
    retitle(one, 'Still works');
    await settled(one);
    expect(await disks.jobs.getItem('torn')).toEqual({ kymarVersion: 1, id: 'torn' });
  });

  test('a stored newer record is never written over, by an import neither', async () => {
    const newer = { ...offload, kymarVersion: VERSION + 1, soul: 'unknown here' };
    await disks.settings.setItem('seen', 'long ago');
    await disks.jobs.setItem(offload.id, newer);
    const one = await tab();
    one.putJobs([offload]);
    await settled(one);
    expect(await disks.jobs.getItem(offload.id)).toEqual(newer);
    expect(titles(one)).toEqual([expect.stringMatching(/other tab’s version/)]);
    expect(notes(one)).toEqual([expect.stringMatching(/cannot be read by this Kymar.*left untouched/)]);
    expect((await disks.jobs.keys()).length).toBe(2);
  });

  test('a damaged record is repaired: what cannot be is not known, and the damaged one goes to the bin', async () => {
    const damaged = {
      ...offload,
      machines: offload.machines.map((m) => ({
        ...m,
        host: { ...m.host, storage: { ...m.host.storage, read: { value: 0, source: { kind: 'entered' } } } },
      })),
    };
    await disks.settings.setItem('seen', 'long ago');
    await disks.jobs.setItem(offload.id, damaged);
    const one = await tab();
    const [aside] = one.useStatus.getState().stores.jobs!.aside;
    const { repairJob } = await import('@kymar/core/job');
    const repaired = repairJob(aside!.raw);
    expect(repaired).toMatchObject({
      ok: true,
      value: { did: [expect.stringMatching(/host.storage.read is not known any more/)] },
    });
    if (repaired.ok) await one.jobRecords.repair(offload.id, repaired.value.job);
    expect(titles(one)).toEqual([offload.title]);
    expect(one.useStatus.getState().stores.jobs!.aside).toEqual([]);
    expect(await one.bin.all()).toMatchObject([{ raw: damaged }]);
    expect((await onDisk()).machines[0]!.host.storage.read.value).toBeNull();
  });

  test('one unsound or over-full job keeps no other from being stored', async () => {
    const one = await tab(() => [offload, scans]);
    await settled(one);
    retitle(one, '');
    const spy = refuse((value) => (value as Job).id === 'huge');
    one.putJobs([{ ...offload, id: 'huge' }]);
    one.putJobs([{ ...offload, id: 'after', title: 'Made afterwards' }]);
    retitle(one, 'Stored all the same', scans.id);
    await settled(one);
    expect(trouble(one)).toMatch(/Not saved: .*(a job needs a title|quota).*and 1 more/s);
    expect(said(one)).toBe('not saved');
    expect(await onDisk('after')).toMatchObject({ title: 'Made afterwards' });
    expect((await onDisk(scans.id)).title).toBe('Stored all the same');
    expect((await onDisk()).title).toBe(offload.title);
    spy.mockRestore();
    retitle(one, 'Mended');
    await settled(one);
    expect([trouble(one), said(one)]).toEqual([null, 'saved']);
    expect(await disks.jobs.keys()).toEqual(expect.arrayContaining(['huge']));
  });

  test('a full disk is said, leaving asks, and it is tried again, later and later, until there is room', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    const spy = refuse();
    const waits: number[] = [];
    const real = globalThis.setTimeout;
    jest.spyOn(globalThis, 'setTimeout').mockImplementation(((work: () => void, ms = 0) => {
      // All but what storage and locks are given: on a busy machine it is tried oftener than four times by then.
      const isAgain = ms >= 1000 && ms <= 60_000 && ms !== 10_000 && ms !== 15_000;
      if (isAgain) waits.push(ms);
      return real(work, isAgain ? 5 : ms);
    }) as never);
    retitle(one, 'Too much');
    for (let i = 0; i < 40 && waits.length < 4; i++) await new Promise((resolve) => real(resolve, 20));
    expect(trouble(one)).toMatch(/Not saved: .*quota/);
    expect(said(one)).toBe('not saved');
    expect(listeners.get('beforeunload')).toHaveLength(1);
    expect(waits.slice(0, 4)).toEqual([1000, 2000, 4000, 8000]);
    spy.mockRestore();
    for (let i = 0; i < 100 && said(one) !== 'saved'; i++) await new Promise((resolve) => real(resolve, 20));
    expect((await onDisk()).title).toBe('Too much');
    expect([trouble(one), said(one)]).toEqual([null, 'saved']);
  });

  test('a storage that cannot be opened is said and goes on being tried; what was made meanwhile is kept, and no demo is put over it', async () => {
    await disks.settings.setItem('seen', 'long ago');
    await disks.jobs.setItem(offload.id, offload);
    const broken = jest.spyOn(IDBObjectStore.prototype, 'getAll').mockImplementation(() => {
      throw new DOMException('the database is gone', 'InvalidStateError');
    });
    const one = await tab(() => [scans]);
    expect(one.useStatus.getState()).toMatchObject({ loaded: true, fresh: null });
    expect(trouble(one)).toMatch(/cannot be used.*private window/s);
    one.putJobs([{ ...scans, id: 'mine', title: 'Made meanwhile' }]);
    broken.mockRestore();
    await settled(one);
    expect(titles(one)).toEqual(['Made meanwhile', offload.title].sort());
    expect(await onDisk('mine')).toMatchObject({ title: 'Made meanwhile' });
  });

  test('storage emptied from outside while open: said, and what is on the screen is stored anew', async () => {
    const one = await tab(() => [offload, scans]);
    await settled(one);
    await disks.jobs.clear();
    await disks.bin.clear();
    listeners.get('visibilitychange')!.forEach((listen) => listen({}));
    await settled(one);
    await settled(one);
    expect(notes(one)).toEqual([expect.stringMatching(/storage was emptied/)]);
    expect((await disks.jobs.keys()).sort()).toEqual([offload.id, scans.id].sort());
  });
});

describe('two tabs', () => {
  const two = async () => {
    const here = await tab(() => [offload, scans]);
    await settled(here);
    return [here, await tab()] as const;
  };

  test('different fields of one job: both stand, in both tabs and on the disk', async () => {
    const [here, there] = await two();
    retitle(here, 'Mine');
    there.changeJob(offload.id, (j) => ({ ...j, customer: 'Theirs' }));
    await settled(here, there);
    for (const one of [here, there])
      expect(one.useJobs.getState().jobs[offload.id]).toMatchObject({ title: 'Mine', customer: 'Theirs' });
    expect(await onDisk()).toEqual(here.useJobs.getState().jobs[offload.id]);
    expect(here.useJobs.getState().jobs).toEqual(there.useJobs.getState().jobs);
    expect([notes(here), notes(there)]).toEqual([[], []]);
  });

  test('typed while what the other tab wrote is taken over: at whichever moment, it is kept', async () => {
    const [here, there] = await two();
    // Each read of the disk is followed by a check that takes its time: letters are typed before, in and after it.
    for (let moments = 0; moments < 24; moments++) {
      there.changeJob(offload.id, (j) => ({ ...j, customer: `Theirs ${moments}` }));
      const writing = there.saveNow();
      for (let i = 0; i < moments; i++) await new Promise((resolve) => setImmediate(resolve));
      retitle(here, `Mine ${moments}`);
      await writing;
      await settled(here, there);
      for (const one of [here, there])
        expect(one.useJobs.getState().jobs[offload.id]).toMatchObject({
          title: `Mine ${moments}`,
          customer: `Theirs ${moments}`,
        });
    }
  });

  test('25 edits at once in each, none lost', async () => {
    const [here, there] = await two();
    const add = (one: Tab, id: string) =>
      one.changeJob(offload.id, (j) => ({ ...j, runs: [...j.runs, { ...offload.runs[0]!, id }] }));
    for (let i = 0; i < 25; i++) {
      add(here, `here-${i}`);
      add(there, `there-${i}`);
      if (i % 6 === 0) await Promise.all([here.saveNow(), there.saveNow()]);
    }
    await settled(here, there);
    const ids = (job: Job) => job.runs.map((r) => r.id).sort();
    expect(ids(await onDisk())).toHaveLength(offload.runs.length + 50);
    expect(here.useJobs.getState().jobs[offload.id]).toEqual(there.useJobs.getState().jobs[offload.id]);
  });

  test('the same field to different things: both versions are kept under clear names', async () => {
    const [here, there] = await two();
    retitle(there, 'Theirs');
    retitle(here, 'Mine');
    await settled(there);
    await settled(here, there);
    for (const one of [here, there])
      expect(titles(one)).toEqual(
        [expect.stringMatching(/^Mine \(other tab’s version, \d\d:\d\d\)$/), 'Theirs', scans.title].sort(
          (a, b) => String(a).localeCompare(String(b)),
        ),
      );
    expect([...notes(here), ...notes(there)]).toEqual([
      expect.stringMatching(/changed in two tabs at once \(title\). Both versions are kept/),
    ]);
  });

  test('the same revision with other content is never taken for equal', async () => {
    const [here, there] = await two();
    retitle(here, 'Mine');
    there.changeJob(offload.id, (j) => ({ ...j, note: 'Theirs' }));
    const [a, b] = [here, there].map((one) => one.useJobs.getState().jobs[offload.id]!);
    expect(a!.revision).toBe(b!.revision);
    await settled(here, there);
    expect(await onDisk()).toMatchObject({ title: 'Mine', note: 'Theirs' });
  });

  test('undo takes back one’s own edit only', async () => {
    const [here, there] = await two();
    retitle(here, 'Mine');
    await settled(here, there);
    there.changeJob(offload.id, (j) => ({ ...j, customer: 'Theirs', runs: j.runs.slice(1) }));
    there.putJobs([{ ...scans, id: 'new', title: 'New there' }]);
    await settled(here, there);
    here.undo();
    await settled(here, there);
    for (const one of [here, there]) {
      expect(one.useJobs.getState().jobs[offload.id]).toMatchObject({
        title: offload.title,
        customer: 'Theirs',
        runs: { length: offload.runs.length - 1 },
      });
      expect(titles(one)).toContain('New there');
    }
    here.undo();
    expect(here.useStatus.getState().undone).toBe('Nothing to undo');
  });

  test('undoing a new job does not remove what another tab worked on since', async () => {
    const [here, there] = await two();
    here.putJobs([{ ...scans, id: 'new', title: 'New' }]);
    await settled(here, there);
    there.changeJob('new', (j) => ({ ...j, customer: 'Worked on' }));
    await settled(here, there);
    here.undo();
    expect(here.useJobs.getState().jobs.new).toMatchObject({ customer: 'Worked on' });
  });

  test('removed here, changed there: what somebody worked on is kept', async () => {
    const [here, there] = await two();
    there.changeJob(scans.id, (j) => ({ ...j, note: 'Worked on' }));
    here.dropJobs([scans.id]);
    await settled(there);
    await settled(here, there);
    expect(here.useJobs.getState().jobs[scans.id]).toMatchObject({ note: 'Worked on' });
    expect(await onDisk(scans.id)).toMatchObject({ note: 'Worked on' });
  });

  test('removed in one goes in the other too', async () => {
    const [here, there] = await two();
    here.dropJobs([scans.id]);
    await settled(here, there);
    expect(there.useJobs.getState().jobs[scans.id]).toBeUndefined();
    expect(await there.bin.all()).toHaveLength(1);
  });

  test('a running clock is seen in both, and stopped in either', async () => {
    const [here, there] = await two();
    const fresh = { job: offload.id, activity: 'offload', bytes: 1e9, files: 1, until: 'bar' as const };
    here.press(1000, fresh);
    await settled(here, there);
    expect(there.useSettings.getState().watch).toEqual(here.useSettings.getState().watch);
    there.press(5000, { ...fresh, job: scans.id });
    there.press(6000, fresh);
    await settled(here, there);
    const { watch } = here.useSettings.getState().watch as { watch: Parameters<typeof here.watchSeconds>[0] };
    expect(here.watchSeconds(watch)).toBeCloseTo(5, 6);
    const later = await tab();
    expect(later.useSettings.getState().watch).toMatchObject({ watch: { job: offload.id, bytes: 1e9 } });
  });
});

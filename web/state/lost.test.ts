import { freshBrowser, listeners, putDown, refuse, settled, tab, told, type Tab } from './fixtures/tabs';
import { whole } from '../../core/fixtures/draws';
import { demoJobs } from '@kymar/core/demo';
import { MOST_OF, RETURN_DAYS, type Job } from '@kymar/core/job';
import { disks } from './disk';

/*
 * Ways in which work was lost once: each was seen to happen before it was mended.
 */
const [offload] = demoJobs() as [Job];
const titles = (one: Tab) => Object.values(one.useJobs.getState().jobs).map((j) => j.title);
const now = (one: Tab, id = offload.id) => one.useJobs.getState().jobs[id]!;
const onDisk = async (id = offload.id) => (await disks.jobs.getItem<Job>(id))!;
const change = (one: Tab, part: Partial<Job>) => one.changeJob(offload.id, (j) => ({ ...j, ...part }));
/** As a field, a button or a file of another program could have made it. */
const unsound = { due: '20270-01-01' };
const full = () => refuse((_, store) => store.name === 'jobs');

beforeEach(freshBrowser);
afterEach(() => jest.restoreAllMocks());

describe('a value that the schema refuses', () => {
  test('keeps back itself alone: every other edit is stored, before and after it, and what is wrong is said', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    change(one, { customer: 'Before' });
    change(one, unsound);
    change(one, { note: 'After' });
    await settled(one);
    expect(await onDisk()).toMatchObject({ customer: 'Before', note: 'After', due: offload.due });
    expect(now(one).due).toBe(unsound.due);
    expect(one.savedState(one.useStatus.getState())).toBe('not saved');
    expect(one.troubleOf(one.useStatus.getState())).toMatch(/stored, all but what cannot be: due/);
    // Corrected, nothing is left to say.
    change(one, { due: '2027-01-02' });
    await settled(one);
    expect(await onDisk()).toMatchObject({ due: '2027-01-02', note: 'After' });
    expect(one.savedState(one.useStatus.getState())).toBe('saved');
  });

  test('is there again after a reload, as it was typed, and later edits are stored', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    change(one, unsound);
    await settled(one);
    told('pagehide');
    await settled(one);
    listeners.clear();
    const later = await tab();
    expect(now(later).due).toBe(unsound.due);
    change(later, { note: 'Later' });
    await settled(later);
    expect(await onDisk()).toMatchObject({ note: 'Later', due: offload.due });
    told('pagehide');
    await settled(later);
    listeners.clear();
    const last = await tab();
    expect(now(last)).toMatchObject({ note: 'Later', due: unsound.due });
  });

  test('in a list is kept back alone; what cannot be mended at its place goes with what it stands in', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    const [first] = offload.activities;
    change(one, {
      customer: 'Stored all the same',
      activities: [{ ...first!, name: 'x'.repeat(5000) }, ...offload.activities.slice(1)],
      fittings: [
        { device: offload.devices[0]!.id, returnDays: RETURN_DAYS + 350, serial: 'K-1', steps: [] } as never,
      ],
    });
    await settled(one);
    const stored = await onDisk();
    expect(stored).toMatchObject({
      customer: 'Stored all the same',
      activities: offload.activities.map(({ name }) => ({ name })),
    });
    expect(JSON.stringify(stored.fittings ?? [])).not.toContain('4000');
  });

  // A file as full as it may be takes its time to make.
  whole(
    'no button makes it: one more than a file holds is refused in words, and nothing changes',
    async () => {
      const one = await tab(() => [offload]);
      await settled(one);
      const forecasts = Array.from({ length: MOST_OF.forecasts }, (_, i) => ({
        ...offload.forecasts[0]!,
        id: `frozen-${i}`,
      }));
      change(one, { forecasts });
      await settled(one);
      const before = now(one);
      one.changeJob(offload.id, (j) => ({
        ...j,
        forecasts: [...j.forecasts, { ...j.forecasts[0]!, id: 'one more' }],
      }));
      expect(now(one)).toBe(before);
      expect(one.useStatus.getState().refused).toMatch(/at most 200 frozen forecasts/);
      change(one, { note: 'Goes on' });
      await settled(one);
      expect((await onDisk()).note).toBe('Goes on');
    },
  );
});

describe('what a hidden page puts down', () => {
  test('is taken away once it is stored: an undone edit stays undone, a removed job removed', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    change(one, { title: 'Undone later' });
    told('visibilitychange');
    await settled(one);
    expect(putDown()).toEqual([]);
    one.undo();
    await settled(one);
    listeners.clear();
    const later = await tab();
    expect(titles(later)).toEqual([offload.title]);
    change(later, { title: 'Removed later' });
    told('visibilitychange');
    await settled(later);
    later.dropJobs([offload.id]);
    await settled(later);
    listeners.clear();
    expect(titles(await tab())).toEqual([]);
  });

  test('of what was just being stored: laid over that, and no second version is made of it', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    // While the first letters are on their way to the disk, the next ones are typed.
    const { setItem } = one.disks.jobs;
    let left: unknown = null;
    jest.spyOn(one.disks.jobs, 'setItem').mockImplementation(async (...args: unknown[]) => {
      if (left === null) {
        change(one, { title: 'First letters and more' });
        left = structuredClone({ jobs: one.jobRecords.unsaved() });
      }
      const [key, value] = args as [string, unknown];
      return setItem.call(one.disks.jobs, key, value);
    });
    change(one, { title: 'First letters' });
    await settled(one);
    expect(JSON.stringify(left)).toContain('"sent"');
    // The page is gone by then: what was on its way is there, or is not.
    for (const there of ['First letters', offload.title]) {
      listeners.clear();
      const [draft] = (left as { jobs: { sent: Job; base: Job }[] }).jobs;
      await setItem.call(one.disks.jobs, offload.id, there === 'First letters' ? draft!.sent : draft!.base);
      await one.drafts.setItem('a page that is gone', left);
      const later = await tab();
      await settled(later);
      expect(titles(later)).toEqual(['First letters and more']);
    }
  });

  test('stays for as long as it is not stored', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    const storage = full();
    change(one, { title: 'Not stored yet' });
    told('visibilitychange');
    await settled(one);
    expect(putDown().join()).toContain('Not stored yet');
    storage.mockRestore();
    await settled(one);
    expect(putDown()).toEqual([]);
    expect((await onDisk()).title).toBe('Not stored yet');
  });
});

describe('the bin', () => {
  test('keeps newer work when an older file of the job is imported; what is brought back leaves it', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    change(one, { note: 'A day of work' });
    await settled(one);
    one.dropJobs([offload.id]);
    await settled(one);
    one.putJobs([offload], 'import');
    await settled(one);
    const [newer] = await one.bin.all();
    expect(newer).toMatchObject({ key: offload.id, raw: { note: 'A day of work' } });
    // Removed again, both are there; the newer one brought back holds both.
    one.dropJobs([offload.id]);
    await settled(one);
    expect(await one.bin.all()).toHaveLength(2);
    one.putJobs([newer!.raw as Job], 'brought back');
    await settled(one);
    expect(await one.bin.all()).toEqual([]);
  });

  test('holds what was last worked on, where storage took nothing of it', async () => {
    const one = await tab(() => [offload]);
    await settled(one);
    const storage = full();
    change(one, { note: 'Typed while storage was full' });
    await settled(one);
    one.dropJobs([offload.id]);
    await settled(one);
    storage.mockRestore();
    await settled(one);
    expect(await one.bin.all()).toMatchObject([{ raw: { note: 'Typed while storage was full' } }]);
  });
});

test('a job may be called as what every object has', async () => {
  for (const id of ['__proto__', 'constructor', 'toString']) {
    await freshBrowser();
    const one = await tab(() => [offload]);
    await settled(one);
    expect(now(one, id)).toBeUndefined();
    one.putJobs([{ ...offload, id, title: `Called ${id}` }]);
    await settled(one);
    expect(one.savedState(one.useStatus.getState())).toBe('saved');
    expect(titles(one).sort()).toEqual([`Called ${id}`, offload.title].sort());
    one.changeJob(id, (j) => ({ ...j, note: 'x' }));
    await settled(one);
    listeners.clear();
    const later = await tab();
    expect(now(later, id)).toMatchObject({ title: `Called ${id}`, note: 'x' });
  }
});

whole('thousands of parts are stored in pieces: another tab’s change waits for one of them', async () => {
  const one = await tab(() => [offload]);
  const other = await tab();
  await settled(one, other);
  const [drive] = one.shopNow().drives;
  const many = Array.from({ length: 700 }, (_, i) => ({
    kind: 'drives' as const,
    part: { ...drive!, id: `made-${i}` },
  }));
  one.putAll(many);
  const storing = one.saveNow();
  other.editParts({ 'drives/theirs': { ...drive!, id: 'theirs' } }, 'a part');
  await other.saveNow();
  expect(await disks.parts.getItem('drives/theirs')).not.toBeNull();
  expect((await disks.parts.keys()).length).toBeLessThan(many.length);
  await storing;
  await settled(one, other);
  expect((await disks.parts.keys()).length).toBe(many.length + 1);
});

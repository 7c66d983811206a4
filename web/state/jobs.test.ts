import 'fake-indexeddb/auto';
import localforage from 'localforage';
import { demoJobs } from '@kymar/core/demo';
import { VERSION, type Job } from '@kymar/core/job';

// The parts of a browser that the store uses and Node lacks.
const listeners = new Map<string, ((event: unknown) => void)[]>();
Object.assign(globalThis, {
  addEventListener: (name: string, listener: (event: unknown) => void) => listeners.set(name, [...(listeners.get(name) ?? []), listener]),
  removeEventListener: (name: string, listener: (event: unknown) => void) => listeners.set(name, (listeners.get(name) ?? []).filter((l) => l !== listener)),
  document: { visibilityState: 'visible' },
  BroadcastChannel: undefined,
});

type Store = typeof import('./jobs');
const disk = localforage.createInstance({ name: 'kymar', storeName: 'jobs' });
const settings = localforage.createInstance({ name: 'kymar-settings', storeName: 'settings' });
const [offload, scans] = demoJobs() as [Job, Job];

const open: Store[] = [];
/** A tab: the store loaded afresh over the same storage. */
async function tab(demo: () => Job[] = () => []): Promise<Store> {
  let store!: Store;
  await jest.isolateModulesAsync(async () => {
    store = await import('./jobs');
  });
  open.push(store);
  await store.openStore(demo);
  return store;
}
const titles = (store: Store) => Object.values(store.useJobs.getState().jobs).map((j) => j.title).sort();
const retitle = (store: Store, title: string, id = offload.id) => store.changeJob(id, (j) => ({ ...j, title }));
const onDisk = async (id = offload.id) => (await disk.getItem<Job>(id))!;

beforeEach(async () => {
  // What an earlier test left to be written is not this one's.
  for (const store of open.splice(0)) await store.saveNow();
  listeners.clear();
  await disk.clear();
  await settings.clear();
});

describe('keeping jobs', () => {
  test('a first visit gets the demo, a later one only what is stored', async () => {
    const first = await tab(() => [offload]);
    expect(first.useStatus.getState()).toMatchObject({ loaded: true, fresh: true });
    await first.saveNow();
    const second = await tab(() => [offload, scans]);
    expect(second.useStatus.getState().fresh).toBe(false);
    expect(titles(second)).toEqual([offload.title]);
  });

  test('a first visit that was cut off before all was stored brings the rest the next time, and leaves what is there', async () => {
    await disk.setItem(offload.id, { ...offload, title: 'Changed at once' });
    const second = await tab(() => [offload, scans]);
    expect(second.useStatus.getState().fresh).toBe(true);
    expect(titles(second)).toEqual(['Changed at once', scans.title].sort());
    await second.saveNow();
    expect((await onDisk()).title).toBe('Changed at once');
    expect(await onDisk(scans.id)).toMatchObject({ title: scans.title });
  });

  test('the first visit is over only once what it brought is stored', async () => {
    const store = await tab(() => [offload]);
    expect(await settings.getItem('seen')).toBeNull();
    await store.saveNow();
    expect(await settings.getItem('seen')).not.toBeNull();
    expect(await onDisk()).toMatchObject({ title: offload.title });
  });

  test('a change is written whole, with a higher revision, and says when it is saved', async () => {
    const store = await tab(() => [offload]);
    retitle(store, 'Changed');
    expect(store.useStatus.getState().saving).toBe(true);
    expect(listeners.get('beforeunload')).toHaveLength(1);
    await store.saveNow();
    expect(store.useStatus.getState().saving).toBe(false);
    expect(listeners.get('beforeunload')).toHaveLength(0);
    expect(await onDisk()).toMatchObject({ title: 'Changed', revision: offload.revision + 1 });
    expect((await onDisk()).changed > offload.changed).toBe(true);
  });

  test('a change that changes nothing is no change; an unknown job is left alone', async () => {
    const store = await tab(() => [offload]);
    const before = store.useJobs.getState();
    store.changeJob(offload.id, (j) => j);
    store.changeJob('nobody', (j) => ({ ...j, title: 'x' }));
    expect(store.useJobs.getState().jobs).toBe(before.jobs);
  });

  test('removed is removed from storage too, and undo brings it back there', async () => {
    const store = await tab(() => [offload, scans]);
    await store.saveNow();
    store.dropJobs([scans.id]);
    await store.saveNow();
    expect(await disk.keys()).toEqual([offload.id]);
    store.undo();
    await store.saveNow();
    expect((await disk.keys()).sort()).toEqual([offload.id, scans.id].sort());
  });

  test('undo and redo step through changes; what comes back is a newer revision', async () => {
    const store = await tab(() => [offload]);
    retitle(store, 'One');
    retitle(store, 'Two');
    await store.saveNow();
    const high = (await onDisk()).revision;
    store.undo();
    expect(titles(store)).toEqual(['One']);
    store.undo();
    expect(titles(store)).toEqual([offload.title]);
    store.redo();
    expect(titles(store)).toEqual(['One']);
    await store.saveNow();
    expect(await onDisk()).toMatchObject({ title: 'One', revision: expect.any(Number) });
    expect((await onDisk()).revision).toBeGreaterThan(high);
    store.undo();
    store.undo();
    store.undo();
    expect(titles(store)).toEqual([offload.title]);
  });

  test('the page being left writes at once', async () => {
    const store = await tab(() => [offload]);
    await store.saveNow();
    retitle(store, 'Leaving');
    listeners.get('pagehide')!.forEach((listen) => listen({}));
    await store.saveNow();
    expect((await onDisk()).title).toBe('Leaving');
  });
});

describe('what can go wrong', () => {
  test('a damaged record is named and left untouched, the others load', async () => {
    await settings.setItem('seen', 'long ago');
    await disk.setItem(offload.id, offload);
    await disk.setItem('torn', { kymarVersion: 1, id: 'torn' });
    await disk.setItem('future', { ...offload, id: 'future', kymarVersion: VERSION + 1 });
    const store = await tab();
    expect(titles(store)).toEqual([offload.title]);
    expect(store.useStatus.getState().trouble).toMatch(/2 stored jobs cannot be read and are left untouched/);
    retitle(store, 'Still works');
    await store.saveNow();
    expect((await disk.keys()).sort()).toEqual([offload.id, 'future', 'torn'].sort());
    expect(await disk.getItem('torn')).toEqual({ kymarVersion: 1, id: 'torn' });
  });

  test('an unsound job is never written: what is stored stays, and it is said', async () => {
    const store = await tab(() => [offload]);
    await store.saveNow();
    retitle(store, '');
    await store.saveNow();
    expect(store.useStatus.getState()).toMatchObject({ saving: false, trouble: expect.stringMatching(/Not saved: .*a job needs a title.*export/s) });
    expect((await onDisk()).title).toBe(offload.title);
    retitle(store, 'Mended');
    await store.saveNow();
    expect(store.useStatus.getState().trouble).toBeNull();
    expect((await onDisk()).title).toBe('Mended');
  });

  test('a refusing storage is said, the work stays on the screen, and is written once it gives in', async () => {
    const store = await tab(() => [offload]);
    await store.saveNow();
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('the quota is used up', 'QuotaExceededError');
    });
    retitle(store, 'Too much');
    await store.saveNow();
    expect(store.useStatus.getState().trouble).toMatch(/Not saved/);
    expect(titles(store)).toEqual(['Too much']);
    put.mockRestore();
    retitle(store, 'Fits again');
    await store.saveNow();
    expect(store.useStatus.getState().trouble).toBeNull();
    expect((await onDisk()).title).toBe('Fits again');
  });
});

describe('two tabs', () => {
  test('both changed one job: both versions are kept', async () => {
    const here = await tab(() => [offload]);
    await here.saveNow();
    const there = await tab();
    retitle(there, 'Theirs');
    await there.saveNow();
    retitle(here, 'Mine');
    await here.saveNow();
    expect(here.useStatus.getState().trouble).toMatch(/changed in two tabs at once. Both versions are kept/);
    expect(titles(here)).toEqual(['Mine (from the other tab)', 'Theirs']);
    const stored = await Promise.all((await disk.keys()).map((key) => disk.getItem<Job>(key)));
    expect(stored.map((j) => j!.title).sort()).toEqual(['Mine (from the other tab)', 'Theirs']);
  });

  test('changes to different jobs do not disturb each other', async () => {
    const here = await tab(() => [offload, scans]);
    await here.saveNow();
    const there = await tab();
    retitle(there, 'Theirs', scans.id);
    retitle(here, 'Mine', offload.id);
    await Promise.all([there.saveNow(), here.saveNow()]);
    expect([(await onDisk(offload.id)).title, (await onDisk(scans.id)).title]).toEqual(['Mine', 'Theirs']);
    expect(here.useStatus.getState().trouble).toBeNull();
  });
});

import { mkdir, mkdtemp, open, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RunEvent } from '@kymar/core/measure';
import type { Place } from './target';
import { watchable, WatchTask } from './watching';

let root = '';
beforeEach(async () => {
  root = await mkdtemp(join(tmpdir(), 'kymar-watch-'));
});
afterEach(() => rm(root, { recursive: true, force: true }));

const STAT = (read: number, written: number, busy = 0) =>
  `${read / 4096} 0 ${read / 512} 0 ${written / 4096} 0 ${written / 512} 0 0 ${busy} 0`.padEnd(200);

/** A made-up tree of counters, in the layout of sysfs and proc. */
async function tree(): Promise<{ sysfs: string; proc: string }> {
  const files: Record<string, string> = {
    'sys/block/sdq/stat': STAT(0, 0),
    'sys/block/sdq/size': '1953525168\n',
    'sys/block/sdq/dev': '8:256\n',
    'sys/block/sdq/device/vpd_pg80': '\u0000\u0080\u0000\u0008  RD-0719',
    'sys/block/sdq/device/vendor': 'Oystral \n',
    'sys/block/sdq/device/model': 'Reed 1T\n',
    'sys/block/loop0/stat': STAT(0, 0),
    'sys/block/loop0/size': '4096\n',
    'sys/block/sr0/stat': STAT(0, 0),
    'sys/block/sr0/size': '0\n',
    'proc/meminfo': 'Dirty: 0 kB\nWriteback: 0 kB\n',
  };
  for (const [path, text] of Object.entries(files)) {
    await mkdir(join(root, path, '..'), { recursive: true });
    await writeFile(join(root, path), text);
  }
  return { sysfs: join(root, 'sys'), proc: join(root, 'proc') };
}

const folderAt = (folder: string, devices: string[]): Place => ({
  id: 'abc',
  folder,
  device: null,
  fileSystem: null,
  room: 1e9,
  reserve: 0,
  memory: 1e9,
  labels: [],
  way: '',
  devices,
  problem: null,
});

/** All that a watch tells until it is over. */
async function told(task: WatchTask, meanwhile: (event: RunEvent) => void): Promise<RunEvent[]> {
  const events: RunEvent[] = [];
  task.follow((event) => {
    events.push(event);
    meanwhile(event);
  });
  await task.ended;
  return events;
}
const ask = (device: string) => ({ kind: 'watch' as const, device, still: 1 });

describe('what can be watched', () => {
  test('devices with counters and a size, by their names, with the folders on them', async () => {
    const found = await watchable(await tree(), [folderAt('/here', ['8:256']), folderAt('/there', ['8:0'])]);
    expect(found).toEqual([
      {
        id: 'sdq',
        how: 'counters',
        name: 'Oystral Reed 1T (sdq)',
        serial: 'RD-0719',
        size: 1953525168 * 512,
        folders: ['/here'],
      },
    ]);
  });

  test('without counters the folders themselves, by how they grow', async () => {
    const nowhere = { sysfs: join(root, 'none'), proc: join(root, 'none') };
    expect(await watchable(nowhere, [folderAt('/here', [])])).toEqual([
      { id: 'abc', how: 'growth', name: '/here', size: null, folders: ['/here'] },
    ]);
  });
});

describe('a watch', () => {
  test('goes from the first bytes to the last by the counters, and tells what they counted', async () => {
    const roots = await tree();
    const [device] = await watchable(roots, []);
    const stat = await open(join(roots.sysfs, 'block/sdq/stat'), 'r+');
    let ticks = 0;
    const events = await told(new WatchTask(ask('sdq'), device!, roots), () => {
      const steps = Math.min(20, Math.max(0, ++ticks - 5));
      void stat.write(STAT(0, steps * 4096 * 2500, steps * 90), 0);
    });
    await stat.close();
    const last = events.at(-1)!;
    if (last.type !== 'watched') throw new Error(JSON.stringify(last));
    expect(last).toMatchObject({ written: 20 * 4096 * 2500, writes: 50000, read: 0, busy: 1.8 });
    // Twenty readings a tenth of a second apart, on a machine that may be busy.
    expect(last.seconds).toBeGreaterThan(1.7);
    expect(last.samples.write.at(-1)).toEqual({ t: last.seconds, bytes: last.written });
    const states = new Set(events.flatMap((e) => (e.type === 'watching' ? [e.state] : [])));
    expect([...states]).toEqual(['waiting', 'moving']);
  });

  test('a folder is watched by its growth where nothing counts', async () => {
    const folder = join(root, 'growing');
    await mkdir(join(folder, 'deep'), { recursive: true });
    const device = { id: 'abc', how: 'growth' as const, name: folder, size: null, folders: [folder] };
    let files = 0;
    const nowhere = { sysfs: root, proc: root };
    const events = await told(new WatchTask(ask('abc'), device, nowhere), () => {
      if (files < 8) void writeFile(join(folder, 'deep', `${files++}.bin`), Buffer.alloc(1e6));
    });
    expect(events.at(-1)).toMatchObject({ type: 'watched', written: 8e6, writes: 8, busy: null, bar: null });
  });

  test('said to be over it ends there; before anything came it says so; stopped it tells nothing', async () => {
    const roots = await tree();
    const [device] = await watchable(roots, []);
    const idle = new WatchTask(ask('sdq'), device!, roots);
    expect(idle.finish()).toBe(true);
    await idle.ended;
    expect(idle.kept.last).toMatchObject({ type: 'failed', aborted: false });
    const stopped = new WatchTask(ask('sdq'), device!, roots);
    stopped.abort();
    await stopped.ended;
    expect(stopped.kept.last).toMatchObject({ type: 'failed', aborted: true });
  });

  test('a device that goes away is told, not waited for', async () => {
    const roots = await tree();
    const [device] = await watchable(roots, []);
    await writeFile(join(roots.sysfs, 'block/sdq/stat'), '');
    const task = new WatchTask(ask('sdq'), device!, roots);
    await task.ended;
    expect(task.kept.last).toMatchObject({ type: 'failed', aborted: false });
  });
});

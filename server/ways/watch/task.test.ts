import { writeFileSync, writeSync } from 'node:fs';
import { mkdir, mkdtemp, open, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RunEvent } from '@kymar/core/measure';
import type { TargetPlace } from '../../target';
import { watchable, WatchTask } from './task';

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

const folderAt = (folder: string, devices: string[]): TargetPlace => ({
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

/** A program that works for so many s by a clock of its own, whenever somebody looks. @param to told how far it is, 0 to 1 */
function byClock(seconds: number, to: (share: number) => void) {
  const moments: number[] = [];
  let timer: NodeJS.Timeout | undefined;
  const begin = () => {
    if (timer) return;
    const began = performance.now();
    timer = setInterval(() => {
      const now = performance.now();
      const share = Math.min(1, (now - began) / 1000 / seconds);
      to(share);
      moments.push(now);
      if (share === 1) clearInterval(timer);
    }, 20);
  };
  return { piece: { begin }, moments };
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
    const total = 20 * 4096 * 2500;
    const stat = await open(join(roots.sysfs, 'block/sdq/stat'), 'r+');
    const write = (text: string) => writeSync(stat.fd, text, 0);
    const { piece, moments } = byClock(2, (share) =>
      write(STAT(0, Math.round((share * total) / 4096) * 4096, Math.round(share * 1800))),
    );
    const events = await told(new WatchTask(ask('sdq'), device!, roots), (event) => {
      // Once it is watched at all.
      if (event.type === 'watching') piece.begin();
    });
    await stat.close();
    const last = events.at(-1)!;
    if (last.type !== 'watched') throw new Error(JSON.stringify(last));
    expect(last).toMatchObject({ written: total, writes: 50000, read: 0, busy: 1.8 });
    // As long as the writer itself took, whatever else the machine does.
    expect(Math.abs(last.seconds - (moments.at(-1)! - moments[0]!) / 1000)).toBeLessThan(0.3 + last.error);
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
    const { piece } = byClock(0.8, (share) => {
      for (; files < Math.ceil(share * 8); files++)
        writeFileSync(join(folder, 'deep', `${files}.bin`), Buffer.alloc(1e6));
    });
    const events = await told(new WatchTask(ask('abc'), device, nowhere), (event) => {
      if (event.type === 'watching') piece.begin();
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

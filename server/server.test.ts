import fs, { existsSync } from 'node:fs';
import { mkdir, mkdtemp, readdir, readFile, rm, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { labelsOf, mountOf, parseMounts } from './mounts';
import { Counter, randomPool, readFile as readBack, Stopped, writeFile as writeFront } from './sequential';
import { inspect, reserveOf } from './target';
import { closeWorkfolder, DATA, openWorkfolder, sweep } from './workfolder';

let folder = '';
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kymar-test-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

describe('what a folder lies on', () => {
  // Made up in the layout of proc(5).
  const table = parseMounts(
    [
      '22 1 254:0 / / rw,relatime shared:1 - ext4 /dev/vda1 rw',
      '23 22 0:21 / /tmp rw,nosuid - tmpfs tmpfs rw,size=1024k',
      '24 22 0:30 / /mnt/my\\040disk rw - btrfs /dev/mapper/luks rw,compress=zstd:3,space_cache',
      '25 22 0:31 / /mnt/share rw - nfs4 box:/share rw',
      '26 22 0:32 / /mnt/plain rw - btrfs /dev/sdc rw,compress=no',
      'a line of another shape',
    ].join('\n'),
  );
  test.each([
    ['/home/x', '/dev/vda1', []],
    ['/tmp/bench', 'tmpfs', ['memory-backed']],
    ['/mnt/my disk/a', '/dev/mapper/luks', ['compressed', 'encrypted']],
    ['/mnt/share', 'box:/share', ['network']],
    ['/mnt/sharex', '/dev/vda1', []],
    ['/mnt/plain', '/dev/sdc', []],
  ])('%s lies on %s: %j', (path, device, labels) => {
    const mount = mountOf(table, path);
    expect(mount!.device).toBe(device);
    expect(labelsOf(mount, device.includes('luks') ? 'CRYPT-LUKS2-abc' : '')).toEqual(labels);
  });

  test('a sound folder has room; a missing, wrong or read-only one says what to do', async () => {
    expect(await inspect({ path: folder, own: false }, 0)).toMatchObject({ problem: null, folder, labels: expect.any(Array) });
    expect((await inspect({ path: join(folder, 'none'), own: false }, 0)).problem).toMatch(/does not exist. Create it/);
    expect((await inspect({ path: join(folder, 'made'), own: true }, 0)).problem).toBeNull();
    await writeFile(join(folder, 'file'), '');
    expect((await inspect({ path: join(folder, 'file'), own: false }, 0)).problem).toMatch(/is no folder/);
    expect((await inspect({ path: '/sys', own: false }, 0)).problem).toMatch(/cannot be written to|cannot be used/);
    expect((await inspect({ path: folder, own: false }, 1e18)).problem).toMatch(/No room/);
    expect(await readdir(folder)).toEqual(expect.arrayContaining(['file', 'made']));
    expect(await readdir(join(folder, 'made'))).toEqual([]);
  });

  test('the reserve is 5 % of the volume, at most 1 GB', () => expect([reserveOf(1e9), reserveOf(1e12)]).toEqual([5e7, 1e9]));
});

describe('the work folder', () => {
  test('is made, owned and removed', async () => {
    const work = await openWorkfolder(folder);
    expect(await readdir(work)).toEqual(['owner.json']);
    await closeWorkfolder(work);
    expect(await readdir(folder)).toEqual([]);
  });

  test('sweeping removes what dead processes left, and nothing else', async () => {
    const living = await openWorkfolder(folder);
    const crashed = join(folder, '.kymar-run-0000000000000001');
    await mkdir(crashed);
    await writeFile(join(crashed, 'owner.json'), JSON.stringify({ pid: process.pid, started: '1' }));
    await writeFile(join(crashed, DATA), 'x');
    const unowned = join(folder, '.kymar-run-0000000000000002');
    await mkdir(unowned);
    const strange = join(folder, '.kymar-run-0000000000000003');
    await mkdir(strange);
    await writeFile(join(strange, 'thesis.txt'), 'mine');
    await writeFile(join(folder, 'precious'), 'mine');
    expect(await sweep(folder)).toBe(2);
    expect(existsSync(living) && existsSync(strange)).toBe(true);
    expect(await readFile(join(strange, 'thesis.txt'), 'utf8')).toBe('mine');
    expect(existsSync(crashed) || existsSync(unowned)).toBe(false);
    expect(await readFile(join(folder, 'precious'), 'utf8')).toBe('mine');
  });

  test('sweeping never follows a link', async () => {
    const outside = join(folder, 'outside');
    await mkdir(outside);
    await writeFile(join(outside, DATA), 'mine');
    const target = join(folder, 'target');
    await mkdir(target);
    await symlink(outside, join(target, '.kymar-run-0000000000000004'));
    const trap = join(target, '.kymar-run-0000000000000005');
    await mkdir(trap);
    await symlink(join(outside, DATA), join(trap, DATA));
    await sweep(target);
    expect(await readFile(join(outside, DATA), 'utf8')).toBe('mine');
    expect(existsSync(trap)).toBe(false);
  });

  test('a folder that is not there is swept without a word', async () => expect(await sweep(join(folder, 'none'))).toBe(0));
});

describe('sequential writing and reading', () => {
  const pool = randomPool();
  const MiB = 2 ** 20;

  test('writes exactly so much, of pages that are all different, and reads it back', async () => {
    const counter = new Counter();
    const file = join(folder, DATA);
    const bytes = 40 * MiB + 4096;
    const wrote = writeFront(file, bytes, 4 * MiB, pool, counter);
    expect(counter.bytes).toBe(bytes);
    expect(wrote.seconds).toBeGreaterThan(0);
    const content = await readFile(file);
    expect(content.length).toBe(bytes);
    const pages = new Set<string>();
    for (let at = 0; at < bytes; at += 4096) pages.add(content.toString('latin1', at, at + 64));
    expect(pages.size).toBe(bytes / 4096);
    expect(readBack(file, bytes, MiB, counter).seconds).toBeGreaterThan(0);
    expect([counter.bytes, counter.phase]).toEqual([bytes, null]);
  });

  test('never writes over a file nor through a link', async () => {
    await writeFile(join(folder, 'mine'), 'mine');
    await symlink(join(folder, 'mine'), join(folder, 'link'));
    for (const name of ['mine', 'link']) expect(() => writeFront(join(folder, name), MiB, MiB, pool, new Counter())).toThrow(/EEXIST/);
    expect(await readFile(join(folder, 'mine'), 'utf8')).toBe('mine');
  });

  test('where past the memory is refused, it goes through it and says so', () => {
    const real = fs.openSync;
    const spy = jest.spyOn(fs, 'openSync').mockImplementation((path, flags, mode) => {
      if (Number(flags) & fs.constants.O_DIRECT) throw Object.assign(new Error('EINVAL'), { code: 'EINVAL' });
      return real(path, flags, mode);
    });
    const file = join(folder, DATA);
    expect(writeFront(file, MiB, MiB, pool, new Counter()).through).toBe('buffered');
    expect(readBack(file, MiB, MiB, new Counter()).through).toBe('buffered');
    spy.mockRestore();
    expect(readBack(file, MiB, MiB, new Counter()).through).toMatch(/direct|buffered/);
  });

  test('stops when asked', () => {
    const counter = new Counter();
    counter.stop();
    expect(() => writeFront(join(folder, DATA), MiB, MiB, pool, counter)).toThrow(Stopped);
    expect(counter.phase).toBeNull();
  });

  test('a file shorter than said is an error, not a short time', async () => {
    await writeFile(join(folder, 'short'), new Uint8Array(8192));
    expect(() => readBack(join(folder, 'short'), MiB, MiB, new Counter())).toThrow(/ended after 8192/);
  });
});

import { execFileSync } from 'node:child_process';
import fs, { existsSync } from 'node:fs';
import {
  chmod,
  chown,
  mkdir,
  mkdtemp,
  readdir,
  readFile,
  rename,
  rm,
  stat,
  symlink,
  truncate,
  utimes,
  writeFile,
} from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lockDevices } from './devicelock';
import { layersOf, type LayersSource } from './layers';
import { mountsAbove, parseMounts, type Mount } from './mounts';
import { thisProcess } from './owner';
import {
  Counter,
  NoRoom,
  NotWhatWasWritten,
  randomPool,
  readFile as readBack,
  Stopped,
  writeFile as writeFront,
} from './sequential';
import { Problem, problems } from './problem';
import { NotKept, ownFolder, RecordFiles } from './state';
import { inspect, reserveOf } from './target';
import { DATA, leftWords, sweep, Workfolder } from './workfolder';

let folder = '';
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kymar-test-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

/** A system that is made up: files by path, and the numbers of device files. */
const ground = (
  files: Record<string, string>,
  links: Record<string, string> = {},
  devices: Record<string, string> = {},
  marks: Record<string, string> = {},
): LayersSource => ({
  text: async (file) => files[file] ?? '',
  list: async (folder) => [
    ...new Set(
      Object.keys(files)
        .filter((f) => f.startsWith(`${folder}/`))
        .map((f) => f.slice(folder.length + 1).split('/')[0]!),
    ),
  ],
  link: async (file) => links[file] ?? '',
  real: async (path) => path,
  device: async (file) => devices[file] ?? '',
  // The last one mounted at the longest point above it: what a system follows by name.
  mount: async (path) =>
    mountsAbove(parseMounts(files['/proc/self/mountinfo'] ?? ''), path).reduce<Mount | null>(
      (best, m) => (best && best.point.length > m.point.length ? best : m),
      null,
    )?.id ?? null,
  size: async (file) => (file.endsWith('(deleted)') ? null : 1e9),
  mark: async (folder) => marks[folder] ?? 'the same',
});

describe('what a folder lies on, followed down to the device', () => {
  // Made up in the layout of proc(5) and of sysfs.
  const files = {
    '/proc/self/mountinfo': [
      '22 1 254:1 / / rw,relatime shared:1 - ext4 /dev/vda1 rw',
      '23 22 0:21 / /tmp rw,nosuid - tmpfs tmpfs rw,size=1024k',
      '24 22 0:30 / /mnt/my\\040disk rw - btrfs /dev/mapper/luks rw,compress=zstd:3,space_cache',
      '25 22 0:31 / /mnt/share rw - nfs4 box:/share rw',
      '26 22 8:32 / /mnt/plain rw - xfs /dev/sdc rw',
      '27 22 0:33 / /mnt/layered rw - overlay overlay rw,lowerdir=/ro,upperdir=/tmp/up,workdir=/tmp/work',
      '28 22 0:34 / /mnt/outside rw - overlay overlay rw,lowerdir=/ro,workdir=/w',
      '29 22 7:0 / /mnt/image rw - ext4 /dev/loop0 rw',
      '30 22 7:1 / /mnt/file rw - ext4 /dev/loop1 rw',
      '31 22 7:2 / /mnt/past rw - ext4 /dev/loop2 rw',
      '32 22 252:0 / /mnt/zram rw - ext4 /dev/zram0 rw',
      '33 22 9:0 / /mnt/array rw - ext4 /dev/md0 rw',
      '34 22 0:35 / /mnt/user rw - fuse.something thing rw',
      '35 22 253:3 / /mnt/volume rw - ext4 /dev/mapper/vg-home rw',
      'a line of another shape',
    ].join('\n'),
    '/sys/dev/block/254:1/partition': '1\n',
    '/sys/dev/block/254:1/../dev': '254:0\n',
    '/sys/dev/block/253:9/dm/uuid': 'CRYPT-LUKS2-abc',
    '/sys/dev/block/253:9/slaves/sdb/dev': '8:16\n',
    '/sys/dev/block/253:3/dm/uuid': 'LVM-abc',
    '/sys/dev/block/253:3/slaves/dm-9/dev': '253:9\n',
    '/sys/dev/block/7:0/loop/backing_file': '/tmp/image\n',
    '/sys/dev/block/7:0/loop/dio': '1\n',
    '/sys/dev/block/7:1/loop/backing_file': '/home/image (deleted)\n',
    '/sys/dev/block/7:1/loop/dio': '0\n',
    '/sys/dev/block/7:2/loop/backing_file': '/home/image\n',
    '/sys/dev/block/7:2/loop/dio': '1\n',
    '/sys/dev/block/9:0/slaves/sda/dev': '8:0\n',
    '/sys/dev/block/9:0/slaves/sdb/dev': '8:16\n',
  };
  const links = Object.fromEntries(
    [
      '254:1 vda1',
      '253:9 dm-9',
      '253:3 dm-3',
      '7:0 loop0',
      '7:1 loop1',
      '7:2 loop2',
      '252:0 zram0',
      '9:0 md0',
      '8:32 sdc',
      '8:16 sdb',
      '8:0 sda',
    ].map((line) => [`/sys/dev/block/${line.split(' ')[0]}`, `../../devices/x/${line.split(' ')[1]}`]),
  );
  const system = ground(files, links, { '/dev/mapper/luks': '253:9' });
  test.each<[string, string[], string[]]>([
    ['/home/x', [], ['254:0']],
    ['/tmp/bench', ['memory-backed'], ['memory 0:21']],
    ['/mnt/my disk/a', ['compressed', 'encrypted'], ['8:16']],
    ['/mnt/volume', ['encrypted'], ['8:16']],
    ['/mnt/share', ['network'], ['network box:/share']],
    ['/mnt/sharex', [], ['254:0']],
    ['/mnt/plain', [], ['8:32']],
    ['/mnt/layered/x', ['memory-backed'], ['memory 0:21']],
    ['/mnt/outside', ['not followed'], ['unknown 0:34']],
    ['/mnt/image', ['memory-backed'], ['7:0', 'memory 0:21']],
    // Its file has no name any more.
    ['/mnt/file', ['cached-through', 'not followed'], ['7:1', 'unknown /home/image (deleted)']],
    ['/mnt/past', [], ['7:2', '254:0']],
    ['/mnt/zram', ['memory-backed'], ['252:0']],
    ['/mnt/array', [], ['8:0', '8:16']],
    ['/mnt/user', ['not followed'], ['unknown 0:35']],
  ])('%s: %j on %j', async (path, labels, devices) =>
    expect(await layersOf(path, system)).toMatchObject({ labels, devices }),
  );

  test.each<[string, string[], Record<string, string>]>([
    [
      'the upper folder of an overlay',
      ['40 22 8:32 / /tmp rw - xfs /dev/sdc rw'],
      { '/tmp/up/x': 'another' },
    ],
    ['the file of a loop', ['40 22 8:32 / /tmp rw - xfs /dev/sdc rw'], {}],
    ['the file of a loop, by an older number', ['5 22 8:32 / /tmp rw - xfs /dev/sdc rw'], {}],
  ])('%s under another mount: not known, never a drive', async (what, more, marks) => {
    const table = [files['/proc/self/mountinfo'], ...more].join('\n');
    const covered = ground({ ...files, '/proc/self/mountinfo': table }, links, {}, marks);
    const { labels, devices } = await layersOf(
      what.includes('loop') ? '/mnt/image/x' : '/mnt/layered/x',
      covered,
    );
    expect(labels).toContain('not followed');
    expect(devices).not.toContain('8:32');
  });
  test('a loop whose path leads to a file that is too short for it is not followed', async () => {
    const short = { ...system, size: async () => 511 };
    const sized = { ...short, text: async (f: string) => (f.endsWith('7:2/size') ? '1' : system.text(f)) };
    expect((await layersOf('/mnt/past', sized)).devices).toEqual(['7:2', 'unknown /home/image']);
  });

  test('the way down is told in words', async () => {
    expect((await layersOf('/mnt/volume', system)).way).toEqual(['ext4', 'dm-3', 'dm-9', 'sdb']);
    expect((await layersOf('/mnt/layered', system)).way).toEqual(['overlay', 'tmpfs']);
  });
  test('what goes round in circles ends', async () => {
    const round = ground({
      '/proc/self/mountinfo': '1 0 7:0 / / rw - ext4 /dev/loop0 rw',
      '/sys/dev/block/7:0/loop/backing_file': '/image',
    });
    expect((await layersOf('/x', round)).labels).toEqual(['cached-through', 'not followed']);
  });
  test('nothing to be seen: nothing claimed', async () =>
    expect(await layersOf('/x', ground({}))).toMatchObject({ labels: [], devices: [] }));

  test('a sound folder has room; a missing, wrong or read-only one says what to do', async () => {
    expect(await inspect({ path: folder, own: false }, 0)).toMatchObject({
      problem: null,
      folder,
      labels: expect.any(Array),
    });
    expect((await inspect({ path: join(folder, 'none'), own: false }, 0)).problem).toMatch(
      /does not exist. Create it/,
    );
    expect((await inspect({ path: join(folder, 'made'), own: true }, 0)).problem).toBeNull();
    await writeFile(join(folder, 'file'), '');
    expect((await inspect({ path: join(folder, 'file'), own: false }, 0)).problem).toMatch(/is no folder/);
    expect((await inspect({ path: '/sys', own: false }, 0)).problem).toMatch(
      /cannot be written to|cannot be used/,
    );
    expect((await inspect({ path: folder, own: false }, 1e18)).problem).toMatch(/No room/);
    expect(await readdir(folder)).toEqual(expect.arrayContaining(['file', 'made']));
    expect(await readdir(join(folder, 'made'))).toEqual([]);
  });

  test('the reserve is 5 % of the volume, at most 1 GB', () =>
    expect([reserveOf(1e9), reserveOf(1e12)]).toEqual([5e7, 1e9]));
});

describe('Kymar’s own folder', () => {
  const own = () => inspect({ path: join(folder, 'own'), own: true }, 0);
  test('a link in its place is refused, whoever made it', async () => {
    await mkdir(join(folder, 'private'));
    await mkdir(join(folder, 'private', '.kymar-run-00'));
    await symlink(join(folder, 'private'), join(folder, 'own'));
    expect((await own()).problem).toMatch(/is a link or a file/);
    expect(() => ownFolder(join(folder, 'own'))).toThrow(/is a link/);
  });
  test('one that others may write to is refused', async () => {
    await mkdir(join(folder, 'own'));
    await chmod(join(folder, 'own'), 0o777);
    expect((await own()).problem).toMatch(/Others may write/);
  });
  const asRoot = process.getuid?.() === 0 ? test : test.skip;
  asRoot('somebody else’s is refused', async () => {
    await mkdir(join(folder, 'own'));
    await chown(join(folder, 'own'), 65_534, 65_534);
    expect((await own()).problem).toMatch(/belongs to another user/);
  });
});

describe('the work folder', () => {
  const journal = () =>
    new RecordFiles<{ target: string; name: string; dev?: string; ino?: string }>(
      'folders',
      join(folder, 'state'),
    );
  const make = () => Workfolder.make(join(folder, 'bench'), journal());
  const tidy = (...targets: string[]) =>
    sweep(
      targets.map((t) => join(folder, t)),
      journal(),
    );
  const named = (n: number) => `.kymar-run-${String(n).padStart(32, '0')}`;
  /** A folder of that number, named in the journal as a run would have. */
  async function journalled(n: number, target = 'bench'): Promise<string> {
    const made = join(folder, target, named(n));
    await mkdir(made);
    const { dev, ino } = await stat(made, { bigint: true });
    journal().put(named(n), { target: join(folder, target), name: named(n), dev: `${dev}`, ino: `${ino}` });
    return made;
  }
  /** A folder as a run of this owner would have left it. */
  async function leftBy(owner: object | string, n: number, target = 'bench'): Promise<string> {
    const made = await journalled(n, target);
    await writeFile(join(made, 'owner.json'), typeof owner === 'string' ? owner : JSON.stringify(owner));
    await writeFile(join(made, DATA), 'x');
    return made;
  }
  beforeEach(() => mkdir(join(folder, 'bench')));

  test('is made for its owner alone, named in the journal, and removed', async () => {
    const work = make();
    expect(await readdir(work.path)).toEqual(['owner.json']);
    expect((await stat(work.path)).mode & 0o777).toBe(0o700);
    expect(journal().all()).toHaveLength(1);
    expect(work.close()).toBeNull();
    expect(await readdir(join(folder, 'bench'))).toEqual([]);
    expect(journal().all()).toEqual([]);
  });

  test('swapped for a link while a run goes on: what the link leads to is not touched', async () => {
    const foreign = join(folder, 'foreign');
    await mkdir(foreign);
    for (const name of [DATA, 'owner.json']) await writeFile(join(foreign, name), 'mine');
    const work = make();
    await writeFile(work.data, 'the run’s');
    await rename(work.path, join(folder, 'aside'));
    await symlink(foreign, work.path);
    await writeFile(work.data, 'still the run’s');
    expect(work.close()).toBeNull();
    expect(
      await Promise.all([DATA, 'owner.json'].map((name) => readFile(join(foreign, name), 'utf8'))),
    ).toEqual(['mine', 'mine']);
    expect(existsSync(join(folder, 'aside'))).toBe(false);
  });

  test('the target itself swapped: only what Kymar made is removed', async () => {
    const work = make();
    await rename(join(folder, 'bench'), join(folder, 'bench-before'));
    await mkdir(join(folder, 'bench'));
    await mkdir(join(folder, 'bench', work.path.split('/').at(-1)!));
    expect(work.close()).toBeNull();
    expect(await readdir(join(folder, 'bench-before'))).toEqual([]);
    expect(await readdir(join(folder, 'bench'))).toHaveLength(1);
  });

  test('what cannot be removed is said, with path and size, and stays in the journal', async () => {
    const work = make();
    await writeFile(work.data, new Uint8Array(3e6));
    await writeFile(join(work.path, 'thesis.txt'), 'mine');
    const left = work.close();
    expect(left).toMatchObject({
      path: work.path,
      why: expect.stringMatching(/thesis.txt in it is not Kymar’s/),
    });
    expect(leftWords(left!)).toMatch(/could not be removed/);
    expect(await readFile(join(work.path, 'thesis.txt'), 'utf8')).toBe('mine');
    expect(journal().all()).toHaveLength(1);
  });

  test('sweeping removes what dead processes left, and nothing else', async () => {
    const living = make();
    const dead = { ...thisProcess(), started: '1' };
    const gone = [
      await leftBy(dead, 1),
      await leftBy({ pid: process.pid, started: '1' }, 2),
      await leftBy({ ...thisProcess(), boot: 'an earlier one' }, 3),
    ];
    const unowned = await journalled(4);
    await utimes(unowned, 1, 1);
    const fresh = await journalled(5);
    const strange = await journalled(6);
    await writeFile(join(strange, 'thesis.txt'), 'mine');
    await utimes(strange, 1, 1);
    await writeFile(join(folder, 'bench', 'precious'), 'mine');
    expect(tidy('bench')).toMatchObject({ swept: 4, left: [{ why: expect.stringMatching(/thesis/) }] });
    expect([living.path, fresh, strange].every(existsSync)).toBe(true);
    expect([...gone, unowned].some(existsSync)).toBe(false);
    expect(await readFile(join(folder, 'bench', 'precious'), 'utf8')).toBe('mine');
    living.close();
  });

  test('a run of another container or machine is left alone and said', async () => {
    const here = thisProcess();
    const others = [
      await leftBy({ ...here, space: 'pid:[1]', started: '1' }, 1),
      await leftBy({ ...here, boot: 'b', host: 'another' }, 2),
    ];
    expect(tidy('bench')).toMatchObject({
      swept: 0,
      left: [{ why: expect.stringMatching(/another machine or container/) }, { why: expect.any(String) }],
    });
    expect(others.every(existsSync)).toBe(true);
  });

  test('a start with other folders still clears what the journal knows', async () => {
    await mkdir(join(folder, 'before'));
    const crashed = await leftBy({ ...thisProcess(), started: '1' }, 1, 'before');
    expect(tidy('bench').swept).toBe(1);
    expect(existsSync(crashed)).toBe(false);
    expect(journal().all()).toEqual([]);
  });

  test('what only has such a name was never Kymar’s: left, and told where a run might have made it', async () => {
    const dead = { ...thisProcess(), started: '1' };
    const mine = join(folder, 'bench', '.kymar-run-mine');
    const unnamed = join(folder, 'bench', named(1));
    for (const made of [mine, unnamed]) {
      await mkdir(made);
      await writeFile(join(made, 'owner.json'), JSON.stringify(dead));
      await writeFile(join(made, DATA), 'thesis');
      await utimes(made, 1, 1);
    }
    // Another folder in the place of the one that the journal names; and an entry of a journal that named none.
    const swapped = await leftBy(dead, 2);
    await rename(swapped, join(folder, 'aside'));
    await mkdir(swapped);
    await writeFile(join(swapped, 'owner.json'), JSON.stringify(dead));
    const older = await leftBy(dead, 3);
    journal().put(named(3), { target: join(folder, 'bench'), name: named(3) });
    const { swept, left } = tidy('bench');
    expect(swept).toBe(0);
    expect(left.map(({ path }) => path).sort()).toEqual([unnamed, swapped, older]);
    expect(left.every(({ why }) => /journal does not name this very folder/.test(why))).toBe(true);
    expect([mine, unnamed, swapped, older].every(existsSync)).toBe(true);
    expect(await readFile(join(mine, DATA), 'utf8')).toBe('thesis');
  });

  test('a journal that cannot be written is named, not the bench folder, and nothing is left there', async () => {
    await rm(join(folder, 'state'), { recursive: true, force: true });
    const full = journal();
    jest.spyOn(full, 'put').mockImplementation(() => {
      throw new NotKept('Kymar’s own folder /state cannot be written to: its volume is full');
    });
    expect(() => Workfolder.make(join(folder, 'bench'), full)).toThrow(/own folder .* is full/);
    expect(await readdir(join(folder, 'bench'))).toEqual([]);
    await symlink('/tmp', join(folder, 'linked'));
    const closed = new RecordFiles<{ target: string; name: string }>('folders', join(folder, 'linked'));
    expect(() => Workfolder.make(join(folder, 'bench'), closed)).toThrow(/Nothing can be kept/);
    expect(await readdir(join(folder, 'bench'))).toEqual([]);
  });

  test('a pipe, a link or nonsense as the owner’s record stops nothing and gets nothing removed', async () => {
    const piped = await journalled(1);
    execFileSync('mkfifo', [join(piped, 'owner.json')]);
    const linked = await journalled(2);
    await symlink('/etc/hostname', join(linked, 'owner.json'));
    const nonsense = await leftBy('{"pid": "all"}', 3);
    const huge = await leftBy(' '.repeat(10_000), 4);
    expect(tidy('bench').swept).toBe(0);
    expect([piped, linked, nonsense, huge].every(existsSync)).toBe(true);
  });

  test('a pipe in the place of the data is not Kymar’s: left and said', async () => {
    const work = make();
    execFileSync('mkfifo', [join(work.path, DATA)]);
    expect(work.close()).toMatchObject({ why: `${DATA} in it is no file` });
    expect(existsSync(join(work.path, DATA))).toBe(true);
  });

  test('sweeping never follows a link', async () => {
    const outside = join(folder, 'outside');
    await mkdir(outside);
    await writeFile(join(outside, DATA), 'mine');
    await symlink(outside, join(folder, 'bench', named(4)));
    const trap = await journalled(5);
    await symlink(join(outside, DATA), join(trap, DATA));
    await utimes(trap, 1, 1);
    tidy('bench');
    expect(await readFile(join(outside, DATA), 'utf8')).toBe('mine');
    expect(existsSync(trap)).toBe(false);
  });

  test('a folder that is not there is swept without a word', () =>
    expect(tidy('none')).toEqual({ swept: 0, left: [] }));
});

describe('records that outlive a start', () => {
  test('come back oldest first; broken, huge and linked ones are passed over', async () => {
    const records = new RecordFiles<{ n: number }>('things', folder);
    records.put('a', { n: 1 });
    await utimes(join(folder, 'things', 'a.json'), 1, 1);
    records.put('b', { n: 2 });
    records.put('../escape', { n: 3 });
    await writeFile(join(folder, 'things', 'c.json'), '{');
    await writeFile(join(folder, 'things', 'd.json'), `"${'x'.repeat(9e6)}"`);
    await symlink('/etc/hostname', join(folder, 'things', 'e.json'));
    expect(records.all().map(({ record }) => record.n)).toEqual([1, 2]);
    records.drop('a');
    expect(records.all()).toHaveLength(1);
  });
  test('a folder that went meanwhile is made again; one that cannot be is said, in words of its own', async () => {
    const records = new RecordFiles<{ n: number }>('things', join(folder, 'root'));
    await rm(join(folder, 'root'), { recursive: true });
    expect(records.all()).toEqual([]);
    records.put('a', { n: 1 });
    expect(records.all()).toHaveLength(1);
    await rm(join(folder, 'root'), { recursive: true });
    await writeFile(join(folder, 'root'), 'a file');
    expect(() => records.put('b', { n: 2 })).toThrow(NotKept);
    expect(records.all()).toEqual([]);
  });
  test('where nothing can be kept, it says so and goes on', async () => {
    await symlink('/tmp', join(folder, 'elsewhere'));
    const records = new RecordFiles('things', join(folder, 'elsewhere'));
    expect(records.problem).toMatch(/Nothing can be kept.*is a link/);
    records.put('a', {});
    expect(records.all()).toEqual([]);
  });
});

describe('one run at a time on a device', () => {
  test('whoever comes second gets nothing, until it is free again; other devices are not in the way', async () => {
    const free = await lockDevices(['test 1:1', 'test 1:2']);
    expect(await lockDevices(['test 1:2', 'test 1:3'])).toBeNull();
    const other = await lockDevices(['test 1:3']);
    expect(other).not.toBeNull();
    free!();
    const again = await lockDevices(['test 1:2']);
    expect(again).not.toBeNull();
    [other, again].forEach((give) => give!());
  });
  test('one device named twice is one', async () => {
    const free = await lockDevices(['test 2:1', 'test 2:1']);
    expect(free).not.toBeNull();
    free!();
  });
});

describe('sequential writing and reading', () => {
  const MiB = 2 ** 20;
  const pool = randomPool(4 * MiB);

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

  test('what comes back is held against what was written: a sparse file, another run’s and a page out of place are found', async () => {
    const file = join(folder, DATA);
    const counter = new Counter();
    writeFront(file, 2 * MiB, MiB, pool, counter, 7);
    expect(readBack(file, 2 * MiB, MiB, counter, 7).seconds).toBeGreaterThan(0);
    expect(() => readBack(file, 2 * MiB, MiB, counter, 8)).toThrow(NotWhatWasWritten);
    const content = await readFile(file);
    // The whole moved by one page; one page of another place among those that are looked at.
    await writeFile(file, Buffer.concat([content.subarray(4096), content.subarray(0, 4096)]));
    expect(() => readBack(file, 2 * MiB, MiB, counter, 7)).toThrow(NotWhatWasWritten);
    await writeFile(file, Buffer.concat([content.subarray(4096, 8192), content.subarray(4096)]));
    expect(() => readBack(file, 2 * MiB, MiB, counter, 7)).toThrow(NotWhatWasWritten);
    await truncate(file, 0);
    await truncate(file, 2 * MiB);
    expect(() => readBack(file, 2 * MiB, MiB, counter, 7)).toThrow(NotWhatWasWritten);
  });

  test('the reserve is looked at while writing, whoever takes the room', () => {
    const real = fs.statfsSync(folder);
    let asked = 0;
    // Another program fills the volume while the run goes on.
    const spy = jest
      .spyOn(fs, 'statfsSync')
      .mockImplementation((() => ({ ...real, bsize: 1, bavail: 100 * MiB - 30 * MiB * asked++ })) as never);
    const file = join(folder, DATA);
    expect(() =>
      writeFront(file, 256 * MiB, MiB, pool, new Counter(), 1, { folder, reserve: 10 * MiB }),
    ).toThrow(NoRoom);
    expect(asked).toBeGreaterThan(1);
    spy.mockRestore();
  });

  test('never writes over a file nor through a link', async () => {
    await writeFile(join(folder, 'mine'), 'mine');
    await symlink(join(folder, 'mine'), join(folder, 'link'));
    for (const name of ['mine', 'link'])
      expect(() => writeFront(join(folder, name), MiB, MiB, pool, new Counter())).toThrow(/EEXIST/);
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

describe('what others’ errors tell', () => {
  const answerTo = (error: unknown) => {
    const sent = { status: 0, body: '', type: '' };
    const response = {
      headersSent: false,
      set: () => response,
      status: (n: number) => ((sent.status = n), response),
      type: (t: string) => ((sent.type = t), response),
      send: (b: string) => ((sent.body = b), response),
    };
    problems(error, {} as never, response as never, () => undefined);
    return { ...sent, told: JSON.parse(sent.body) as { status: number; title: string; detail: string } };
  };
  const secret = '/home/somebody/kymar/web/dist/assets/x';
  test.each([
    [
      'a file that is not there',
      Object.assign(new Error(`ENOENT: no such file, stat '${secret}'`), { status: 404 }),
      404,
    ],
    [
      'too many open files',
      Object.assign(new Error(`EMFILE: too many open files, open '${secret}'`), {
        code: 'EMFILE',
        status: 500,
      }),
      500,
    ],
    ['an error of nobody knows what', new Error(secret), 500],
    ['a malformed address', new URIError(`Failed to decode param '${secret}'`), 400],
    ['nonsense thrown', secret, 500],
    ['a status that is none', { status: 9000, message: secret }, 500],
  ])('%s: problem details in words of Kymar’s own, never a path', (_, error, status) => {
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const { body, type, told } = answerTo(error);
    expect(told).toMatchObject({ status, title: expect.any(String), detail: expect.any(String) });
    expect(type).toBe('application/problem+json');
    expect(body).not.toContain('somebody');
    jest.restoreAllMocks();
  });
  test('a refusal of Kymar’s own is told as it is, with the methods that would do', () =>
    expect(answerTo(new Problem(405, 'Not that way', 'x', 'GET')).told).toMatchObject({
      status: 405,
      title: 'Not that way',
    }));
});

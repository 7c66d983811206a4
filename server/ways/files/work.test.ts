import { mkdir, mkdtemp, readdir, rm, stat, writeFile } from 'node:fs/promises';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sizesOfFiles } from '@kymar/core/measure';
import { filesIn } from '../copy/work';
import { readFolder } from '../read/work';
import { writeFiles } from './work';
import { Counter, NoRoom, NotWhatWasWritten, Stopped } from '../../sequential';
import { temperatureOf, warmthOf } from '../../warmth';

let root = '';
beforeEach(async () => {
  root = await mkdtemp(join(tmpdir(), 'kymar-files-'));
});
afterEach(() => rm(root, { recursive: true, force: true }));
const into = (name: string) => join(root, name);
const guard = () => ({ folder: root, reserve: 0 });

describe('many files', () => {
  const sizes = sizesOfFiles({ files: 40, median: 30_000, spread: 3 });

  test('each as large as was asked for, all read back', async () => {
    const done = writeFiles(sizes, into, true, new Counter(), guard());
    const total = sizes.reduce((a, b) => a + b, 0);
    expect(done.write).toMatchObject({ files: 40, bytes: total });
    expect(done.read).toMatchObject({ files: 40, bytes: total });
    expect(done.bar).toBeLessThanOrEqual(done.write.seconds);
    const there = await Promise.all(sizes.map(async (_, i) => (await stat(into(`part-${i}`))).size));
    expect(there).toEqual(sizes);
  });

  test('one that was put in the place of another is found when it is read back', () => {
    const counter = new Counter();
    const begin = counter.begin.bind(counter);
    counter.begin = (phase) => {
      if (phase === 'read') writeFileSync(into('part-7'), Buffer.alloc(sizes[7]!, 9));
      begin(phase);
    };
    expect(() => writeFiles(sizes, into, true, counter, guard())).toThrow(NotWhatWasWritten);
  });

  test('stops when asked, and before the reserve', async () => {
    const counter = new Counter();
    counter.stop();
    expect(() => writeFiles(sizes, into, false, counter, guard())).toThrow(Stopped);
    expect(() =>
      writeFiles(sizes, into, false, new Counter(), { folder: root, reserve: Number.MAX_SAFE_INTEGER }),
    ).toThrow(NoRoom);
    expect(await readdir(root)).toEqual([]);
  });

  test('a folder is read whole, its empty files too; a file that is gone meanwhile is the system’s error', async () => {
    await mkdir(into('deep'));
    await writeFile(into('deep/a'), Buffer.alloc(2_500_000, 1));
    await writeFile(into('b'), '');
    const files = filesIn(root);
    expect(readFolder(root, files, new Counter())).toMatchObject({ files: 2, bytes: 2_500_000 });
    await rm(into('deep/a'));
    expect(() => readFolder(root, files, new Counter())).toThrow(/ENOENT/);
  });
});

describe('warmth of a drive', () => {
  const sensor = async (way: string, millidegrees: string) => {
    const folder = join(root, 'dev/block', way);
    await mkdir(folder, { recursive: true });
    await writeFile(join(folder, 'temp1_input'), `${millidegrees}\n`);
  };

  test('is that of the warmest, wherever the system puts its sensor; none where it offers none', async () => {
    await sensor('259:0/device/hwmon3', '41850');
    await sensor('8:0/device/hwmon/hwmon5', '52000');
    expect(await temperatureOf(['259:0'], root)).toBe(41.85);
    expect(await temperatureOf(['259:0', '8:0'], root)).toBe(52);
    expect(await temperatureOf(['7:7'], root)).toBeNull();
  });

  test('the start and the most of it are kept', async () => {
    await sensor('8:0/device/hwmon/hwmon5', '38000');
    const before = process.env.KYMAR_SYSFS;
    process.env.KYMAR_SYSFS = root;
    try {
      const warmth = warmthOf(['8:0']);
      await new Promise((resolve) => setTimeout(resolve, 50));
      await sensor('8:0/device/hwmon/hwmon5', '61500');
      expect(await warmth.end()).toEqual({ start: 38, most: 61.5 });
      expect(await warmthOf(['9:9']).end()).toBeUndefined();
    } finally {
      if (before === undefined) delete process.env.KYMAR_SYSFS;
      else process.env.KYMAR_SYSFS = before;
    }
  });
});
